import type { Plan, PlanAct, PlanStep } from '@dossier/contract';
import { planComplaints } from '@dossier/core/followup/plan';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { SettingsSection } from '@/features/account';
import { PersonPicker } from '@/features/people';
import { problemErrors, problemText } from '@/lib/api';
import { Button, CannotShow, LoadingLines, Notice, Select, Soft, Subheading, Text, TextField, Toggle } from '@/ui';
import { usePlansQuery, useRemovePlanMutation, useSavePlanMutation } from '../api';
import { RehearsedSteps } from './RehearsedSteps';
import { StepEditor } from './StepEditor';
import { ACT_WORDS, unfilledSteps, unfilledWords } from './words';

type Happening = Plan['stopsAt'][number];
const STOPS: readonly { value: Happening; label: string }[] = [
  { value: 'answered', label: 'They answer' },
  { value: 'booked', label: 'They book a time' },
  { value: 'bounced', label: 'Mail to them comes back' },
];

/** A plan, to be made and gone through with real people. @param planId `new` for one that is not there yet */
export function PlanScreen({ planId }: { planId: string }) {
  const { data, error, refetch } = usePlansQuery();
  const isNew = planId === 'new';
  const plan = data?.items.find(({ id }) => id === planId);
  if (error && !data) return <CannotShow title="Plans cannot be shown" error={error} onRetry={refetch} />;
  if (!data) return <LoadingLines />;
  return (
    <SettingsSection title="Follow-up plans" heading={isNew ? 'A new plan' : (plan?.name ?? 'A plan')} measure={720}>
      {isNew || plan ? <Making key={plan?.version ?? 0} plan={plan} /> : <Soft>This plan is not here any more.</Soft>}
    </SettingsSection>
  );
}

const newStep = (act: PlanAct, amount: number): PlanStep => ({
  id: uuidv7(),
  wait: { amount, unit: 'workingDays' },
  act,
});

