import type { Company } from '@dossier/contract';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import { useFirmFactsQuery, useForgetFactMutation } from './api';
import { FIELD_WORDS } from './words';

/** What was taken of a firm from a directory, with where it is from; nothing where nothing was. */
export function FirmFactsList({ company }: { company: Company }) {
  const may = useMay();
  const { data } = useFirmFactsQuery(company.id);
  const [forget, { error, isLoading }] = useForgetFactMutation();
  if (!data || data.items.length === 0) return null;
  return (
    <View className="gap-1">
      <Subheading>From the directory</Subheading>
      {data.items.map(({ id, field, value, source, foundAt, takenBy }) => (
        <View key={id} className="flex-row flex-wrap items-center gap-x-3 border-b border-rule py-1">
          <View className="min-w-[200px] flex-1">
            <Text className="[overflow-wrap:anywhere]">{`${FIELD_WORDS[field]}: ${value}`}</Text>
            <Soft>{`${source}, ${formatWhen(foundAt)}${takenBy ? `, taken by ${takenBy}` : ''}`}</Soft>
          </View>
          {may('edit') ? (
            <Button
              look="brick"
              label={`Take away ${FIELD_WORDS[field]}`}
              busy={isLoading}
              onPress={() => void forget(id)}
            >
              Take away
            </Button>
          ) : null}
        </View>
      ))}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
