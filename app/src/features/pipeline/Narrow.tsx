import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { useSessionQuery, useTeamQuery } from '@/features/account';
import { useOccasions } from '@/features/capture';
import { useTagsQuery } from '@/features/people';
import { Button, Select } from '@/ui';
import type { Narrowing } from './api';

interface Props {
  place: Narrowing;
  set: (change: Narrowing) => void;
  /** In the same line. */
  children?: ReactNode;
  /** By what else a list is narrowed. */
  more?: ReactNode;
  /** Not where lists are of people themselves. */
  byTag?: boolean;
  /** One line, with the rest behind a button: where there is little room. */
  fold?: boolean;
}

/** What a list is narrowed by: whose it is in sight, the rest where there is room or somebody wants it. */
export function Narrow({ place, set, children, more, byTag, fold }: Props) {
  const [isOpen, setOpen] = useState(false);
  const { data: session } = useSessionQuery();
  const { data: team } = useTeamQuery();
  const own = session?.user.id ?? '';
  const { owner, sort, q, ...others } = place;
  const count = Object.values(others).filter(Boolean).length;
  const rest = (
    <>
      <Rest place={place} set={set} byTag={byTag} own={own} />
      {more}
    </>
  );
  return (
    <View>
      <View className="flex-row flex-wrap items-center gap-x-4">
        <Select
          label="Whose"
          value={owner ?? ''}
          onChange={(next) => set({ owner: next })}
          options={[
            { value: '', label: 'Everybody’s' },
            { value: own, label: 'Mine' },
            ...(team?.items ?? []).filter(({ id }) => id !== own).map(({ id, name }) => ({ value: id, label: name })),
          ]}
        />
        {fold ? (
          <Button look="bare" className="-mx-3" onPress={() => setOpen(!isOpen)}>
            {isOpen ? 'Less' : count > 0 ? `Narrowed by ${count}` : 'Narrow'}
          </Button>
        ) : (
          rest
        )}
        {children}
      </View>
      {fold && isOpen ? (
        <View role="group" aria-label="Narrow" className="flex-row flex-wrap items-center gap-x-4">
          {rest}
        </View>
      ) : null}
    </View>
  );
}

function Rest({ place, set, byTag, own }: Pick<Props, 'place' | 'set' | 'byTag'> & { own: string }) {
  const { items: occasions } = useOccasions(own);
  const tags = useTagsQuery(undefined, { skip: !byTag }).data?.items.slice(0, 60) ?? [];
  return (
    <>
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
    </>
  );
}
