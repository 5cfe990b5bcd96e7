import type { Elsewhere, Person } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import { useElsewhereQuery, useHandOverMutation, useRepeatHandingMutation, useSettleTheirsMutation, useSystemNamesQuery } from './api'; // prettier-ignore
import { Outward } from './Outward';

const LOOK_MS = 3_000;
type There = Elsewhere['items'][number];

/** Where somebody was handed over to, what stands there otherwise, and where else they can go. Nothing where there is nowhere to go. */
export function PersonElsewhere({ person }: { person: Person }) {
  const [isMoving, setIsMoving] = useState(false);
  const { data, error } = useElsewhereQuery(person.id, { pollingInterval: isMoving ? LOOK_MS : 0 });
  const { data: names } = useSystemNamesQuery();
  const [handOver, handed] = useHandOverMutation();
  const items = data?.items ?? [];
  const onTheWay = items.some(({ state }) => state === 'waiting' || state === 'sending');
  if (onTheWay !== isMoving) setIsMoving(onTheWay);
  const left = (names?.items ?? []).filter(({ id }) => !items.some(({ destinationId }) => destinationId === id));
  if (items.length + left.length === 0 && !error) return null;
  return (
    <View className="gap-2">
      <Subheading>Elsewhere</Subheading>
      {error && !data ? <Notice fault>{problemText(error)}</Notice> : null}
      {items.map((there) => (
        <OneElsewhere key={there.destinationId} personId={person.id} there={there} />
      ))}
      {handed.error ? <Notice fault>{problemText(handed.error)}</Notice> : null}
      {person.deletedAt ? null : (
        <View className="flex-row flex-wrap gap-3">
          {left.map(({ id, name }) => (
            <Button
              key={id}
              busy={handed.isLoading && handed.originalArgs?.id === id}
              onPress={() => void handOver({ id, who: { ids: [person.id] } })}
            >
              {`Hand over to ${name}`}
            </Button>
          ))}
        </View>
      )}
    </View>
  );
}

function howItStands({ state, sentAt, problem }: There): string {
  if (state === 'held') return `Waits for somebody: ${problem ?? ''}`;
  if (state !== 'delivered') return problem ? `On the way. ${problem}` : 'On the way';
  return sentAt ? `There as of ${formatWhen(sentAt)}` : 'Not there';
}

function OneElsewhere({ personId, there }: { personId: string; there: There }) {
  const { destinationId, destination, state, link, heldId, theirs } = there;
  const [repeat, repeating] = useRepeatHandingMutation();
  const [settle, settling] = useSettleTheirsMutation();
  const problem = repeating.error ?? settling.error;
  const answer = (to: string, take: boolean) => void settle({ personId, destinationId, to, take });
  return (
    <View role="group" aria-label={destination} className="gap-1 border-b border-rule pb-2">
      <View className="flex-row flex-wrap items-center gap-x-4">
        <View className="min-w-[180px] flex-1">
          <Text className="[overflow-wrap:anywhere]">{destination}</Text>
          <Soft role="status" className={state === 'held' ? 'text-brick' : ''}>
            {howItStands(there)}
          </Soft>
        </View>
        {link ? <Outward href={link}>Open it there</Outward> : null}
        {heldId ? (
          <Button busy={repeating.isLoading} onPress={() => void repeat(heldId)}>
            Send it again
          </Button>
        ) : null}
      </View>
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      {theirs.map(({ to, there: value, here, field }) => (
        <View key={to} className="gap-1 border-l-2 border-ink py-1 pl-3">
          <Text className="[overflow-wrap:anywhere]">{`${to} there: ${value}`}</Text>
          <Soft className="[overflow-wrap:anywhere]">{`Here: ${here}`}</Soft>
          <View className="flex-row flex-wrap gap-2">
            {field ? (
              <Button
                busy={settling.isLoading}
                label={`Take ${value} over from ${destination}`}
                onPress={() => answer(to, true)}
              >
                Take theirs
              </Button>
            ) : null}
            <Button
              busy={settling.isLoading}
              label={`Keep ${here}, also in ${destination}`}
              onPress={() => answer(to, false)}
            >
              Ours is right
            </Button>
          </View>
        </View>
      ))}
    </View>
  );
}
