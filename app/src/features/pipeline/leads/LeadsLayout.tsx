import { Slot, usePathname } from 'expo-router';
import { View } from 'react-native';
import { useWide } from '@/lib/useWide';
import { EmptyState, HiddenHeading } from '@/ui';
import { LeadList } from './LeadList';

/** On a wide screen the list stays beside the lead; on a phone one follows the other. */
export function LeadsLayout() {
  const wide = useWide();
  const path = usePathname();
  if (!wide) return <Slot />;
  return (
    <View className="min-h-0 flex-1 flex-row">
      <View className="min-h-0 w-[400px] border-r border-rule">
        <LeadList beside chosen={path.split('/')[3]} />
      </View>
      <View className="min-h-0 min-w-0 flex-1">
        <Slot />
      </View>
    </View>
  );
}

/** The page behind `/pipeline/leads`: the list itself on a phone, a hint beside the list elsewhere. */
export function NoLeadChosen() {
  const wide = useWide();
  if (!wide) return <LeadList />;
  return (
    <View role="main">
      <HiddenHeading>Leads</HiddenHeading>
      <EmptyState title="Nobody chosen">
        Choose a lead from the list; from there you go on from one to the next.
      </EmptyState>
    </View>
  );
}
