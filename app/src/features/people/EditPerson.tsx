import { PersonEdit, type Person, type PersonKind } from '@dossier/contract';
import { ADDRESS_FIELDS, addressOrder, formatPhone, type PersonFields, type PhoneEntry } from '@dossier/core/people';
import { typedPhone } from '@dossier/core/people/typedPhone';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { ZodType } from 'zod';
import { View } from 'react-native';
import { useSelector } from 'react-redux';
import { useSessionQuery, useTeamQuery } from '@/features/account';
import { hasStatus, problemText } from '@/lib/api';
import { personFieldLabel } from '@/lib/fieldLabels';
import { Button, Choice, Notice, Select, Subheading, TagField, Text, TextField } from '@/ui';
import { useEditPersonMutation, useTagsQuery } from './api';
import { selectLeftEdit } from './slice';
import { useUnsaved } from './useUnsaved';

const KINDS = [
  { value: 'contact', label: 'Contact' },
  { value: 'lead', label: 'Lead' },
] as const;
const TEXTS = ['prefix', 'givenName', 'middleName', 'familyName', 'suffix', 'title', 'department', 'company'] as const;
const PHONE_KINDS = [
  { value: 'mobile', label: 'mobile' },
  { value: 'work', label: 'work' },
  { value: 'fax', label: 'fax' },
] as const;

/** Number and extension are written in one. */
const asText = (phone: PhoneEntry): PhoneEntry => ({
  ...phone,
  value: formatPhone(phone.value, phone.extension),
  extension: '',
});

type Values = Omit<PersonEdit, 'version'>;
// What the form holds is whole: nothing in it is left to be filled in.
const EditValues = PersonEdit.omit({ version: true }) as unknown as ZodType<Values, Values>;

/** As it is written in the form; what was left in it before comes first. */
const valuesOf = (person: Person): Values => ({
  fields: { ...person.fields, phones: person.fields.phones.map(asText) },
  kind: person.kind,
  tags: person.tags,
  rating: person.rating,
  ownerId: person.owner.id,
});

/** As it is saved: without empty lines, numbers as they are dialled. */
function cleaned({ fields, ...rest }: Values, country: string | null): Values {
  const filled = (list: readonly string[]) => list.map((text) => text.trim()).filter(Boolean);
  const phones = fields.phones
    .filter(({ value }) => value.trim())
    .map((phone) => ({ ...phone, ...typedPhone(phone.value, country) }));
  return { ...rest, fields: { ...fields, phones, emails: filled(fields.emails), websites: filled(fields.websites) } };
}

/**
 * The whole record, to be changed by hand. What somebody else changed meanwhile is shown beside, and whoever leaves it unsaved is asked
 * about it wherever they went: nothing is lost.
 */
export function EditPerson({ person, onDone }: { person: Person; onDone: () => void }) {
  const { data: session } = useSessionQuery();
  const country = session?.workspace.country ?? null;
  const knownTags = useTagsQuery().data?.items.map(({ tag }) => tag) ?? [];
  const left = useSelector(selectLeftEdit(person.id));
  const [own] = useState(left);
  const [seen, setSeen] = useState(own?.seen ?? person);
  const { watch, setValue, handleSubmit, formState } = useForm<Values>({
    defaultValues: own?.values ?? valuesOf(person),
    resolver: (values, context, options) => zodResolver(EditValues)(cleaned(values, country), context, options),
  });
  const edit = watch();
  const { fields } = edit;
  const { data: team } = useTeamQuery();
  const [save, { isLoading, error }] = useEditPersonMutation();
  const changed = { shouldDirty: true } as const;
  const set = (change: Partial<PersonFields>) => setValue('fields', { ...fields, ...change }, changed);
  const forget = useUnsaved(formState.isDirty || own !== undefined, () => ({ personId: person.id, name: person.fullName, values: edit, seen })); // prettier-ignore
  const done = () => {
    forget();
    onDone();
  };
  const submit = handleSubmit(async (values) => {
    const answer = await save({ id: person.id, edit: { ...values, version: seen.version } });
    if (!answer.error) done();
  });
  const complaint = (field: keyof PersonFields) => formState.errors.fields?.[field]?.message;
  const changedMeanwhile = hasStatus(error, 409) && person.version !== seen.version;
  return (
    <View className="gap-5">
      <Choice<PersonKind>
        label="Kind"
        options={KINDS}
        value={edit.kind}
        onChange={(kind) => setValue('kind', kind, changed)}
      />
      <View className="gap-3">
        {TEXTS.map((field) => (
          <TextField
            key={field}
            label={personFieldLabel(field)}
            value={fields[field]}
            onChangeText={(text) => set({ [field]: text })}
            maxLength={240}
            complaint={complaint(field)}
          />
        ))}
      </View>
      <TextList label="E-mail" inputMode="email" values={fields.emails} onChange={(emails) => set({ emails })} />
      <Phones phones={fields.phones} onChange={(phones) => set({ phones })} />
      <TextList label="Web" inputMode="url" values={fields.websites} onChange={(websites) => set({ websites })} />
      <View className="gap-3">
        {addressOrder(fields.country).map((field) => (
          <TextField
            key={field}
            label={personFieldLabel(field)}
            value={fields[field]}
            onChangeText={(text) => set({ [field]: text })}
            maxLength={120}
            complaint={complaint(field)}
          />
        ))}
      </View>
      <TagField label="Tags" tags={edit.tags} onChange={(tags) => setValue('tags', tags, changed)} known={knownTags} />
      <View className="items-start gap-1">
        <Text aria-hidden>Rating</Text>
        <Select
          label="Rating"
          value={edit.rating ?? ''}
          onChange={(value) => setValue('rating', value || null, changed)}
          options={[
            { value: '', label: 'None' },
            ...[...new Set([...(session?.workspace.ratings ?? []), ...(edit.rating ? [edit.rating] : [])])].map(
              (value) => ({ value, label: value }),
            ),
          ]}
        />
      </View>
      <View className="items-start gap-1">
        <Text aria-hidden>Owner</Text>
        <Select
          label="Owner"
          value={edit.ownerId ?? person.owner.id}
          onChange={(ownerId) => setValue('ownerId', ownerId, changed)}
          options={[
            ...(team?.items ?? []).map(({ id, name }) => ({ value: id, label: name })),
            ...(team?.items.some(({ id }) => id === person.owner.id)
              ? []
              : [{ value: person.owner.id, label: person.owner.name }]),
          ]}
        />
      </View>
      {changedMeanwhile ? (
        <ChangedMeanwhile before={seen} now={person} mine={edit.fields} onKeepMine={() => setSeen(person)} />
      ) : error ? (
        <Notice fault>{problemText(error)}</Notice>
      ) : null}
      <View className="flex-row gap-2">
        <Button look="ink" busy={isLoading} disabled={changedMeanwhile} onPress={() => void submit()}>
          Save
        </Button>
        <Button look="bare" onPress={done}>
          Close without saving
        </Button>
      </View>
    </View>
  );
}

