import type { Facet } from '@dossier/contract';
import type { ReactNode } from 'react';
import { Pressable, Text as NativeText, View } from 'react-native';
import { useTeamQuery } from '@/features/account';
import { formatDay } from '@/lib/formatDate';
import { useFacetsQuery } from '../api';
import { addressOf, EVERYBODY, toggled, type ListPlace } from './place';
import { FACET_LABELS, valueWords } from './words';

interface Props {
  place: ListPlace;
  onChange: (place: ListPlace) => void;
  /** What else can be done with the list as it is. */
  children?: ReactNode;
}

/** What the list is narrowed by, each to be taken away with one touch. */
export function Chips({ place, onChange, children }: Props) {
  const nameOf = useNames(place);
  const chips = (Object.entries(place.marks) as [Facet, readonly string[]][]).flatMap(([facet, values]) =>
    values.map((value) => ({
      key: `${facet} ${value}`,
      words: valueWords(facet, value, nameOf(facet, value)),
      what: FACET_LABELS[facet],
      without: toggled(place, facet, value),
    })),
  );
  const { filedFrom, filedTo } = place;
  if (filedFrom || filedTo)
    chips.push({
      key: 'filed',
      words: `Filed ${[filedFrom && `from ${formatDay(filedFrom)}`, filedTo && `to ${formatDay(filedTo)}`].filter(Boolean).join(' ')}`,
      what: 'Filed',
      without: { ...place, filedFrom: '', filedTo: '' },
    });
  return (
    <View className="flex-row flex-wrap items-center gap-2">
      {chips.map(({ key, words, what, without }) => (
        <Pressable
          key={key}
          role="button"
          aria-label={`${what}: ${words}. Take away`}
          onPress={() => onChange(without)}
          className="min-h-[36px] max-w-full flex-row items-center gap-2 border-b-2 border-ink px-1 hover:bg-table active:opacity-60"
        >
          <NativeText numberOfLines={1} className="min-w-0 shrink font-sans text-[15px] leading-[20px] text-ink">
            {words}
          </NativeText>
          <NativeText aria-hidden className="font-sans text-[17px] leading-[20px] text-soft">
            ×
          </NativeText>
        </Pressable>
      ))}
      {children}
    </View>
  );
}

/** What owners, occasions and firms are called that the list is narrowed by. */
function useNames({ marks }: ListPlace): (facet: Facet, value: string) => string | undefined {
  const { data: team } = useTeamQuery();
  const named = (['occasion', 'company'] as const).filter((facet) => marks[facet]);
  const own = Object.fromEntries(named.map((facet) => [facet, marks[facet]!]));
  const { data } = useFacetsQuery(
    { address: addressOf({ ...EVERYBODY, marks: own }), facet: named },
    { skip: named.length === 0 },
  );
  return (facet, value) =>
    facet === 'owner'
      ? (team?.items.find(({ id }) => id === value)?.name ?? '…')
      : named.some((one) => one === facet)
        ? (data?.facets.find((one) => one.facet === facet)?.values.find((one) => one.value === value)?.label ?? '…')
        : undefined;
}
