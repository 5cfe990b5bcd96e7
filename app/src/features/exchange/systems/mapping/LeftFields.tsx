import type { HandOverRule } from '@dossier/contract';
import { fieldsOfSample, proposeRules, sentAs } from '@dossier/core/exchange/handOver';
import { useState } from 'react';
import { View } from 'react-native';
import { counted } from '@/lib/counted';
import { Button, Soft, Text, TextField } from '@/ui';
import { fieldWords, type Field } from './RuleEditor';

interface Props {
  fields: readonly Field[] | undefined;
  rules: readonly HandOverRule[];
  isUndescribed: boolean;
  onAdd: (rule: HandOverRule) => void;
  /** The fields of a record that somebody has copied. */
  onSampled: (fields: Field[]) => void;
  onPropose: (rules: HandOverRule[]) => void;
}

/** Fields that nothing goes into yet. */
export function LeftFields({ fields, rules, isUndescribed, onAdd, onSampled, onPropose }: Props) {
  const [name, setName] = useState('');
  const left = (fields ?? []).filter((field) => !rules.some(({ to }) => to === field.name));
  const proposed = (proposeRules(left) as HandOverRule[]).filter(
    ({ from }) => !rules.some((rule) => rule.from[0] === from[0]),
  );
  const begin = (field: Field) => onAdd({ to: field.name, from: [], fixed: null, steps: [], as: sentAs(field) });
  const isTaken = rules.some(({ to }) => to === name.trim());
  return (
    <View className="gap-3">
      {proposed.length > 0 ? (
        <View className="flex-row">
          <Button onPress={() => onPropose(proposed)}>{`Propose ${proposed.length} by their names`}</Button>
        </View>
      ) : null}
      {left.length > 0 ? (
        <View className="gap-1">
          <Soft>Nothing goes there yet</Soft>
          {left.map((field) => (
            <View key={field.name} className="flex-row flex-wrap items-center gap-x-3 border-b border-rule">
              <Text className="min-w-[120px] flex-1 [overflow-wrap:anywhere]">{field.label}</Text>
              <Soft className={field.required ? 'text-brick' : ''}>{fieldWords(field)}</Soft>
              <Button look="bare" label={`Fill ${field.label}`} onPress={() => begin(field)}>
                Fill it
              </Button>
            </View>
          ))}
        </View>
      ) : null}
      {isUndescribed ? (
        <View className="gap-2">
          <Soft>This system describes no fields: write their names as it knows them, or take them from a record.</Soft>
          <TextField
            label="Name of a field there"
            value={name}
            onChangeText={setName}
            maxLength={120}
            autoCapitalize="none"
            complaint={isTaken ? 'Something goes there already.' : undefined}
          />
          <View className="flex-row">
            <Button
              disabled={!name.trim() || isTaken}
              onPress={() => {
                onAdd({ to: name.trim(), from: [], fixed: null, steps: [], as: 'text' });
                setName('');
              }}
            >
              Add it
            </Button>
          </View>
          <SampleRecord onSampled={onSampled} />
        </View>
      ) : null}
    </View>
  );
}

/** A record as the other system gives it, pasted: its fields can be chosen then. */
function SampleRecord({ onSampled }: { onSampled: (fields: Field[]) => void }) {
  const [text, setText] = useState('');
  const [isOpen, setIsOpen] = useState(false);
  const fields = text.trim() ? (fieldsOfSample(text) as Field[] | undefined) : undefined;
  if (!isOpen)
    return (
      <View className="-ml-4 flex-row">
        <Button look="bare" onPress={() => setIsOpen(true)}>
          Take the names from a record
        </Button>
      </View>
    );
  return (
    <View className="gap-2">
      <TextField
        label="A record as the other system gives it (JSON)"
        value={text}
        onChangeText={setText}
        multiline
        className="min-h-[120px] font-mono text-[15px]"
        autoCapitalize="none"
        autoCorrect={false}
        autoFocus
        complaint={
          text.trim() && !fields ? 'This is no record: copy all of it, from the first bracket to the last.' : undefined
        }
      />
      <View className="flex-row">
        <Button
          disabled={!fields}
          onPress={() => {
            onSampled(fields!);
            setIsOpen(false);
          }}
        >
          {fields ? `Take its ${counted(fields.length, 'field')}` : 'Take its fields'}
        </Button>
      </View>
    </View>
  );
}