/** Both sides of what two people changed at once. */
function ChangedMeanwhile({
  before,
  now,
  mine,
  onKeepMine,
}: {
  before: Person;
  now: Person;
  mine: PersonFields;
  onKeepMine: () => void;
}) {
  const fields = [...TEXTS, ...ADDRESS_FIELDS].filter((field) => now.fields[field] !== before.fields[field]);
  const by = now.history[0]?.actor ?? 'Somebody';
  return (
    <View role="alert" className="gap-2 border-l-2 border-brick pl-3">
      <Subheading>{`${by} changed this record meanwhile`}</Subheading>
      {fields.length === 0 ? <Text>Addresses, numbers, tags or rating were changed.</Text> : null}
      {fields.map((field) => (
        <Text
          key={field}
        >{`${personFieldLabel(field)}: theirs “${now.fields[field] || 'nothing'}”, yours “${mine[field] || 'nothing'}”`}</Text>
      ))}
      <View className="items-start">
        <Button onPress={onKeepMine}>Keep what is written here</Button>
      </View>
    </View>
  );
}

interface TextListProps {
  label: string;
  inputMode: 'email' | 'url';
  values: readonly string[];
  onChange: (values: string[]) => void;
}

const TextList = ({ label, inputMode, values, onChange }: TextListProps) => (
  <View className="gap-3">
    {[...values, ''].map((value, i) => (
      <TextField
        key={i}
        label={i < values.length ? label : `Another ${label.toLowerCase()}`}
        inputMode={inputMode}
        autoCapitalize="none"
        value={value}
        onChangeText={(text) =>
          onChange(i < values.length ? values.map((old, k) => (k === i ? text : old)) : [...values, text])
        }
        maxLength={254}
      />
    ))}
  </View>
);

const Phones = ({ phones, onChange }: { phones: readonly PhoneEntry[]; onChange: (phones: PhoneEntry[]) => void }) => (
  <View className="gap-3">
    {[...phones, { value: '', kind: 'work' as const, extension: '' }].map((phone, i) => {
      const set = (change: Partial<PhoneEntry>) =>
        onChange(
          i < phones.length
            ? phones.map((old, k) => (k === i ? { ...old, ...change } : old))
            : [...phones, { ...phone, ...change }],
        );
      return (
        <View key={i} className="flex-row flex-wrap items-end gap-3">
          <View className="min-w-[180px] flex-1">
            <TextField
              label={i < phones.length ? 'Phone' : 'Another phone'}
              inputMode="tel"
              value={phone.value}
              onChangeText={(value) => set({ value })}
              maxLength={60}
            />
          </View>
          <Select
            label={`Kind of phone ${i + 1}`}
            options={PHONE_KINDS}
            value={phone.kind}
            onChange={(kind) => set({ kind })}
          />
        </View>
      );
    })}
  </View>
);
