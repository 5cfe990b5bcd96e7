import { Slot, usePathname } from 'expo-router';
import { View } from 'react-native';
import { useWide } from '@/lib/useWide';
import { EmptyState, HiddenHeading } from '@/ui';
import { CompaniesList, type LentTable } from './CompaniesList';

/** On a wide screen the list stays beside the firm; on a phone one follows the other. */
export function CompaniesLayout({ AsTable }: LentTable) {
  const wide = useWide();
  const path = usePathname();
  if (!wide) return <Slot />;
  return (
    <View className="min-h-0 flex-1 flex-row">
      <View className="min-h-0 w-[380px] border-r border-rule">
        <CompaniesList AsTable={AsTable} beside chosen={path.split('/')[2]} />
      </View>
      <View className="min-h-0 min-w-0 flex-1">
        <Slot />
      </View>
    </View>
  );
}

/** The page behind `/companies`: the list itself on a phone, a hint beside the list elsewhere. */
export function NoFirmChosen({ AsTable }: LentTable) {
  const wide = useWide();
  if (!wide) return <CompaniesList AsTable={AsTable} />;
  return (
    <View role="main">
      <HiddenHeading>Companies</HiddenHeading>
      <EmptyState title="No firm chosen">Choose a firm from the list to see who works there.</EmptyState>
    </View>
  );
}
