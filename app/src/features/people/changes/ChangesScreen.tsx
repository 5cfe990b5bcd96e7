import type { PeopleChangeState } from '@dossier/contract';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, CannotShow, Heading, LoadingLines, Notice, Page, Soft, Text } from '@/ui';
import { useChangesQuery, useEndChangeMutation } from '../api';
import { LeftPeople } from './LeftPeople';
import { stateWords, whatWords } from './changeWords';

/** The latest changes of many, each to be taken back as a whole. */
export function ChangesScreen() {
  const { data, error, refetch } = useChangesQuery();
  if (error) return <CannotShow title="The changes cannot be shown" error={error} onRetry={refetch} />;
  if (!data) return <LoadingLines />;
  return (
    <Page measure={620}>
      <View className="gap-4">
        <View className="gap-1">
          <Heading>Changed together</Heading>
          <Soft>
            What was changed for several people at once, in the last month. Each can be taken back as a whole.
          </Soft>
        </View>
        {data.items.length === 0 ? (
          <Soft>Nothing yet. In the list of people, choose several and change them together.</Soft>
        ) : (
          data.items.map((change) => <OneChange key={change.id} change={change} />)
        )}
      </View>
    </Page>
  );
}

function OneChange({ change }: { change: PeopleChangeState }) {
  const [end, { isLoading, error }] = useEndChangeMutation();
  const { id, at, by, what, state, isOwn } = change;
  return (
    <View className="gap-1 border-b border-rule pb-3">
      <Text style={{ overflowWrap: 'anywhere' } as object}>{sentence(whatWords(what, change))}</Text>
      <Soft className="tabular">{`${by}, ${formatWhen(at)}. ${stateWords(change)}`}</Soft>
      <LeftPeople change={change} />
      {isOwn && (state === 'done' || state === 'stopped') ? (
        <View className="items-start">
          <Button busy={isLoading} onPress={() => void end({ id, to: 'undone' })}>
            Undo for all
          </Button>
        </View>
      ) : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}

const sentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
