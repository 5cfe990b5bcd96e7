import { Link } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Heading, Serif, Subheading } from '@/ui';

/** The head of the two lists of this place: the one that is shown, and the way to the other. */
export function ListSwitch({
  at,
  beside,
  children,
}: {
  at: 'people' | 'companies';
  beside?: boolean;
  children?: ReactNode;
}) {
  const Here = beside ? Subheading : Heading;
  const here = <Here className="text-[27px] leading-[34px]">{at === 'people' ? 'People' : 'Companies'}</Here>;
  const other = (
    <Link href={at === 'people' ? '/companies' : '/people'}>
      <View className="min-h-touch justify-center">
        <Serif className="text-[19px] text-soft">{at === 'people' ? 'Companies' : 'People'}</Serif>
      </View>
    </Link>
  );
  return (
    <View className="flex-row flex-wrap items-center gap-x-4">
      {here}
      {other}
      <View className="flex-1 items-end">{children}</View>
    </View>
  );
}
