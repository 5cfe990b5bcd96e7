import { NewToken, type TokenMade } from '@dossier/contract';
import { SCOPES, type Scope } from '@dossier/core/account';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { tellForm } from '@/lib/formProblem';
import { Button, Notice, Select, Soft, Text, Toggle } from '@/ui';
import { FormField } from '@/ui/FormField';
import { useMakeTokenMutation } from './api';
import { SCOPE_WORDS } from './scopeWords';

const DAY_MS = 24 * 60 * 60 * 1000;
const ENDS = [
  { value: '30', label: 'In 30 days' },
  { value: '90', label: 'In 90 days' },
  { value: '365', label: 'In a year' },
  { value: '', label: 'When it is revoked' },
];
/** What is asked for; the rest is decided as it is sent. */
const Asked = NewToken.pick({ name: true, scopes: true });

interface Props {
  onMade: (made: TokenMade, name: string) => void;
  onCancel: () => void;
}

/** What a program is called, and what it may do until when. */
export function TokenForm({ onMade, onCancel }: Props) {
  const [make] = useMakeTokenMutation();
  const [problem, setProblem] = useState<string>();
  const [days, setDays] = useState('90');
  const form = useForm({ resolver: zodResolver(Asked), defaultValues: { name: '', scopes: [] as Scope[] } });
  const { control } = form;
  const submit = form.handleSubmit(async (asked) => {
    const endsAt = days ? new Date(Date.now() + Number(days) * DAY_MS).toISOString() : null;
    const { data, error } = await make({ ...asked, endsAt });
    if (error) return setProblem(tellForm(form, error));
    onMade(data, asked.name);
  });
  return (
    <View role="group" aria-label="Let a program in" className="gap-4">
      <FormField
        control={control}
        name="name"
        label="Which program"
        hint="As you will look for it when it is to be let in no more."
        autoFocus
        autoComplete="off"
        onSubmitEditing={() => void submit()}
      />
      <Controller
        control={control}
        name="scopes"
        render={({ field: { value, onChange }, fieldState: { error } }) => (
          <View role="group" aria-label="What it may do">
            <Soft aria-hidden>What it may do</Soft>
            {SCOPES.map((scope) => (
              <Toggle
                key={scope}
                label={SCOPE_WORDS[scope]}
                on={value.includes(scope)}
                onChange={(on) => onChange(on ? [...value, scope] : value.filter((one) => one !== scope))}
              />
            ))}
            {error ? (
              <Text role="alert" className="text-brick">
                {error.message}
              </Text>
            ) : null}
          </View>
        )}
      />
      <View className="items-start gap-1">
        <Soft aria-hidden>When it ends</Soft>
        <Select label="When it ends" options={ENDS} value={days} onChange={setDays} />
        <Soft>It acts in your name, and never may more than you.</Soft>
      </View>
      {problem ? <Notice fault>{problem}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        <Button look="ink" busy={form.formState.isSubmitting} onPress={() => void submit()}>
          Make the token
        </Button>
        <Button onPress={onCancel}>Cancel</Button>
      </View>
    </View>
  );
}