function Making({ plan }: { plan: Plan | undefined }) {
  const router = useRouter();
  const [id] = useState(() => plan?.id ?? uuidv7());
  const [name, setName] = useState(plan?.name ?? '');
  const [startTag, setStartTag] = useState(plan?.startTag ?? '');
  const [isOn, setIsOn] = useState(plan?.isOn ?? false);
  const [stopsAt, setStopsAt] = useState<readonly Happening[]>(plan?.stopsAt ?? STOPS.map(({ value }) => value));
  const [steps, setSteps] = useState<readonly PlanStep[]>(plan?.steps ?? []);
  const [save, { error, isLoading }] = useSavePlanMutation();
  const [remove, removing] = useRemovePlanMutation();
  const complaints = planComplaints({ steps, stopsAt });
  const wrong = (place: number) =>
    complaints.find(({ stepId }) => stepId === steps[place]!.id)?.words ??
    problemErrors(error).find((one) => one.path === `steps.${place}` || one.path.startsWith(`steps.${place}.`))
      ?.message;
  const change = (place: number, step: PlanStep) => setSteps(steps.map((one, i) => (i === place ? step : one)));
  const swap = (place: number, other: number) => {
    const next = [...steps];
    [next[place], next[other]] = [next[other]!, next[place]!];
    setSteps(next);
  };
  const unfilled = unfilledSteps(steps);
  const keep = async () => {
    const fields = { name, startTag: startTag.trim() || null, isOn, stopsAt: [...stopsAt], steps: [...steps] };
    const answer = await save({ id, version: plan?.version ?? 0, fields });
    if (!answer.error) router.replace('/settings/plans');
  };
  const leave = async () => {
    const answer = await remove(id);
    if (!answer.error) router.replace('/settings/plans');
  };
  return (
    <View className="gap-5">
      <TextField label="Name" value={name} onChangeText={setName} maxLength={120} />
      <View className="gap-3">
        <Subheading>Steps</Subheading>
        {steps.length === 0 ? <Soft>None yet. Most begin with a message.</Soft> : null}
        {steps.map((step, place) => (
          <StepEditor
            key={step.id}
            {...{ step, place, steps }}
            complaint={wrong(place)}
            onChange={(next) => change(place, next)}
            onUp={place > 0 ? () => swap(place, place - 1) : undefined}
            onDown={place < steps.length - 1 ? () => swap(place, place + 1) : undefined}
            onRemove={() => setSteps(steps.filter((_, i) => i !== place))}
          />
        ))}
        <View className="flex-row flex-wrap items-center gap-3">
          <Soft aria-hidden>Add</Soft>
          <Select
            label="Add a step"
            value=""
            onChange={(what) =>
              what && setSteps([...steps, newStep(BEGINS[what as PlanAct['do']](), steps.length === 0 ? 0 : 3)])
            }
            options={[{ value: '', label: 'A step' }, ...KINDS]}
          />
        </View>
      </View>
      <View className="gap-1">
        <Subheading>It ends by itself when</Subheading>
        {STOPS.map(({ value, label }) => (
          <Toggle
            key={value}
            label={label}
            on={stopsAt.includes(value)}
            onChange={(on) => setStopsAt(on ? [...stopsAt, value] : stopsAt.filter((one) => one !== value))}
          />
        ))}
        <Soft>And always when they want no more, or are deleted.</Soft>
      </View>
      <TextField
        label="Begins with the tag"
        hint="Whoever gets it from now on. Empty: only from an occasion, or by hand."
        value={startTag}
        onChangeText={setStartTag}
        maxLength={60}
      />
      <Toggle label="Switched on" on={isOn} onChange={setIsOn} />
      {plan && plan.onOlder > 0 ? (
        <Notice>{`${plan.onOlder} of ${plan.people} are on an older version, and stay on it unless you move them.`}</Notice>
      ) : null}
      {unfilled.length > 0 ? (
        <Soft role="status">{unfilledWords(unfilled)}</Soft>
      ) : steps.length > 0 ? (
        <Rehearsing id={id} steps={steps} stopsAt={stopsAt} />
      ) : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {removing.error ? <Notice fault>{problemText(removing.error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button
          look="ink"
          busy={isLoading}
          disabled={!name.trim() || steps.length === 0 || unfilled.length > 0 || complaints.length > 0}
          onPress={() => void keep()}
        >
          Save
        </Button>
        {plan ? (
          <Button look="brick" busy={removing.isLoading} onPress={() => void leave()}>
            Remove it
          </Button>
        ) : null}
      </View>
    </View>
  );
}

const KINDS = (Object.keys(ACT_WORDS) as PlanAct['do'][]).map((value) => ({ value, label: ACT_WORDS[value] }));
const BEGINS: Readonly<Record<PlanAct['do'], () => PlanAct>> = {
  message: () => ({ do: 'message', templateId: '' }),
  letter: () => ({ do: 'letter', templateId: '' }),
  call: () => ({ do: 'call', text: '' }),
  task: () => ({ do: 'task', text: '' }),
  tags: () => ({ do: 'tags', add: [], remove: [] }),
  kind: () => ({ do: 'kind', kind: 'contact' }),
  handOver: () => ({ do: 'handOver', destinationId: '' }),
  branch: () => ({ do: 'branch', when: 'answered', goTo: 'end' }),
};

/** The calendar of the plan for somebody, before it is switched on. */
function Rehearsing({ id, steps, stopsAt }: { id: string; steps: readonly PlanStep[]; stopsAt: readonly Happening[] }) {
  const [personId, setPersonId] = useState<string>();
  return (
    <View className="gap-2">
      <Subheading>As it would go</Subheading>
      <PersonPicker label="For" onChoose={setPersonId} />
      {personId ? (
        <RehearsedSteps planId={id} request={{ personId, steps: [...steps], stopsAt: [...stopsAt] }} />
      ) : (
        <Text>Choose somebody to see their days.</Text>
      )}
    </View>
  );
}
