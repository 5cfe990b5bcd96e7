import type { Destination, HandOverMapping, HandOverRule } from '@dossier/contract';
import { fieldsOfSample, handOverSources, proposeRules, sentAs } from '@dossier/core/exchange/handOver';
import { Link } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { SettingsSection, useSessionQuery } from '@/features/account';
import { useOccasionsQuery } from '@/features/capture';
import { problemCode, problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhen } from '@/lib/formatDate';
import { useSettled } from '@/lib/useSettled';
import { Button, Choice, LoadingLines, Notice, Select, Soft, Subheading, Text, TextField } from '@/ui';
import { useChangeMappingMutation, useMappingVersionsQuery, useOutsideFieldsQuery, useSampleQuery, useSomeonesFoundQuery, useSystemQuery, useTrySystemMutation } from '../api'; // prettier-ignore
import { Exchanged } from '../Deliveries';
import { Outward } from '../Outward';
import { fieldWords, RuleEditor, type Field } from './RuleEditor';
import { SamplePerson } from './SamplePerson';

type Kind = 'lead' | 'contact' | 'company';
const KINDS = [
  { value: 'lead', label: 'Leads' },
  { value: 'contact', label: 'Contacts' },
] as const;
const WITH_COMPANIES = [...KINDS, { value: 'company', label: 'Companies' }] as const;

/** What goes into which field of another system, shown with somebody as one writes it. */
export function MappingScreen({ systemId }: { systemId: string }) {
  const { data: system, error, refetch } = useSystemQuery(systemId);
  return (
    <SettingsSection
      title="Other systems"
      heading={system ? `What goes to ${system.name}` : 'Other systems'}
      measure={760}
    >
      {error && !system ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : !system ? (
        <LoadingLines />
      ) : system.to.kind === 'system' ? (
        // A version that was saved meanwhile begins anew.
        <Mapping key={system.mappingVersion} system={system} hasCompanies={system.to.objects.company !== null} />
      ) : (
        <Soft>Files and address books take people as they are.</Soft>
      )}
      <Link href={`/settings/systems/${systemId}`}>
        <View className="min-h-touch justify-center">
          <Text className="underline underline-offset-4">{system ? `Back to ${system.name}` : 'Back'}</Text>
        </View>
      </Link>
    </SettingsSection>
  );
}

/** The rules that are looked at, and how they are put back. */
function rulesIn(mapping: HandOverMapping, kind: Kind, occasionId: string): HandOverRule[] {
  const own = mapping.occasions.find((one) => one.occasionId === occasionId);
  return kind !== 'company' && own ? own[kind] : mapping[kind];
}

function withRules(mapping: HandOverMapping, kind: Kind, occasionId: string, rules: HandOverRule[]): HandOverMapping {
  if (kind === 'company' || !occasionId) return { ...mapping, [kind]: rules };
  return { ...mapping, occasions: mapping.occasions.map((one) => (one.occasionId === occasionId ? { ...one, [kind]: rules } : one)) }; // prettier-ignore
}

