import { OccasionFields, type Occasion } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useTeamQuery } from '@/features/account';
import { COUNTRIES, countryName } from '@/lib/countries';
import {
  Button,
  Choice,
  DayField,
  ExpectedLanguages,
  Notice,
  Select,
  Soft,
  TagField,
  Text,
  TextField,
  Toggle,
} from '@/ui';

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
}

/** Name, place and days first: a new occasion is three lines. The rest is there for whoever wants it. */
export function OccasionForm({ occasion, onSave, onCancel }: Props) {
  const [fields, setFields] = useState<OccasionFields>(
    () => occasion ?? OccasionFields.parse({ name: 'x', startsOn: null }),
  );
  const [name, setName] = useState(occasion?.name ?? '');
  const [more, setMore] = useState(Boolean(occasion));
  const [complaints, setComplaints] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const set = (change: Partial<OccasionFields>) => setFields({ ...fields, ...change });

  const save = async () => {
    const parsed = OccasionFields.safeParse({ ...fields, name });
    if (!parsed.success) {
      return setComplaints(
        Object.fromEntries(parsed.error.issues.map((issue) => [String(issue.path[0]), issue.message])),
      );
    }
    setComplaints({});
    setBusy(true);
    setProblem(await onSave(parsed.data));
    setBusy(false);
  };

  return (
    <View className="gap-4">
      <TextField
        label="Name"
        value={name}
        onChangeText={setName}
        complaint={complaints.name}
        autoFocus
        onSubmitEditing={() => void save()}
        maxLength={120}
      />
      <TextField
        label="Place"
        value={fields.place}
        onChangeText={(place) => set({ place })}
        complaint={complaints.place}
        maxLength={120}
      />
      <View className="flex-row flex-wrap gap-3">
        <DayField
          label="First day"
          value={fields.startsOn ?? ''}
          onChange={(day) => set({ startsOn: day || null })}
          complaint={complaints.startsOn}
        />
        <DayField
          label="Last day"
          value={fields.endsOn ?? ''}
          onChange={(day) => set({ endsOn: day || null })}
          complaint={complaints.endsOn}
        />
      </View>
      {more ? <Inherited fields={fields} set={set} isNew={!occasion} /> : null}
      {problem ? <Notice fault>{problem}</Notice> : null}
      <View className="flex-row flex-wrap items-center gap-3">
        <Button look="ink" busy={busy} onPress={() => void save()}>
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
  fields: OccasionFields;
  set: (change: Partial<OccasionFields>) => void;
  isNew: boolean;
}

/** What every card of the occasion begins with. */
function Inherited({ fields, set, isNew }: InheritedProps) {
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
      <TagField
        label="Tags"
        hint="Each person filed from here gets them. Separate them with commas."
        tags={fields.tags}
        onChange={(tags) => set({ tags })}
      />
      <View className="gap-1">
        <Text>Cards become</Text>
        <Choice label="Cards become" options={KINDS} value={fields.kind} onChange={(kind) => set({ kind })} />
      </View>
      <Labelled label="Owner">
        <Select
          label="Owner"
          options={owners}
          value={fields.ownerId ?? ''}
          onChange={(id) => set({ ownerId: id || null })}
        />
      </Labelled>
      <Labelled label="Pictures kept">
        <Select
          label="Pictures kept"
          options={PICTURES}
          value={fields.keepPictures ?? ''}
          onChange={(kept) => set({ keepPictures: kept || null })}
        />
      </Labelled>
      <Labelled label="Cards without any doubt">
        <Select
          label="Cards without any doubt"
          options={BY_ITSELF}
          value={fields.filesItself === null ? '' : fields.filesItself ? 'file' : 'ask'}
          onChange={(value) => set({ filesItself: value === '' ? null : value === 'file' })}
        />
      </Labelled>
      <Labelled label="Country of cards that do not tell theirs">
        <Select
          label="Country of cards that do not tell theirs"
          options={countries}
          value={fields.country ?? ''}
          onChange={(country) => set({ country: country || null })}
        />
      </Labelled>
      <View className="gap-1">
        <Text>Languages expected</Text>
        <Soft>None chosen: those of the workspace.</Soft>
        <ExpectedLanguages chosen={fields.languages} onChange={(languages) => set({ languages: [...languages] })} />
      </View>
      {isNew ? null : (
        <Toggle
          label="Over: no longer offered for new cards"
          on={fields.closed}
          onChange={(closed) => set({ closed })}
        />
      )}
    </View>
  );
}

const Labelled = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <View className="items-start gap-1">
    <Text aria-hidden>{label}</Text>
    {children}
  </View>
);
