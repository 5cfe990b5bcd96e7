import type { Enrolment, Person } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { useAskedFor } from '@/lib/useAskedFor';
import { Button, Notice, Select, Soft, Subheading, Text } from '@/ui';
import { useEnrolMutation, useEnrolmentsQuery, useMoveEnrolmentMutation, usePlansQuery } from '../api';
import { endingWords, whenThere } from './words';
import { RehearsedSteps } from './RehearsedSteps';

const LOOK_MS = 10_000;

/** Follow-up plans that somebody is in, and was in. */
export function PersonPlans({ person }: { person: Person }) {
  const may = useMay();
  const { data } = useEnrolmentsQuery(person.id, { pollingInterval: LOOK_MS });
  const { data: plans } = usePlansQuery();
  const on = plans?.items.filter(({ isOn }) => isOn) ?? [];
  const items = data?.items ?? [];
  if (items.length === 0 && (on.length === 0 || person.deletedAt)) return null;
  return (
    <View role="region" aria-label="Follow-up" className="gap-3">
      <Subheading>Follow-up</Subheading>
      {items.map((one) => (
        <OneCourse key={one.id} course={one} newest={plans?.items.find(({ id }) => id === one.plan.id)?.version} />
      ))}
      {may('write') && !person.deletedAt && on.length > 0 ? (
        <BeginPlan
          person={person}
          plans={on.filter(({ id }) => !items.some((one) => one.plan.id === id && one.status !== 'ended'))}
        />
      ) : null}
    </View>
  );
}

function OneCourse({ course, newest }: { course: Enrolment; newest: number | undefined }) {
  const may = useMay();
  const [move, { error, isLoading }] = useMoveEnrolmentMutation();
  const act = (to: Parameters<typeof move>[0]['to']) => void move({ id: course.id, to });
  const { status, plan, next, held } = course;
  const isOver = status === 'ended';
  const { ref } = useAskedFor(course.id);
  return (
    <div ref={ref} style={{ scrollMarginTop: 12 }}>
      <View className="gap-1 border-b border-rule pb-2">
        <Text className={isOver ? 'text-soft' : ''}>{plan.name}</Text>
        {isOver ? (
          <Soft>{`${endingWords(course.ending)}, ${formatWhen(course.endedAt ?? course.startedAt)}`}</Soft>
        ) : (
          <>
            <Soft>
              {next ? `${status === 'paused' ? 'Paused. ' : ''}Next: ${next.words}, ${whenThere(next.at)}` : ''}
            </Soft>
            {held ? <Soft className="text-brick">{`Waits: ${held}`}</Soft> : null}
          </>
        )}
        {isOver || !may('write') ? null : (
          <View className="-ml-4 flex-row flex-wrap">
            <Button
              look="bare"
              disabled={isLoading}
              label={`Do the next step of ${plan.name} now`}
              onPress={() => act('now')}
            >
              Do it now
            </Button>
            <Button
              look="bare"
              disabled={isLoading}
              label={`Pass over the next step of ${plan.name}`}
              onPress={() => act('skip')}
            >
              Pass over
            </Button>
            <Button
              look="bare"
              disabled={isLoading}
              label={`${status === 'paused' ? 'Go on with' : 'Pause'} ${plan.name}`}
              onPress={() => act(status === 'paused' ? 'resume' : 'pause')}
            >
              {status === 'paused' ? 'Go on' : 'Pause'}
            </Button>
            {newest && newest > course.version ? (
              <Button
                look="bare"
                disabled={isLoading}
                label={`Take up the changed ${plan.name}`}
                onPress={() => act('newVersion')}
              >
                Take the changed plan
              </Button>
            ) : null}
            <Button look="brick" disabled={isLoading} label={`Stop ${plan.name}`} onPress={() => act('stop')}>
              Stop
            </Button>
          </View>
        )}
        {error ? <Notice fault>{problemText(error)}</Notice> : null}
      </View>
    </div>
  );
}

/** What a plan would do is shown before it begins. */
function BeginPlan({ person, plans }: { person: Person; plans: readonly { id: string; name: string }[] }) {
  const [planId, setPlanId] = useState('');
  const [begin, { error, isLoading }] = useEnrolMutation();
  if (plans.length === 0) return null;
  const go = async () => {
    const answer = await begin({ personId: person.id, planId });
    if (!answer.error) setPlanId('');
  };
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap items-center gap-3">
        <Soft aria-hidden>Begin</Soft>
        <Select
          label="Begin a plan"
          value={planId}
          onChange={setPlanId}
          options={[{ value: '', label: 'No plan' }, ...plans.map(({ id, name }) => ({ value: id, label: name }))]}
        />
      </View>
      {planId ? (
        <>
          <RehearsedSteps planId={planId} request={{ personId: person.id }} />
          <View className="items-start">
            <Button look="ink" busy={isLoading} onPress={() => void go()}>
              Begin it
            </Button>
          </View>
        </>
      ) : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
