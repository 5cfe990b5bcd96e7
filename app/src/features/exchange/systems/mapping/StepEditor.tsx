import type { HandOverRule } from '@dossier/contract';
import { View } from 'react-native';
import { Button, Select, Soft, TextField } from '@/ui';
import { NEW_STEPS, STEP_NAMES, type StepKind } from './ruleWords';

type Step = HandOverRule['steps'][number];
const KINDS = Object.keys(STEP_NAMES) as StepKind[];

interface Props {
  steps: readonly Step[];
  onChange: (steps: Step[]) => void;
}

/** What becomes of a value on its way, one change after the other. */
export function StepEditor({ steps, onChange }: Props) {
  const put = (at: number, step: Step) => onChange(steps.map((one, i) => (i === at ? step : one)));
  return (
    <View className="gap-3">
      {steps.map((step, i) => (
        <View key={i} role="group" aria-label={STEP_NAMES[step.do]} className="gap-1 border-l-2 border-rule pl-3">
          <View className="flex-row flex-wrap items-center gap-x-2">
            <Soft className="flex-1">{STEP_NAMES[step.do]}</Soft>
            {i > 0 ? (
              <Button
                look="bare"
                label={`${STEP_NAMES[step.do]} before the change above`}
                onPress={() => onChange(swapped(steps, i))}
              >
                Earlier
              </Button>
            ) : null}
            <Button
              look="bare"
              label={`Take off: ${STEP_NAMES[step.do]}`}
              onPress={() => onChange(steps.filter((_, at) => at !== i))}
            >
              Take off
            </Button>
          </View>
          <StepParts step={step} onChange={(next) => put(i, next)} />
        </View>
      ))}
      {steps.length < 10 ? (
        <Select
          label="Change it on the way"
          options={[
            { value: '', label: 'Change it on the way …' },
            ...KINDS.map((value) => ({ value, label: STEP_NAMES[value] })),
          ]}
          value=""
          onChange={(kind) => kind && onChange([...steps, NEW_STEPS[kind as StepKind]])}
        />
      ) : null}
    </View>
  );
}

const swapped = (steps: readonly Step[], at: number): Step[] =>
  steps.map((step, i) => (i === at - 1 ? steps[at]! : i === at ? steps[at - 1]! : step));

const whole = (text: string, least: number, otherwise: number): number => {
  const number = Number.parseInt(text, 10);
  return Number.isFinite(number) && number >= least ? number : otherwise;
};

function StepParts({ step, onChange }: { step: Step; onChange: (step: Step) => void }) {
  switch (step.do) {
    case 'join':
      return <TextField label="With what between them" value={step.with} onChangeText={(text) => onChange({ ...step, with: text })} maxLength={20} />; // prettier-ignore
    case 'part':
      return (
        <View className="gap-2">
          <TextField
            label="Parted at"
            value={step.at}
            onChangeText={(at) => onChange({ ...step, at })}
            maxLength={20}
          />
          <Select
            label="Which part"
            options={[0, 1, 2, -1, -2].map((take) => ({ value: String(take), label: PARTS[take]! }))}
            value={String(step.take)}
            onChange={(take) => onChange({ ...step, take: Number(take) })}
          />
        </View>
      );
    case 'countryName':
      return <TextField label="Language of the name, such as de" value={step.language} onChangeText={(language) => onChange({ ...step, language })} maxLength={8} autoCapitalize="none" />; // prettier-ignore
    case 'date':
      return <TextField label="YYYY, MM and DD stand for its parts" value={step.format} onChangeText={(format) => onChange({ ...step, format })} maxLength={40} />; // prettier-ignore
    case 'cut':
      return <TextField label="So many characters" value={String(step.length)} onChangeText={(text) => onChange({ ...step, length: whole(text, 1, 1) })} inputMode="numeric" maxLength={6} />; // prettier-ignore
    case 'lookUp':
      return <LookUp step={step} onChange={onChange} />;
    default:
      return null;
  }
}

const PARTS: Readonly<Record<number, string>> = { 0: 'The first', 1: 'The second', 2: 'The third', [-1]: 'The last', [-2]: 'The last but one' }; // prettier-ignore

type Table = Extract<Step, { do: 'lookUp' }>;
const OTHERWISE = [
  { value: 'nothing', label: 'it is left out' },
  { value: 'fault', label: 'it waits for somebody' },
  { value: 'words', label: 'always the same is sent' },
] as const;

function LookUp({ step, onChange }: { step: Table; onChange: (step: Step) => void }) {
  const { rows, otherwise } = step;
  const put = (at: number, change: Partial<Table['rows'][number]>) => onChange({ ...step, rows: rows.map((row, i) => (i === at ? { ...row, ...change } : row)) }); // prettier-ignore
  const how = otherwise === null ? 'fault' : otherwise === '' ? 'nothing' : 'words';
  return (
    <View className="gap-2">
      {rows.map((row, i) => (
        <View key={i} className="flex-row flex-wrap items-end gap-2">
          <View className="min-w-[120px] flex-1">
            <TextField
              label={i === 0 ? 'Here' : `Here, row ${i + 1}`}
              value={row.from}
              onChangeText={(from) => put(i, { from })}
              maxLength={200}
            />
          </View>
          <View className="min-w-[120px] flex-1">
            <TextField
              label={i === 0 ? 'There' : `There, row ${i + 1}`}
              value={row.to}
              onChangeText={(to) => put(i, { to })}
              maxLength={200}
            />
          </View>
          <Button
            look="bare"
            label={`Remove row ${i + 1}`}
            onPress={() => onChange({ ...step, rows: rows.filter((_, at) => at !== i) })}
          >
            Remove
          </Button>
        </View>
      ))}
      <View className="flex-row">
        <Button onPress={() => onChange({ ...step, rows: [...rows, { from: '', to: '' }] })}>Add a row</Button>
      </View>
      <View className="items-start">
        <Soft aria-hidden>What stands in no row:</Soft>
        <Select
          label="What stands in no row"
          options={OTHERWISE}
          value={how}
          onChange={(next) => onChange({ ...step, otherwise: next === 'fault' ? null : next === 'nothing' ? '' : '–' })}
        />
      </View>
      {how === 'words' ? (
        <TextField
          label="Always the same"
          value={otherwise ?? ''}
          onChangeText={(text) => onChange({ ...step, otherwise: text })}
          maxLength={200}
        />
      ) : null}
    </View>
  );
}
