import type { PlanAct, PlanStep } from '@dossier/contract';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { useSystemNamesQuery } from '@/features/exchange';
import { Button, Choice, Select, Soft, TagField, Text, TextField } from '@/ui';
import { useTemplatesQuery } from '../api';
import { ACT_WORDS } from './words';

interface Props {
  step: PlanStep;
  place: number;
  steps: readonly PlanStep[];
  complaint: string | undefined;
  onChange: (step: PlanStep) => void;
  onUp: (() => void) | undefined;
  onDown: (() => void) | undefined;
  onRemove: () => void;
}

const UNITS = [
  { value: 'hours', label: 'hours' },
  { value: 'days', label: 'days' },
  { value: 'workingDays', label: 'working days' },
] as const;

/** One step: how long is waited, and what is done then. */
export function StepEditor({ step, place, steps, complaint, onChange, onUp, onDown, onRemove }: Props) {
  const { wait, act } = step;
  const name = `Step ${place + 1}`;
  return (
    <View role="group" aria-label={name} className="gap-2 border-l-2 border-ink pl-3">
      <View className="flex-row flex-wrap items-center justify-between gap-x-2">
        <Text className="font-medium">{`${place + 1}. ${ACT_WORDS[act.do]}`}</Text>
        <View className="flex-row">
          {onUp ? (
            <Button look="bare" label={`${name} up`} onPress={onUp}>
              Up
            </Button>
          ) : null}
          {onDown ? (
            <Button look="bare" label={`${name} down`} onPress={onDown}>
              Down
            </Button>
          ) : null}
          <Button look="brick" label={`Take out ${name.toLowerCase()}`} onPress={onRemove}>
            Take out
          </Button>
        </View>
      </View>
      <View className="flex-row flex-wrap items-end gap-3">
        <View className="w-[90px]">
          <TextField
            label="After"
            value={String(wait.amount)}
            inputMode="numeric"
            onChangeText={(text) =>
              onChange({ ...step, wait: { ...wait, amount: Math.min(365, Number(text.replace(/\D/g, '')) || 0) } })
            }
            maxLength={3}
          />
        </View>
        <Select
          label={`${name}: hours or days`}
          value={wait.unit}
          onChange={(unit) => onChange({ ...step, wait: { ...wait, unit } })}
          options={UNITS}
        />
        <Soft>{place === 0 ? 'after it begins' : 'after the step before'}</Soft>
      </View>
      <Act act={act} place={place} steps={steps} onChange={(next) => onChange({ ...step, act: next })} />
      {complaint ? (
        <Text role="alert" className="text-[15px] text-brick">
          {complaint}
        </Text>
      ) : null}
    </View>
  );
}

interface ActProps {
  act: PlanAct;
  place: number;
  steps: readonly PlanStep[];
  onChange: (act: PlanAct) => void;
}

function Act({ act, place, steps, onChange }: ActProps) {
  switch (act.do) {
    case 'message':
    case 'letter':
      return <TemplateOf act={act} onChange={onChange} />;
    case 'call':
    case 'task':
      return (
        <TextField
          label={act.do === 'call' ? 'What the call is about' : 'What is to be done'}
          value={act.text}
          onChangeText={(text) => onChange({ ...act, text })}
          maxLength={300}
        />
      );
    case 'tags':
      return (
        <View className="gap-2">
          <TagField
            label="Tags that are added"
            tags={act.add}
            onChange={(add) => onChange({ ...act, add: [...add] })}
          />
          <TagField
            label="Tags that are taken off"
            tags={act.remove}
            onChange={(remove) => onChange({ ...act, remove: [...remove] })}
          />
        </View>
      );
    case 'kind':
      return (
        <Choice
          label="Becomes"
          options={[
            { value: 'lead', label: 'Lead' },
            { value: 'contact', label: 'Contact' },
          ]}
          value={act.kind}
          onChange={(kind) => onChange({ ...act, kind })}
        />
      );
    case 'handOver':
      return <SystemOf act={act} onChange={onChange} />;
    case 'branch':
      return (
        <View className="flex-row flex-wrap items-center gap-3">
          <Select
            label="If"
            value={act.when}
            onChange={(when) => onChange({ ...act, when })}
            options={[
              { value: 'answered', label: 'If they have answered' },
              { value: 'booked', label: 'If they have booked' },
              { value: 'bounced', label: 'If mail came back' },
            ]}
          />
          <Select
            label="Then"
            value={act.goTo}
            onChange={(goTo) => onChange({ ...act, goTo })}
            options={[
              { value: 'end', label: 'the plan ends' },
              ...steps.slice(place + 1).map(({ id, act: later }, i) => ({
                value: id,
                label: `go on at ${place + i + 2}. ${ACT_WORDS[later.do]}`,
              })),
            ]}
          />
        </View>
      );
  }
}

function TemplateOf({
  act,
  onChange,
}: {
  act: Extract<PlanAct, { templateId: string }>;
  onChange: (act: PlanAct) => void;
}) {
  const { data } = useTemplatesQuery();
  const offered = data?.items.filter(({ kind }) => kind === (act.do === 'letter' ? 'letter' : 'email')) ?? [];
  if (data && offered.length === 0)
    return (
      <Link href="/settings/templates/new">
        <Text className="underline underline-offset-4">
          {act.do === 'letter' ? 'Write a template for a letter first' : 'Write a template first'}
        </Text>
      </Link>
    );
  return (
    <Select
      label="Template"
      value={act.templateId}
      onChange={(templateId) => onChange({ ...act, templateId })}
      options={[
        { value: '', label: 'Choose a template' },
        ...offered.map(({ id, name }) => ({ value: id, label: name })),
      ]}
    />
  );
}

function SystemOf({ act, onChange }: { act: Extract<PlanAct, { do: 'handOver' }>; onChange: (act: PlanAct) => void }) {
  const { data } = useSystemNamesQuery();
  if (data?.items.length === 0) return <Soft>No other system is set up.</Soft>;
  return (
    <Select
      label="Where to"
      value={act.destinationId}
      onChange={(destinationId) => onChange({ ...act, destinationId })}
      options={[
        { value: '', label: 'Choose where to' },
        ...(data?.items ?? []).map(({ id, name }) => ({ value: id, label: name })),
      ]}
    />
  );
}
