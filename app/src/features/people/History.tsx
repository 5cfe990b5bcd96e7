import type { Change } from '@dossier/contract';
import { View } from 'react-native';
import { formatWhen } from '@/lib/formatDate';
import { Soft, Subheading, Text } from '@/ui';
import { personFieldLabel } from '@/lib/fieldLabels';

/** What was done to this record, newest first. */
export const History = ({ changes }: { changes: readonly Change[] }) => (
  <View className="gap-3">
    <Subheading>History</Subheading>
    {changes.map((change) => (
      <View key={change.id} className="gap-1">
        <Text>
          {change.action === 'filed' ? 'Filed' : 'Updated'} from a card by {change.actor}
          <Soft>{`  ${formatWhen(change.at)}`}</Soft>
        </Text>
        {change.action === 'updated'
          ? change.changes.map(({ field, before, after }) => (
              <Soft key={field} className="pl-4">
                {personFieldLabel(field)}: {before || 'nothing'} → {after || 'nothing'}
              </Soft>
            ))
          : null}
        {change.action === 'updated' && change.changes.length === 0 ? (
          <Soft className="pl-4">Nothing changed.</Soft>
        ) : null}
      </View>
    ))}
  </View>
);
