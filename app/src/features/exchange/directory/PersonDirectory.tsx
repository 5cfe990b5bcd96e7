import type { Person } from '@dossier/contract';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { API, problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Subheading } from '@/ui';
import { useDirectorySettingsQuery, useForgetPortraitMutation, useFoundOfQuery, usePortraitQuery } from './api';
import { Offers } from './Offers';
import { useLookUp } from './useLookUp';

/** What a directory says of somebody and their firm; nothing where none is set up. */
export function PersonDirectory({ person }: { person: Person }) {
  const may = useMay();
  const { data: settings } = useDirectorySettingsQuery();
  const { data: found, error, refetch } = useFoundOfQuery(person.id, { skip: !settings?.address });
  const { begin, isUnderWay, state, problem } = useLookUp();
  if (!settings?.address || person.deletedAt) return null;
  const isNothing = found?.askedAt && !found.problem && found.findings.length === 0;
  return (
    <View className="gap-2">
      <Subheading>In the directory</Subheading>
      {error ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : null}
      {problem ? <Notice fault>{problem}</Notice> : null}
      <Soft role="status">
        {isUnderWay
          ? 'Asking the directory …'
          : state?.problem
            ? `${state.problem} Try again later.`
            : found?.problem
              ? `Asked ${formatWhen(found.askedAt ?? '')}: ${found.problem}`
              : isNothing
                ? `Asked ${formatWhen(found.askedAt!)}: nothing that is not here already.`
                : found?.askedAt
                  ? 'Tick what is to be taken. Nothing is overwritten that you do not tick.'
                  : 'Not asked yet.'}
      </Soft>
      {found ? <Offers findings={found.findings} about={person.fullName} /> : null}
      {may('edit') ? (
        <View className="items-start">
          <Button busy={isUnderWay} onPress={() => void begin({ ids: [person.id] })}>
            {found?.askedAt ? 'Ask again' : 'Ask the directory'}
          </Button>
        </View>
      ) : null}
    </View>
  );
}

/** Somebody's portrait, where one was taken. */
export function PersonPortrait({ person }: { person: Person }) {
  const may = useMay();
  const { data } = usePortraitQuery(person.id);
  const [forget, { isLoading }] = useForgetPortraitMutation();
  if (!data?.pictureId) return null;
  return (
    <View className="flex-row items-end gap-3">
      <img
        src={`${API}/people/${person.id}/portrait/picture?of=${data.pictureId}`}
        alt={`Portrait of ${person.fullName}`}
        width={96}
        height={96}
        style={{ borderRadius: 4, objectFit: 'cover' }}
      />
      <View className="min-w-0 flex-1 items-start">
        <Soft>{`from ${data.source}`}</Soft>
        {may('edit') ? (
          <Button look="bare" className="-ml-4" busy={isLoading} onPress={() => void forget(person.id)}>
            Take the portrait away
          </Button>
        ) : null}
      </View>
    </View>
  );
}
