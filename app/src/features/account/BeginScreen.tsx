import { Beginning } from '@dossier/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { COUNTRIES, countryName } from '@/lib/countries';
import { tellForm } from '@/lib/formProblem';
import { Button, Notice, Select, Soft, Text } from '@/ui';
import { FormField } from '@/ui/FormField';
import { NewPasswordField } from '@/ui/NewPasswordField';
import { DoorPage } from './DoorPage';
import { useBeginMutation } from './api';

/** The code stands behind the # of the address that the terminal prints. */
const codeOfAddress = (): string => decodeURIComponent(globalThis.location?.hash.slice(1) ?? '');

/** The first country of this browser's languages that cards are read for. */
function countryOfBrowser(): string {
  const regions = (globalThis.navigator?.languages ?? []).map((language) => new Intl.Locale(language).region);
  return regions.find((region) => region && COUNTRIES.includes(region)) ?? 'GB';
}

/** Where nobody is yet: makes the team and whoever runs it. */
export function BeginScreen() {
  const [begin] = useBeginMutation();
  const [problem, setProblem] = useState<string>();
  const form = useForm({
    resolver: zodResolver(Beginning),
    defaultValues: {
      code: codeOfAddress(),
      workspace: '',
      country: countryOfBrowser(),
      name: '',
      email: '',
      password: '',
    },
  });
  const { control } = form;
  const submit = form.handleSubmit(async (beginning) => {
    const { error } = await begin(beginning);
    if (error) return setProblem(tellForm(form, error));
    // The code and what was typed stay in no history.
    globalThis.location.replace('/tray');
  });
  const isFirst = codeOfAddress() === '';
  return (
    <DoorPage title="Begin your team" about="Nobody is here yet. Whoever begins runs the team and invites the others.">
      <FormField
        control={control}
        name="code"
        label="Code from the terminal"
        hint="It stands where Dossier was started."
        autoCapitalize="characters"
        autoComplete="off"
        autoFocus={isFirst}
      />
      <FormField
        control={control}
        name="workspace"
        label="Team or firm"
        autoComplete="organization"
        autoFocus={!isFirst}
      />
      <View className="items-start gap-1">
        <Soft aria-hidden>Where most of your cards come from</Soft>
        <Controller
          control={control}
          name="country"
          render={({ field }) => (
            <Select
              label="Where most of your cards come from"
              value={field.value}
              onChange={field.onChange}
              options={COUNTRIES.map((code) => ({ value: code, label: countryName(code) }))}
            />
          )}
        />
      </View>
      <Text className="font-medium">You</Text>
      <FormField control={control} name="name" label="Your name" autoComplete="name" />
      <FormField
        control={control}
        name="email"
        label="E-mail"
        autoComplete="username"
        inputMode="email"
        autoCapitalize="none"
      />
      <NewPasswordField
        control={control}
        name="password"

        onSubmitEditing={() => void submit()}
      />
      {problem ? <Notice fault>{problem}</Notice> : null}
      <Button look="ink" busy={form.formState.isSubmitting} onPress={() => void submit()}>
        Begin
      </Button>
    </DoorPage>
  );
}
