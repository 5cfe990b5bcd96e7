import type { Delivery } from '@dossier/contract';
import { Link } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhen } from '@/lib/formatDate';
import { Button, Choice, LoadingLines, Notice, Raw, Soft, Subheading, Text } from '@/ui';
import { useHandingsInfiniteQuery, useRepeatHandingMutation, type DeliveryState } from './api';
import { Outward } from './Outward';
import { SUBJECT_WORDS } from './words';

const LOOK_MS = 3_000;
const STATES = [
  { value: 'all', label: 'All' },
  { value: 'held', label: 'For you' },
  { value: 'waiting', label: 'On the way' },
] as const;
const NONE: Record<DeliveryState, string> = {
  all: 'Nothing has been sent yet.',
  held: 'Nothing waits for somebody.',
  waiting: 'Nothing is on the way.',
  delivered: 'Nothing has arrived yet.',
};

/** What was sent to a system, or is to be, with what was asked and answered. */
export function SystemDeliveries({ systemId }: { systemId: string }) {
  const [state, setState] = useState<DeliveryState>('all');
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useHandingsInfiniteQuery(
    { destination: systemId, state },
    { pollingInterval: LOOK_MS },
  );
  const items = data?.pages.flatMap((page) => page.items);
  return (
    <View className="gap-3 border-t border-rule pt-5">
      <Subheading>What was sent</Subheading>
      <Choice label="Which of it" options={STATES} value={state} onChange={setState} />
      {error && !items ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : !items ? (
        <LoadingLines />
      ) : items.length === 0 ? (
        <Soft>{NONE[state]}</Soft>
      ) : (
        <View role="list" aria-label="What was sent">
          {items.map((delivery) => (
            <OneDelivery key={delivery.id} delivery={delivery} />
          ))}
        </View>
      )}
      {hasNextPage ? (
        <View className="flex-row">
          <Button busy={isFetchingNextPage} onPress={() => void fetchNextPage()}>
            Earlier ones
          </Button>
        </View>
      ) : null}
    </View>
  );
}

function howItStands({ state, problem, attempts, nextAt, doneAt }: Delivery): string {
  if (state === 'delivered') return doneAt ? `There since ${formatWhen(doneAt)}` : 'There';
  if (state === 'held') return problem ?? 'Waits for somebody.';
  const again = attempts > 0 && nextAt ? `Sent again ${formatWhen(nextAt)}.` : '';
  return [problem ?? (state === 'sending' ? 'Being sent' : 'On the way'), again].filter(Boolean).join(' ');
}

function OneDelivery({ delivery }: { delivery: Delivery }) {
  const { personId, fullName, subject, state, link } = delivery;
  const [open, setOpen] = useState(false);
  return (
    <View role="listitem" className="border-t border-rule py-1">
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        className="min-h-touch justify-center hover:bg-table"
      >
        <Text className="[overflow-wrap:anywhere]">{`${SUBJECT_WORDS[subject]}${fullName || 'Unnamed'}`}</Text>
        <Soft className={state === 'held' ? 'text-brick' : ''}>{howItStands(delivery)}</Soft>
      </Pressable>
      {open ? (
        <View className="gap-2 pb-2">
          <Exchanged {...delivery} />
          <View className="flex-row flex-wrap items-center gap-x-4 gap-y-2">
            <Again delivery={delivery} />
            <Link href={`/people/${personId}`}>
              <Text className="underline underline-offset-4">The person here</Text>
            </Link>
            {link ? <Outward href={link}>The record there</Outward> : null}
          </View>
        </View>
      ) : null}
    </View>
  );
}

function Again({ delivery: { id, state } }: { delivery: Delivery }) {
  const [repeat, { isLoading, error }] = useRepeatHandingMutation();
  return (
    <>
      <Button look={state === 'held' ? 'ink' : 'plain'} busy={isLoading} onPress={() => void repeat(id)}>
        Send it again
      </Button>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </>
  );
}

interface ExchangedProps {
  request: string | null;
  status: number | null;
  answer: string | null;
  attempts?: number;
  mappingVersion?: number | null;
}

/** What was asked of another system last, and what it said. */
export function Exchanged({ request, status, answer, attempts = 0, mappingVersion = null }: ExchangedProps) {
  const about = [
    attempts > 0 ? `Sent ${counted(attempts, 'time')}.` : '',
    mappingVersion ? `Version ${mappingVersion} of what goes where.` : '',
  ].filter(Boolean);
  return (
    <View className="gap-2">
      {about.length > 0 ? <Soft>{about.join(' ')}</Soft> : null}
      {request ? (
        <>
          <Soft>Asked last</Soft>
          <Raw selectable className="[overflow-wrap:anywhere]">
            {request}
          </Raw>
          <Soft>{status === null ? 'No answer came.' : `Answered ${status}`}</Soft>
          {answer ? (
            <Raw selectable className="[overflow-wrap:anywhere]">
              {answer}
            </Raw>
          ) : null}
        </>
      ) : (
        <Soft>Nothing was asked yet.</Soft>
      )}
    </View>
  );
}
