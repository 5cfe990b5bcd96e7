import type { DestinationFields } from '@dossier/contract';
import { useState } from 'react';
import { FormProvider, useController, useForm, useFormContext, useWatch, type FieldPath } from 'react-hook-form';
import { View } from 'react-native';
import { problemErrors, problemText } from '@/lib/api';
import { Button, Choice, Notice } from '@/ui';
import { FormField } from '@/ui/FormField';
import { AskedOfSystem } from './AskedOfSystem';
import { Chosen, Labelled, Part } from './formParts';
import { OccasionRules } from './OccasionRules';
import { fieldOf, type fieldsIn as FieldsIn, type SystemForm } from './systemForm';
import { WHEN_WORDS } from './words';

const KINDS = [
  { value: 'system', label: 'A system that programs can ask' },
  { value: 'folder', label: 'A folder of files' },
  { value: 'addressBook', label: 'An address book (CardDAV)' },
] as const;
const AUTHS = [
  { value: 'bearer', label: 'A key (bearer)' },
  { value: 'oauth', label: 'Client and secret (OAuth 2)' },
  { value: 'basic', label: 'Name and password (basic)' },
  { value: 'header', label: 'A key in a header of its own' },
  { value: 'none', label: 'Nothing' },
] as const;
const FORMATS = [
  { value: 'vcard', label: 'Address cards' },
  { value: 'csv', label: 'Tables' },
] as const;
const WHEN = (Object.keys(WHEN_WORDS) as (keyof typeof WHEN_WORDS)[]).map((value) => ({ value, label: WHEN_WORDS[value] })); // prettier-ignore

interface Props {
  value: SystemForm;
  fieldsIn: (form: SystemForm) => ReturnType<typeof FieldsIn>;
  /** Whether what is asked of it can be shown. */
  isAskedShown?: boolean;
  hasSecret?: boolean;
  submitWords: string;
  /** @returns what went wrong */
  onSubmit: (fields: DestinationFields) => Promise<unknown>;
  onCancel: () => void;
}

/** A system: what it is called, how it is reached, what is asked of it, and who goes there when. */
export function SystemSetUp({
  value,
  fieldsIn,
  isAskedShown = true,
  hasSecret = false,
  submitWords,
  onSubmit,
  onCancel,
}: Props) {
  // prettier-ignore
  const form = useForm<SystemForm>({ defaultValues: value });
  const [problem, setProblem] = useState<string>();
  const { control } = form;
  const kind = useWatch({ control, name: 'kind' });
  // The first of them is gone to: it may be far up.
  const tell = (faults: readonly (readonly [name: string, message: string])[]) => {
    for (const [i, [name, message]] of faults.entries())
      form.setError(name as FieldPath<SystemForm>, { message }, { shouldFocus: i === 0 });
  };
  const submit = form.handleSubmit(async (written) => {
    setProblem(undefined);
    const read = fieldsIn(written);
    if ('faults' in read) {
      tell(Object.entries(read.faults));
      return setProblem('Something is missing or cannot be so: it is said at the fields.');
    }
    const error = await onSubmit(read.fields);
    if (!error) return;
    tell(problemErrors(error).map(({ path, message }) => [fieldOf(path.split('.')), message] as const));
    setProblem(problemText(error));
  });
  return (
    <FormProvider {...form}>
      <View role="group" aria-label="A system" className="gap-6">
        <Part>
          <FormField control={control} name="name" label="What you call it" autoComplete="off" maxLength={80} />
          <Labelled label="What it is">
            <Chosen name="kind" label="What it is" options={KINDS} />
          </Labelled>
          {kind === 'folder' ? (
            <Folder />
          ) : kind === 'addressBook' ? (
            <AddressBook hasSecret={hasSecret} />
          ) : (
            <Address hasSecret={hasSecret} />
          )}
        </Part>
        {kind === 'system' && isAskedShown ? <AskedOfSystem /> : null}
        <Part title="Who goes there, and when">
          <Labelled label="Without being handed over by somebody">
            <Chosen name="when" label="Without being handed over by somebody" options={WHEN} />
          </Labelled>
          <OccasionRules options={WHEN} />
          <FormField control={control} name="perMinute" label="At most so many requests a minute" inputMode="numeric" />
        </Part>
        {problem ? <Notice fault>{problem}</Notice> : null}
        <View className="flex-row flex-wrap gap-3">
          <Button look="ink" busy={form.formState.isSubmitting} onPress={() => void submit()}>
            {submitWords}
          </Button>
          <Button onPress={onCancel}>Cancel</Button>
        </View>
      </View>
    </FormProvider>
  );
}

function Secret({ label, hasSecret }: { label: string; hasSecret: boolean }) {
  const { control } = useFormContext<SystemForm>();
  return (
    <FormField
      control={control}
      name="secret"
      label={label}
      hint={
        hasSecret ? 'Left empty it stays as it is. It is never shown.' : 'It is kept sealed, and never shown again.'
      }
      secureTextEntry
      autoComplete="off"
    />
  );
}

function Address({ hasSecret }: { hasSecret: boolean }) {
  const { control } = useFormContext<SystemForm>();
  const auth = useWatch({ control, name: 'auth' });
  const plain = { control, autoCapitalize: 'none', autoComplete: 'off' } as const;
  return (
    <>
      <FormField
        {...plain}
        name="base"
        label="Address"
        hint="What all its paths are behind: https://customers.example"
        inputMode="url"
      />
      <Labelled label="What it knows us by">
        <Chosen name="auth" label="What it knows us by" options={AUTHS} />
      </Labelled>
      {auth === 'header' ? <FormField {...plain} name="header" label="Name of the header" /> : null}
      {auth === 'basic' ? <FormField {...plain} name="user" label="Name" /> : null}
      {auth === 'oauth' ? (
        <>
          <FormField {...plain} name="client" label="Client" />
          <FormField {...plain} name="tokenPath" label="Path where it gives tokens" />
          <FormField {...plain} name="scope" label="Scope, if it wants one" />
        </>
      ) : null}
      {auth === 'none' ? null : (
        <Secret label={auth === 'basic' ? 'Password' : auth === 'oauth' ? 'Secret' : 'Key'} hasSecret={hasSecret} />
      )}
    </>
  );
}

function AddressBook({ hasSecret }: { hasSecret: boolean }) {
  const { control } = useFormContext<SystemForm>();
  return (
    <>
      <FormField
        control={control}
        name="base"
        label="Address"
        hint="Of the address book, or of the server where it is looked for."
        inputMode="url"
        autoCapitalize="none"
        autoComplete="off"
      />
      <FormField control={control} name="user" label="Name" autoCapitalize="none" autoComplete="off" />
      <Secret label="Password" hasSecret={hasSecret} />
    </>
  );
}

function Folder() {
  const { control } = useFormContext<SystemForm>();
  const { field } = useController({ control, name: 'format' });
  return (
    <>
      <FormField
        control={control}
        name="folder"
        label="Name of the folder"
        hint="Beneath the folder for this that whoever runs Dossier has named."
        autoComplete="off"
      />
      <Choice label="What is written" options={FORMATS} value={field.value} onChange={field.onChange} />
    </>
  );
}
