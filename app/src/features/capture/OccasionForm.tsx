import { OccasionFields, type Occasion } from '@dossier/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState, type ComponentType } from 'react';
import { Controller, useForm, type Control } from 'react-hook-form';
import { View } from 'react-native';
import { useTeamQuery } from '@/features/account';
import { COUNTRIES, countryName } from '@/lib/countries';
import { Button, Choice, DayField, ExpectedLanguages, Notice, Select, Soft, TagField, Text, Toggle } from '@/ui';
import { FormField } from '@/ui/FormField';
import type { z } from 'zod';

const KINDS = [
  { value: 'contact', label: 'Contacts' },
  { value: 'lead', label: 'Leads' },
] as const;
const PICTURES = [
  { value: '', label: 'As the workspace does' },
  { value: 'photo', label: 'The whole photograph' },
  { value: 'card', label: 'Only the cut card' },
  { value: 'none', label: 'Nothing, once the card is filed' },
] as const;

const BY_ITSELF = [
  { value: '', label: 'As the workspace does' },
  { value: 'file', label: 'Are filed by themselves' },
  { value: 'ask', label: 'Wait for a person' },
] as const;

interface Props {
  /** What to begin with: an occasion that is there, or nothing for a new one. */
  occasion?: Occasion;
  onSave: (fields: OccasionFields) => Promise<string | undefined>;
  onCancel: () => void;
  /** The follow-up plan: lent by the room that has them. */
  Plan?: ComponentType<{ value: string | null; onChange: (planId: string | null) => void }>;
}

/** Name, place and days first: a new occasion is three lines. The rest is there for whoever wants it. */
export function OccasionForm({ occasion, onSave, onCancel, Plan }: Props) {
  const form = useForm({
    resolver: zodResolver(OccasionFields),
    defaultValues: occasion ?? { ...OccasionFields.parse({ name: 'to come' }), name: '' },
  });
  const { control } = form;
  const [more, setMore] = useState(Boolean(occasion));
  const [problem, setProblem] = useState<string>();
  const save = form.handleSubmit(async (fields) => setProblem(await onSave(fields)));

  return (
    <View className="gap-4">
      <FormField
        control={control}
        name="name"
        label="Name"
        autoFocus
        onSubmitEditing={() => void save()}
        maxLength={120}
      />
      <FormField control={control} name="place" label="Place" maxLength={120} />
      <View className="flex-row flex-wrap gap-3">
        {(['startsOn', 'endsOn'] as const).map((day) => (
          <Controller
            key={day}
            control={control}
            name={day}
            render={({ field, fieldState }) => (
              <DayField
                label={day === 'startsOn' ? 'First day' : 'Last day'}
                value={field.value ?? ''}
                onChange={(value) => field.onChange(value || null)}
                complaint={fieldState.error?.message}
              />
            )}
          />
        ))}
      </View>
      {more ? <Inherited control={control} isNew={!occasion} Plan={Plan} /> : null}
      {problem ? <Notice fault>{problem}</Notice> : null}
      <View className="flex-row flex-wrap items-center gap-3">
        <Button look="ink" busy={form.formState.isSubmitting} onPress={() => void save()}>
          {occasion ? 'Save' : 'Set this occasion'}
        </Button>
        <Button onPress={onCancel}>Cancel</Button>
        {more ? null : (
          <Button look="bare" onPress={() => setMore(true)}>
            Tags, owner and more
          </Button>
        )}
      </View>
    </View>
  );
}

interface InheritedProps {
  control: Control<z.input<typeof OccasionFields>, unknown, OccasionFields>;
  isNew: boolean;
  Plan: Props['Plan'];
}

/** What every card of the occasion begins with. */
function Inherited({ control, isNew, Plan }: InheritedProps) {
  const { data: team } = useTeamQuery();
  const owners = [
    { value: '', label: 'Whoever files the card' },
    ...(team?.items ?? []).map(({ id, name }) => ({ value: id, label: name })),
  ];
  const countries = [
    { value: '', label: 'The workspace’s country' },
    ...COUNTRIES.map((code) => ({ value: code, label: countryName(code) })),
  ];
  return (
    <View className="gap-4">
      <Controller
        control={control}
        name="tags"
        render={({ field }) => (
          <TagField
            label="Tags"
            hint="Each person filed from here gets them. Separate them with commas."
            tags={field.value ?? []}
            onChange={field.onChange}
          />
        )}
      />
      <View className="gap-1">
        <Text>Cards become</Text>
        <Controller
          control={control}
          name="kind"
          render={({ field }) => (
            <Choice label="Cards become" options={KINDS} value={field.value ?? 'contact'} onChange={field.onChange} />
          )}
        />
      </View>
      <Chosen control={control} name="ownerId" label="Owner" options={owners} />
      {Plan ? (
        <Controller
          control={control}
          name="planId"
          render={({ field }) => <Plan value={field.value ?? null} onChange={field.onChange} />}
        />
      ) : null}
      <Chosen control={control} name="keepPictures" label="Pictures kept" options={PICTURES} />
      <Controller
        control={control}
        name="filesItself"
        render={({ field }) => (
          <Labelled label="Cards without any doubt">
            <Select
              label="Cards without any doubt"
              options={BY_ITSELF}
              value={typeof field.value !== 'boolean' ? '' : field.value ? 'file' : 'ask'}
              onChange={(value) => field.onChange(value === '' ? null : value === 'file')}
            />
          </Labelled>
        )}
      />
      <Chosen control={control} name="country" label="Country of cards that do not tell theirs" options={countries} />
      <View className="gap-1">
        <Text>Languages expected</Text>
        <Soft>None chosen: those of the workspace.</Soft>
        <Controller
          control={control}
          name="languages"
          render={({ field }) => (
            <ExpectedLanguages chosen={field.value ?? []} onChange={(languages) => field.onChange([...languages])} />
          )}
        />
      </View>
      {isNew ? null : (
        <Controller
          control={control}
          name="closed"
          render={({ field }) => (
            <Toggle label="Over: no longer offered for new cards" on={field.value ?? false} onChange={field.onChange} />
          )}
        />
      )}
    </View>
  );
}

interface ChosenProps extends Pick<InheritedProps, 'control'> {
  name: 'ownerId' | 'keepPictures' | 'country';
  label: string;
  /** The first, without a value, stands for none of its own. */
  options: readonly { value: string; label: string }[];
}

/** One of several, or none. */
const Chosen = ({ control, name, label, options }: ChosenProps) => (
  <Controller
    control={control}
    name={name}
    render={({ field }) => (
      <Labelled label={label}>
        <Select
          label={label}
          options={options}
          value={field.value ?? ''}
          onChange={(value) => field.onChange(value || null)}
        />
      </Labelled>
    )}
  />
);

const Labelled = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <View className="items-start gap-1">
    <Text aria-hidden>{label}</Text>
    {children}
  </View>
);
