import { format } from 'date-fns';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { Button, EmptyState, Heading, LoadingLines, Notice, Page, Serif, Soft } from '@/ui';
import { useTodayQuery } from '../api';
import { here } from '../tasks/dueWords';
import { TypedTaskField } from '../tasks/TypedTaskField';
import { printLetters } from './printLetters';
import { Onwards, TodayRow } from './TodayRow';
import { UndoDone, type Undoable } from './UndoDone';
import { useRowKeys } from './useRowKeys';

const LOOK_MS = 30_000;

/** The minute it is: a task's time comes while one looks. */
function useNow(): Date {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date()), LOOK_MS);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** One list of what needs me now. */
export function TodayScreen() {
  const now = useNow();
  const router = useRouter();
  const { data, error, refetch } = useTodayQuery(here(now), { refetchOnMountOrArgChange: true });
  const [last, setLast] = useState<Undoable>();
  const keys = useRowKeys();
  return (
    <Page>
      <View className="gap-5">
        <View className="flex-row flex-wrap items-baseline justify-between gap-x-4">
          <Heading>Today</Heading>
          <Soft>{format(now, 'EEEE, d MMMM')}</Soft>
        </View>
        <TypedTaskField />
        {error && !data ? (
          <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
            {problemText(error)}
          </Notice>
        ) : !data ? (
          <LoadingLines lines={4} />
        ) : (
          <>
            <Letters ids={lettersIn(data.items)} />
            <UndoDone last={last} onUndone={() => setLast(undefined)} />
            <div ref={keys} style={{ display: 'flex', flexDirection: 'column' }}>
              <View
                role="list"
                aria-label="What needs you"
                className={data.items.length > 0 || data.toProve > 0 ? 'border-t border-rule' : ''}
              >
                {data.items.map((item) => (
                  <TodayRow key={keyOf(item)} item={item} onDone={setLast} />
                ))}
                {data.toProve > 0 ? <Cards number={data.toProve} /> : null}
              </View>
            </div>
            {data.moreLeads > 0 ? <Soft>{`${counted(data.moreLeads, 'more lead')} nobody has touched.`}</Soft> : null}
            {data.items.length === 0 && data.toProve === 0 ? (
              <EmptyState
                title="Nothing needs you now"
                action={<Button onPress={() => router.push('/photograph')}>Photograph a card</Button>}
              >
                {data.done > 0
                  ? `${counted(data.done, 'task')} done today.`
                  : 'Answers, tasks and whatever went wrong come here by themselves.'}
              </EmptyState>
            ) : null}
          </>
        )}
      </View>
    </Page>
  );
}

const lettersIn = (items: readonly Item[]): string[] =>
  items.flatMap((item) => (item.kind === 'task' && item.task.kind === 'letter' ? [item.task.id] : []));

/** Several letters are printed as one file. */
const Letters = ({ ids }: { ids: readonly string[] }) =>
  ids.length < 2 ? null : (
    <View className="items-start">
      <Button onPress={() => printLetters(ids)}>{`Print ${ids.length} letters`}</Button>
    </View>
  );

type Item = Parameters<typeof TodayRow>[0]['item'];
const keyOf = (item: Item): string =>
  item.kind === 'task'
    ? item.task.id
    : item.kind === 'held'
      ? item.enrolmentId
      : item.kind === 'opportunity'
        ? item.opportunity.id
        : item.kind === 'lead'
          ? item.person.id
          : item.message.id;

const Cards = ({ number }: { number: number }) => (
  <View role="listitem" className="flex-row items-center gap-3 border-b border-rule py-2">
    <View className="min-w-0 flex-1">
      <Soft>Tray</Soft>
      <Serif>{`${counted(number, 'card')} to prove`}</Serif>
    </View>
    <Onwards href="/tray" label="Go to the tray">
      Prove
    </Onwards>
  </View>
);
