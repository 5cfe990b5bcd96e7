import { Link, type Href } from 'expo-router';
import { Text as NativeText, View } from 'react-native';
import { useViewsQuery } from '../api';
import { addressOf, placeOfAddress } from './place';
import { useListPlace } from './useListPlace';

/** Views of people in the left column, under their place. */
export function ViewLinks() {
  const { data } = useViewsQuery();
  const { address } = useListPlace();
  return data?.items.map(({ id, name, query }) => {
    const here = addressOf(placeOfAddress(query)) === address;
    return (
      <Link key={id} href={`/people?${query}` as Href} aria-current={here ? 'true' : undefined}>
        <View className="min-h-[36px] w-[175px] justify-center pl-[33px] pr-3 hover:bg-table">
          <NativeText
            numberOfLines={1}
            className={`font-sans text-[15px] leading-[20px] ${here ? 'font-semibold text-ink' : 'text-soft'}`}
          >
            {name}
          </NativeText>
        </View>
      </Link>
    );
  });
}
