import { EVENT_TYPES, WebhookFields, type EventType } from '@dossier/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { tellForm } from '@/lib/formProblem';
import { Button, Choice, Notice, Toggle } from '@/ui';
import { FormField } from '@/ui/FormField';
import { EVENT_WORDS } from './eventWords';

interface Props {
  value?: WebhookFields;
  submitWords: string;
  /** @returns what went wrong */
  onSubmit: (fields: WebhookFields) => Promise<unknown>;
  onCancel: () => void;
}

const WHAT = [
  { value: 'all', label: 'Everything' },
  { value: 'some', label: 'Some of it' },
] as const;

/** An address, and what it is told. */
export function ToldForm({ value = { url: '', types: [] }, submitWords, onSubmit, onCancel }: Props) {
  const [problem, setProblem] = useState<string>();
  const [what, setWhat] = useState<'all' | 'some'>(value.types.length > 0 ? 'some' : 'all');
  const form = useForm({ resolver: zodResolver(WebhookFields), defaultValues: { url: value.url, types: value.types } });
  const { control } = form;
  const submit = form.handleSubmit(async ({ url, types }) => {
    const error = await onSubmit({ url, types: what === 'all' ? [] : types });
    if (error) setProblem(tellForm(form, error as Parameters<typeof tellForm>[1]));
  });
  return (
    <View role="group" aria-label="An address that is told" className="gap-4">
      <FormField
        control={control}
        name="url"
        label="Address"
        hint="As https://orders.example/dossier"
        inputMode="url"
        autoCapitalize="none"
        autoComplete="off"
        onSubmitEditing={() => void submit()}
      />
      <Choice
        label="What it is told"
        options={WHAT}
        value={what}
        onChange={(chosen) => setWhat(chosen as typeof what)}
      />
      {what === 'some' ? (
        <Controller
          control={control}
          name="types"
          render={({ field: { value: chosen = [], onChange } }) => (
            <View role="group" aria-label="Of what">
              {EVENT_TYPES.map((type: EventType) => (
                <Toggle
                  key={type}
                  label={EVENT_WORDS[type]}
                  on={chosen.includes(type)}
                  onChange={(on) => onChange(on ? [...chosen, type] : chosen.filter((one) => one !== type))}
                />
              ))}
            </View>
          )}
        />
      ) : null}
      {problem ? <Notice fault>{problem}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        <Button look="ink" busy={form.formState.isSubmitting} onPress={() => void submit()}>
          {submitWords}
        </Button>
        <Button onPress={onCancel}>Cancel</Button>
      </View>
    </View>
  );
}
