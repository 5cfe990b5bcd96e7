import type { Person, PersonSources } from '@dossier/contract';
import { formatPhone } from '@dossier/core/people';
import { recordValues, type RecordValue } from '@dossier/core/proof';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { personFieldLabel } from '@/lib/fieldLabels';
import { Button, LoadingLines, Notice, Soft, Subheading, Text } from '@/ui';
import { usePersonSourcesQuery } from './api';
import { InkStrip } from './Strip';
import { whoseValue } from './whoseValue';

/** Every value of a record beside the piece of the card it was read from, or who wrote it; asked for when somebody wants to see it. */
export function WhereFrom({ person }: { person: Person }) {
  const [open, setOpen] = useState(false);
  if (recordValues(person.fields).length === 0) return null;
  if (!open)
    return (
      <View className="items-start">
        <Button look="bare" className="-ml-4" onPress={() => setOpen(true)}>
          Where each value came from
        </Button>
      </View>
    );
  return (
    <View role="region" aria-label="Where each value came from" className="gap-2">
      <View className="flex-row flex-wrap items-center justify-between gap-x-3">
        <Subheading>Where each value came from</Subheading>
        <Button look="bare" className="-mr-4" onPress={() => setOpen(false)}>
          Close
        </Button>
      </View>
      <Values person={person} />
    </View>
  );
}

function Values({ person }: { person: Person }) {
  const { data, error, refetch } = usePersonSourcesQuery(person.id);
  if (error)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines lines={4} />;
  return recordValues(person.fields).map((value) => {
    const source = data.items.find((item) => isOf(item, value));
    return (
      <View
        key={`${value.field} ${value.label} ${value.value}`}
        className="flex-row flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule pb-2"
      >
        <View className="min-w-0 flex-1 basis-[220px]">
          <Soft>{value.label || personFieldLabel(value.field)}</Soft>
          <Text className="tabular" style={{ overflowWrap: 'anywhere' } as object}>
            {value.field === 'phone' ? formatPhone(value.value, '') : value.value}
          </Text>
        </View>
        <View className="min-w-0 flex-1 basis-[220px] gap-1">
          {source ? (
            source.areas.map((area) => (
              <InkStrip key={`${area.left} ${area.top}`} {...source} area={area} tallest={26} />
            ))
          ) : (
            <Soft>{whoseValue(person.history, value)}</Soft>
          )}
        </View>
      </View>
    );
  });
}

const isOf = (item: PersonSources['items'][number], { field, label, value }: RecordValue): boolean =>
  item.field === field && item.label === label && item.value === value;
