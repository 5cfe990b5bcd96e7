import { Slot, usePathname } from 'expo-router';
import { View } from 'react-native';
import { useWide } from '@/lib/useWide';
import { EmptyState, HiddenHeading } from '@/ui';
import type { Ask, HandOver, TakeOut } from './list/lent';
import { PeopleList } from './list/PeopleList';

interface Lent {
  TakeOut: TakeOut;
  HandOver: HandOver;
  Ask: Ask;
}

/**
 * On a wide screen the list stays beside the person; on a phone one follows the other. A table and a map have the whole place.
 * @param lent what the room where files are made, and people handed over, lends
 */
export function PeopleLayout(lent: Lent) {
  const wide = useWide();
  const path = usePathname();
  if (!wide || ['/people/table', '/people/map'].includes(path)) return <Slot />;
  return (
    <View className="min-h-0 flex-1 flex-row">
      <View className="min-h-0 w-[380px] border-r border-rule">
        <PeopleList beside chosen={path.split('/')[2]} {...lent} />
      </View>
      <View className="min-h-0 min-w-0 flex-1">
        <Slot />
      </View>
    </View>
  );
}

/** The page behind `/people`: the list itself on a phone, a hint beside the list elsewhere. */
export function NobodyChosen(lent: Lent) {
  const wide = useWide();
  if (!wide) return <PeopleList {...lent} />;
  return (
    <View role="main">
      <HiddenHeading>People</HiddenHeading>
      <EmptyState title="Nobody chosen">Choose somebody from the list to see their dossier.</EmptyState>
    </View>
  );
}
