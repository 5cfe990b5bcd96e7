import { View } from 'react-native';
import { useSessionQuery, useTeamQuery } from '@/features/account';
import { useOccasions } from '@/features/capture';
import { useTagsQuery } from '@/features/people';
import { Select } from '@/ui';
import type { Narrowing } from './api';

interface Props {
  place: Narrowing;
  set: (change: Narrowing) => void;
  children?: React.ReactNode;
  /** Not where lists are of people themselves. */
  byTag?: boolean;
}

/** One line of what a list is narrowed by. */
export function Narrow({ place, set, children, byTag }: Props) {
  const { data: session } = useSessionQuery();
  const { data: team } = useTeamQuery();
  const { items: occasions } = useOccasions(session?.user.id ?? '');
  const tags = useTagsQuery(undefined, { skip: !byTag }).data?.items.slice(0, 60) ?? [];
  const own = session?.user.id ?? '';
  return (
    <View className="flex-row flex-wrap items-center gap-x-4">
      <Select
        label="Whose"
        value={place.owner ?? ''}
        onChange={(owner) => set({ owner })}
        options={[
          { value: '', label: 'Everybody’s' },
          { value: own, label: 'Mine' },
          ...(team?.items ?? []).filter(({ id }) => id !== own).map(({ id, name }) => ({ value: id, label: name })),
        ]}
      />
      {occasions.length > 0 ? (
        <Select
          label="From which occasion"
          value={place.occasion ?? ''}
          onChange={(occasion) => set({ occasion })}
          options={[
            { value: '', label: 'Any occasion' },
            ...occasions.map(({ id, name }) => ({ value: id, label: name })),
          ]}
        />
      ) : null}
      {byTag && tags.length > 0 ? (
        <Select
          label="With people tagged"
          value={place.tag ?? ''}
          onChange={(tag) => set({ tag })}
          options={[{ value: '', label: 'Any tag' }, ...tags.map(({ tag }) => ({ value: tag, label: tag }))]}
        />
      ) : null}
      {children}
    </View>
  );
}
