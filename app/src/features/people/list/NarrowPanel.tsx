import { FACET_NAMES, type Facet } from '@dossier/contract';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, DayField, LoadingLines, Notice, Soft, Subheading, Text, Toggle } from '@/ui';
import { useFacetsQuery } from '../api';
import { addressOf, EVERYBODY, isNarrowed, toggled, type ListPlace } from './place';
import { countWords, FACET_LABELS, valueWords } from './words';

interface Props {
  place: ListPlace;
  onChange: (place: ListPlace) => void;
  /** Who is shown then, in words. */
  shown: string;
  onDone: () => void;
}

/** What a list can be narrowed by, with how many people are behind each value. */
export const NarrowPanel = ({ place, onChange, shown, onDone }: Props) => {
  const [open, setOpen] = useState<ReadonlySet<Facet>>(
    () => new Set<Facet>(['kind', ...(Object.keys(place.marks) as Facet[])]),
  );
  const flip = (facet: Facet) => {
    const next = new Set(open);
    if (!next.delete(facet)) next.add(facet);
    setOpen(next);
  };
  return (
    <View role="region" aria-label="Narrow the list" className="min-h-0 flex-1">
      <ScrollView className="flex-1" contentContainerStyle={{ paddingHorizontal: 16, paddingBottom: 16 }}>
        {FACET_NAMES.map((facet) => (
          <View key={facet} className="border-b border-rule">
            <Pressable
              role="button"
              aria-expanded={open.has(facet)}
              onPress={() => flip(facet)}
              className="min-h-touch flex-row items-center justify-between hover:bg-table"
            >
              <Text className="font-medium">{FACET_LABELS[facet]}</Text>
              <Soft numberOfLines={1}>
                {place.marks[facet]?.length ? `${place.marks[facet].length} chosen` : open.has(facet) ? '' : 'Show'}
              </Soft>
            </Pressable>
            {open.has(facet) ? <Values facet={facet} place={place} onChange={onChange} /> : null}
          </View>
        ))}
        <View className="gap-3 pt-4">
          <Subheading>Filed</Subheading>
          <View className="flex-row flex-wrap gap-4">
            <DayField
              label="From"
              value={place.filedFrom}
              onChange={(filedFrom) => onChange({ ...place, filedFrom })}
            />
            <DayField label="To" value={place.filedTo} onChange={(filedTo) => onChange({ ...place, filedTo })} />
          </View>
        </View>
      </ScrollView>
      <View className="flex-row gap-2 border-t border-rule px-4 py-2">
        <Button look="ink" onPress={onDone}>
          {`Show ${shown}`}
        </Button>
        {isNarrowed(place) ? (
          <Button look="bare" onPress={() => onChange({ ...EVERYBODY, q: place.q, sort: place.sort })}>
            Show everybody
          </Button>
        ) : null}
      </View>
    </View>
  );
};

function Values({ facet, place, onChange }: { facet: Facet } & Pick<Props, 'place' | 'onChange'>) {
  const { data, error, isLoading, refetch } = useFacetsQuery({ address: addressOf({ ...place, sort: '' }), facet });
  const found = data?.facets[0];
  if (error)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (isLoading || !found) return <LoadingLines lines={2} />;
  if (found.values.length === 0) return <Soft className="pb-3">Nobody here has one.</Soft>;
  const chosen = place.marks[facet] ?? [];
  return (
    <View className="pb-2">
      {found.values.map(({ value, label, people }) => (
        <View key={value} className="flex-row items-center gap-3">
          <View className="min-w-0 flex-1">
            <Toggle
              label={valueWords(facet, value, label)}
              on={chosen.includes(value)}
              onChange={() => onChange(toggled(place, facet, value))}
            />
          </View>
          <Soft className="tabular">{countWords(people, found.counted)}</Soft>
        </View>
      ))}
    </View>
  );
}