function Mapping({ system, hasCompanies }: { system: Destination; hasCompanies: boolean }) {
  const { id, mappingVersion } = system;
  const [mapping, setMapping] = useState(system.mapping);
  const [kind, setKind] = useState<Kind>('lead');
  const [occasionId, setOccasionId] = useState('');
  const [open, setOpen] = useState<number>();
  const [chosen, setChosen] = useState<{ id: string; fullName: string }>();
  const { data: first } = useSomeonesFoundQuery('');
  const shownWith = chosen ?? first?.items[0];
  const described = useOutsideFieldsQuery({ id, kind });
  const isUndescribed = problemCode(described.error) === 'not-described';
  const [sampled, setSampled] = useState<Partial<Record<Kind, Field[]>>>({});
  const fields = described.currentData?.items ?? sampled[kind];
  const sources = useSources();
  const rules = rulesIn(mapping, kind, occasionId);
  const put = (next: HandOverRule[]) => setMapping(withRules(mapping, kind, occasionId, next));
  const sample = useSampleOf(id, shownWith?.id, kind, rules, mapping);
  const look = (next: { kind?: Kind; occasionId?: string }) => {
    setOpen(undefined);
    if (next.kind) setKind(next.kind);
    if (next.occasionId !== undefined) setOccasionId(next.occasionId);
  };
  const add = (rule: HandOverRule) => {
    put([...rules, rule]);
    setOpen(rules.length);
  };
  const part = kind === 'company' ? sample.data?.company : sample.data;
  return (
    <View className="gap-5">
      <View className="flex-row flex-wrap items-center gap-x-5 gap-y-2">
        <Choice
          label="Of whom"
          options={hasCompanies ? WITH_COMPANIES : KINDS}
          value={kind}
          onChange={(next) => look({ kind: next })}
        />
        {kind === 'company' ? null : (
          <Occasions
            mapping={mapping}
            occasionId={occasionId}
            onChange={setMapping}
            onLook={(next) => look({ occasionId: next })}
          />
        )}
      </View>
      <SamplePerson chosen={shownWith} onChoose={setChosen} />
      {described.error && !isUndescribed ? (
        <Notice fault action={<Button onPress={() => void described.refetch()}>Ask again</Button>}>
          {`Its fields could not be asked for. ${problemText(described.error)}`}
        </Notice>
      ) : null}
      {sample.error ? <Notice fault>{problemText(sample.error)}</Notice> : null}
      <View role="list" aria-label="What goes into which field" className="border-t border-rule">
        {rules.map((rule, i) => (
          <RuleEditor
            key={i}
            rule={rule}
            field={fields?.find(({ name }) => name === rule.to)}
            sources={sources}
            sample={part?.record[rule.to]}
            fault={part?.faults.find(({ to }) => to === rule.to)?.fault}
            open={open === i}
            onToggle={() => setOpen(open === i ? undefined : i)}
            onChange={(next) => put(rules.map((one, at) => (at === i ? next : one)))}
            onRemove={() => {
              put(rules.filter((_, at) => at !== i));
              setOpen(undefined);
            }}
          />
        ))}
      </View>
      {rules.length === 0 ? <Soft>Nothing goes into any field yet.</Soft> : null}
      <LeftFields
        fields={fields}
        rules={rules}
        isUndescribed={isUndescribed}
        onAdd={add}
        onSampled={(found) => setSampled({ ...sampled, [kind]: found })}
        onPropose={(proposed) => put([...rules, ...proposed])}
      />
      <Ways
        system={system}
        mapping={mapping}
        shownWith={shownWith}
        kind={kind}
        version={mappingVersion}
        onTakeUp={setMapping}
      />
    </View>
  );
}

function useSources() {
  const own = useSessionQuery().data?.workspace.ownFields;
  return useMemo(() => handOverSources(own ?? []), [own]);
}

/** What would be sent, as one writes. The rules that are looked at count, whatever somebody is and wherever they were met. */
function useSampleOf(
  id: string,
  personId: string | undefined,
  kind: Kind,
  rules: HandOverRule[],
  mapping: HandOverMapping,
) {
  // prettier-ignore
  const asked = useSettled(JSON.stringify(kind === 'company' ? { ...mapping, company: rules } : { ...mapping, [kind]: rules, occasions: [] }), 300); // prettier-ignore
  const body = { id, personId: personId ?? '', mapping: JSON.parse(asked) as HandOverMapping, ...(kind !== 'company' && { as: kind }) }; // prettier-ignore
  return useSampleQuery(body, { skip: !personId });
}

interface OccasionsProps {
  mapping: HandOverMapping;
  occasionId: string;
  onChange: (mapping: HandOverMapping) => void;
  onLook: (occasionId: string) => void;
}

/** For people of some occasions other rules hold. */
function Occasions({ mapping, occasionId, onChange, onLook }: OccasionsProps) {
  const { data } = useOccasionsQuery();
  const own = mapping.occasions.map((one) => one.occasionId);
  const nameOf = (id: string) => data?.items.find((one) => one.id === id)?.name ?? 'an occasion that is gone';
  const left = (data?.items ?? []).filter(({ id }) => !own.includes(id));
  if (own.length + left.length === 0) return null;
  const begin = (id: string) => {
    const { lead, contact } = mapping;
    if (!own.includes(id))
      onChange({ ...mapping, occasions: [...mapping.occasions, { occasionId: id, lead, contact }] });
    onLook(id);
  };
  return (
    <View className="flex-row flex-wrap items-center gap-x-3">
      <Select
        label="Met where"
        options={[
          { value: '', label: own.length > 0 ? 'Met anywhere else' : 'Met anywhere' },
          ...own.map((id) => ({ value: id, label: `Met at ${nameOf(id)}` })),
          ...left.map(({ id, name }) => ({ value: id, label: `Otherwise for ${name} …` })),
        ]}
        value={occasionId}
        onChange={(id) => (id ? begin(id) : onLook(''))}
      />
      {occasionId ? (
        <Button
          look="bare"
          onPress={() => {
            onLook('');
            onChange({ ...mapping, occasions: mapping.occasions.filter((one) => one.occasionId !== occasionId) });
          }}
        >
          As everywhere
        </Button>
      ) : null}
    </View>
  );
}

