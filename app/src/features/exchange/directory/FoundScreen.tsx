import { Link } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, CannotShow, EmptyState, Heading, LoadingLines, Notice, Page, Serif, Soft, Text } from '@/ui';
import { useActOnLookUpMutation, useFoundInfiniteQuery, useLatestLookUpQuery } from './api';
import { Offers } from './Offers';
import { useLookUp } from './useLookUp';
import { lookUpWords } from './words';

/** What the directory says of several people, one under the other, each value to be taken or left. */
export function FoundScreen() {
  const { data, error, refetch, isFetching, hasNextPage, fetchNextPage } = useFoundInfiniteQuery();
  const items = useMemo(() => data?.pages.flatMap((page) => page.items) ?? [], [data]);
  return (
    <Page measure={620}>
      <View className="gap-5">
        <View className="gap-1">
          <Link href="/people">
            <Text className="underline underline-offset-4">People</Text>
          </Link>
          <Heading>In the directory</Heading>
          <Soft>What it says and your records do not. Nothing is overwritten that you do not tick.</Soft>
        </View>
        <HowFar />
        {error ? <CannotShow title="What was found cannot be shown" error={error} onRetry={refetch} /> : null}
        {!data && !error ? <LoadingLines lines={3} /> : null}
        {items.map(({ personId, fullName, company, findings }) => (
          <View key={personId} role="region" aria-label={fullName} className="gap-1">
            <Link href={`/people/${personId}`}>
              <Serif className="text-[21px] leading-[28px] underline decoration-rule underline-offset-4">
                {fullName || company || 'Unnamed'}
              </Serif>
            </Link>
            {fullName && company ? <Soft>{company}</Soft> : null}
            <Offers findings={findings} about={fullName || company} />
          </View>
        ))}
        {hasNextPage ? (
          <View className="items-start">
            <Button busy={isFetching} onPress={() => void fetchNextPage()}>
              Show more
            </Button>
          </View>
        ) : null}
        {data && items.length === 0 && !isFetching ? (
          <EmptyState title="Nothing to look through">
            Choose people in their list and “Ask the directory”. What it knows of them and is not here yet stands here
            then.
          </EmptyState>
        ) : null}
      </View>
    </Page>
  );
}

/** The asking that was begun last: how far it is, and where to stop it or go on. */
function HowFar() {
  const { data } = useLatestLookUpQuery();
  const { state } = useLookUp(data?.latest);
  const [act, { isLoading, error }] = useActOnLookUpMutation();
  if (!state) return null;
  const isRunning = state.state === 'running';
  const isOver = state.state === 'done' && state.failed === 0;
  return (
    <View className="gap-2">
      <Soft role="status" className="tabular">
        {lookUpWords(state)}
      </Soft>
      {state.problem ? <Notice fault>{state.problem}</Notice> : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {isOver ? null : (
        <View className="items-start">
          <Button busy={isLoading} onPress={() => void act({ id: state.id, act: isRunning ? 'stop' : 'go-on' })}>
            {isRunning ? 'Stop' : 'Go on'}
          </Button>
        </View>
      )}
    </View>
  );
}
