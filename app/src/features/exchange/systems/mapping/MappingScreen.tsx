import type { Destination, HandOverMapping, HandOverRule } from '@dossier/contract';
import { handOverSources } from '@dossier/core/exchange/handOver';
import { Link } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { SettingsSection, useSessionQuery } from '@/features/account';
import { usePeopleFoundQuery } from '@/features/people';
import { problemCode, problemText } from '@/lib/api';
import { useSettled } from '@/lib/useSettled';
import { Button, Choice, LoadingLines, Notice, Soft, Text } from '@/ui';
import { useOutsideFieldsQuery, useSampleQuery, useSystemQuery } from '../api';
import { KeepMapping } from './KeepMapping';
import { LeftFields } from './LeftFields';
import { OccasionChoice } from './OccasionChoice';
import { RuleEditor, type Field } from './RuleEditor';
import type { Kind } from './ruleWords';
import { SamplePerson } from './SamplePerson';

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
  const { data: first } = usePeopleFoundQuery('');
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
          <OccasionChoice
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
            isShown={part !== undefined && part !== null}
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
      <KeepMapping
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