interface LeftProps {
  fields: readonly Field[] | undefined;
  rules: readonly HandOverRule[];
  isUndescribed: boolean;
  onAdd: (rule: HandOverRule) => void;
  /** The fields of a record that somebody has copied. */
  onSampled: (fields: Field[]) => void;
  onPropose: (rules: HandOverRule[]) => void;
}

/** Fields that nothing goes into yet. */
function LeftFields({ fields, rules, isUndescribed, onAdd, onSampled, onPropose }: LeftProps) {
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

interface WaysProps {
  system: Destination;
  mapping: HandOverMapping;
  shownWith: { id: string; fullName: string } | undefined;
  kind: Kind;
  version: number;
  onTakeUp: (mapping: HandOverMapping) => void;
}

/** Keeping it, trying it, and what it was before. */
function Ways({ system: { id, name, mapping: saved }, mapping, shownWith, kind, version, onTakeUp }: WaysProps) {
  const [save, saving] = useChangeMappingMutation();
  const [attempt, tried] = useTrySystemMutation();
  const [isLooking, setIsLooking] = useState(false);
  const isChanged = JSON.stringify(saved) !== JSON.stringify(mapping);
  return (
    <View className="gap-4">
      <Text role="status">
        {isChanged
          ? 'What you have changed is not saved yet.'
          : version > 0
            ? `This is version ${version}, and in force.`
            : ''}
      </Text>
      {saving.error ? <Notice fault>{problemText(saving.error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        <Button
          look="ink"
          disabled={!isChanged}
          busy={saving.isLoading}
          onPress={() => void save({ id, over: version, mapping })}
        >
          {`Save as version ${version + 1}`}
        </Button>
        {isChanged ? <Button onPress={() => onTakeUp(saved)}>As it was</Button> : null}
        <Button
          disabled={!shownWith || kind === 'company'}
          busy={tried.isLoading}
          onPress={() =>
            void attempt({ id, personId: shownWith!.id, mapping, ...(kind !== 'company' && { as: kind }) })
          }
        >
          {`Try it with ${shownWith?.fullName || 'somebody'}`}
        </Button>
      </View>
      {tried.error ? <Notice fault>{problemText(tried.error)}</Notice> : null}
      {tried.data ? (
        <View className="gap-2" role="group" aria-label="The try">
          <Notice fault={tried.data.problem !== null}>
            {tried.data.problem ?? `A record is in ${name} now whose name says that it is a try. Remove it there.`}
          </Notice>
          {tried.data.link ? <Outward href={tried.data.link}>The record there</Outward> : null}
          <Exchanged {...tried.data} />
        </View>
      ) : null}
      {version > 1 ? (
        <View className="gap-2">
          <View className="-ml-4 flex-row">
            <Button look="bare" onPress={() => setIsLooking(!isLooking)}>
              {isLooking ? 'Hide former versions' : 'Former versions'}
            </Button>
          </View>
          {isLooking ? <Versions id={id} now={version} onTakeUp={onTakeUp} /> : null}
        </View>
      ) : null}
    </View>
  );
}

function Versions({ id, now, onTakeUp }: { id: string; now: number; onTakeUp: (mapping: HandOverMapping) => void }) {
  const { data, error, refetch } = useMappingVersionsQuery(id);
  if (error)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines lines={2} />;
  return (
    <View className="gap-1">
      <Subheading>Former versions</Subheading>
      <View role="list" aria-label="Former versions">
        {data.items
          .filter(({ version }) => version !== now)
          .map(({ version, at, by, mapping }) => (
            <View
              key={version}
              role="listitem"
              className="flex-row flex-wrap items-center gap-x-3 border-b border-rule"
            >
              <Text className="min-w-[180px] flex-1">{`Version ${version}, ${formatWhen(at)}, ${by}`}</Text>
              <Button look="bare" label={`Take version ${version} up again`} onPress={() => onTakeUp(mapping)}>
                Take it up
              </Button>
            </View>
          ))}
      </View>
    </View>
  );
}
