import type { HandOverRule, OutsideFields } from '@dossier/contract';
import { sentAs, type HandOverSource } from '@dossier/core/exchange/handOver';
import { Pressable, View } from 'react-native';
import { Button, Raw, Select, Soft, Text, TextField, Toggle } from '@/ui';
import { ruleWords } from './ruleWords';
import { StepEditor } from './StepEditor';

export type Field = OutsideFields['items'][number];

interface Props {
  rule: HandOverRule;
  /** As the other system describes it; undefined where it does not. */
  field: Field | undefined;
  sources: readonly HandOverSource[];
  /** What would be sent of the person in sight; undefined for nothing. */
  sample: unknown;
  fault: string | undefined;
  /** Whether what would be sent has been told yet. */
  isShown: boolean;
  open: boolean;
  onToggle: () => void;
  onChange: (rule: HandOverRule) => void;
  onRemove: () => void;
}

const AS = [
  { value: 'text', label: 'Text' },
  { value: 'list', label: 'A list' },
  { value: 'number', label: 'A number' },
  { value: 'yesNo', label: 'Yes or no' },
] as const;

/** What a field wants, in a few words. */
export const fieldWords = ({ required, longest, choices, type }: Field): string =>
  [
    required ? 'must be there' : '',
    longest ? `at most ${longest} characters` : '',
    choices.length > 0 ? `one of ${choices.slice(0, 6).join(', ')}${choices.length > 6 ? ', …' : ''}` : '',
    type === 'list' ? 'a list' : type === 'number' ? 'a number' : type === 'yesNo' ? 'yes or no' : '',
  ]
    .filter(Boolean)
    .join(', ');

const shown = (value: unknown): string => (Array.isArray(value) ? value.join(', ') : String(value));

/** One field of the other system: what goes into it, and what that would be for the person in sight. */
export function RuleEditor({
  rule,
  field,
  sources,
  sample,
  fault,
  isShown,
  open,
  onToggle,
  onChange,
  onRemove,
}: Props) {
  const name = field?.label ?? rule.to;
  return (
    <View role="listitem" className="border-b border-rule">
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${name}: ${ruleWords(rule, sources)}`}
        onPress={onToggle}
        className="-mx-2 min-h-touch flex-row flex-wrap gap-x-4 gap-y-1 rounded-[4px] px-2 py-2 hover:bg-table"
      >
        <View className="min-w-[150px] flex-1">
          <Text className="[overflow-wrap:anywhere]">{name}</Text>
          {name === rule.to ? null : <Raw className="text-[13px] leading-[18px] text-soft">{rule.to}</Raw>}
        </View>
        <View className="min-w-[180px] flex-[2]">
          <Soft>{ruleWords(rule, sources)}</Soft>
          {sample !== undefined ? <Text className="[overflow-wrap:anywhere]">{shown(sample)}</Text> : null}
          {fault ? <Text className="text-[15px] text-brick">{fault}</Text> : null}
          {isShown && sample === undefined && !fault ? <Soft>Nothing is known: it is left out.</Soft> : null}
        </View>
      </Pressable>
      {open ? (
        <View className="gap-4 pb-4 pl-3">
          {field && fieldWords(field) ? <Soft>{`There: ${fieldWords(field)}.`}</Soft> : null}
          {field ? null : (
            <TextField
              label="Name of the field there"
              value={rule.to}
              onChangeText={(to) => onChange({ ...rule, to })}
              maxLength={120}
              autoCapitalize="none"
            />
          )}
          <From rule={rule} sources={sources} onChange={onChange} />
          <StepEditor steps={rule.steps} onChange={(steps) => onChange({ ...rule, steps })} />
          {field && sentAs(field) === rule.as ? null : (
            <View className="items-start gap-1">
              <Soft aria-hidden>Sent as</Soft>
              <Select label="Sent as" options={AS} value={rule.as} onChange={(as) => onChange({ ...rule, as })} />
            </View>
          )}
          <View className="-ml-4 flex-row">
            <Button look="brick" label={`Nothing goes into ${name}`} onPress={onRemove}>
              Nothing goes there
            </Button>
          </View>
        </View>
      ) : null}
    </View>
  );
}

function From({ rule, sources, onChange }: Pick<Props, 'rule' | 'sources' | 'onChange'>) {
  const { from, fixed } = rule;
  const left = sources.filter(({ key }) => !from.includes(key));
  return (
    <View className="gap-2">
      <Toggle
        label="The same for everybody"
        on={fixed !== null}
        onChange={(on) => onChange({ ...rule, fixed: on ? '' : null, from: on ? [] : from })}
      />
      {fixed !== null ? (
        <TextField
          label="What is sent for everybody"
          value={fixed}
          onChangeText={(text) => onChange({ ...rule, fixed: text })}
          maxLength={500}
        />
      ) : (
        <>
          {from.map((key) => {
            const label = sources.find((one) => one.key === key)?.label ?? key;
            return (
              <View key={key} className="flex-row flex-wrap items-center gap-x-2">
                <Text className="flex-1">{label}</Text>
                <Button
                  look="bare"
                  label={`Without ${label}`}
                  onPress={() => onChange({ ...rule, from: from.filter((one) => one !== key) })}
                >
                  Take off
                </Button>
              </View>
            );
          })}
          <Select
            label={from.length > 0 ? 'And' : 'What goes there'}
            options={[
              { value: '', label: from.length > 0 ? 'And …' : 'What goes there …' },
              ...left.map(({ key, label }) => ({ value: key, label })),
            ]}
            value=""
            onChange={(key) => key && onChange({ ...rule, from: [...from, key] })}
          />
        </>
      )}
    </View>
  );
}
