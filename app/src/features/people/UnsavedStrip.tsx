import { usePathname, useRouter } from 'expo-router';
import { View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { Button, Text } from '@/ui';
import { peopleSlice, selectLastLeft } from './slice';

/** Asks about a form that was left with something in it, wherever somebody went. */
export function UnsavedStrip() {
  const left = useSelector(selectLastLeft);
  const dispatch = useDispatch();
  const router = useRouter();
  const path = usePathname();
  if (!left || path === `/people/${left.personId}`) return null;
  return (
    <View
      role="alert"
      className="flex-row flex-wrap items-center justify-end gap-x-2 border-b border-l-2 border-b-rule border-l-ink bg-sheet pl-3"
    >
      <Text className="min-w-[180px] flex-1 py-2 text-[15px] leading-[20px]">
        {`Your changes to ${left.name || 'somebody'} are not saved.`}
      </Text>
      <Button look="bare" className="px-2" onPress={() => router.push(`/people/${left.personId}`)}>
        Go back to them
      </Button>
      <Button look="brick" className="px-2" onPress={() => dispatch(peopleSlice.actions.editForgotten(left.personId))}>
        Drop them
      </Button>
    </View>
  );
}
