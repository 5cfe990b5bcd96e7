import type { DeletedPeople } from '@dossier/contract';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, CannotShow, EmptyState, Heading, LoadingLines, Notice, Page, Serif, Soft } from '@/ui';
import { useChangePresenceMutation, useDeletedPeopleQuery } from './api';

/** Whom somebody deleted: each can be brought back until it is forgotten for good. */
export function DeletedScreen() {
  const { data, error, refetch } = useDeletedPeopleQuery();
  if (error && !data) {
    return <CannotShow title="Deleted people cannot be shown" error={error} onRetry={refetch} />;
  }
  if (!data) return <LoadingLines />;
  return (
    <Page measure={560}>
      <View className="gap-4">
        <View className="gap-1">
          <Heading>Deleted people</Heading>
          <Soft>Kept for 30 days, then forgotten for good with their cards and pictures.</Soft>
        </View>
        {data.items.length === 0 ? (
          <EmptyState title="Nobody is deleted">Whoever is deleted stands here until they are brought back.</EmptyState>
        ) : (
          data.items.map((item) => <Deleted key={item.personId} item={item} />)
        )}
      </View>
    </Page>
  );
}

function Deleted({ item: { personId, fullName, deletedAt, goneAt } }: { item: DeletedPeople['items'][number] }) {
  const [change, { isLoading, error }] = useChangePresenceMutation();
  const name = fullName || 'Unnamed';
  return (
    <View className="gap-2 border-b border-rule py-3">
      <View className="flex-row items-center gap-3">
        <View className="min-w-0 flex-1">
          <Link href={`/people/${personId}`}>
            <Serif className="text-[19px] leading-[25px]" style={{ overflowWrap: 'anywhere' } as object}>
              {name}
            </Serif>
          </Link>
          <Soft>{`deleted ${formatWhen(deletedAt)}, forgotten ${formatWhen(goneAt)}`}</Soft>
        </View>
        <Button
          busy={isLoading}
          label={`Bring ${name} back`}
          onPress={() => void change({ id: personId, to: 'restored' })}
        >
          Bring back
        </Button>
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
