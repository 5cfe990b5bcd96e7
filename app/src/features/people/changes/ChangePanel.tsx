import type { ChosenPeople, PeopleChange, PersonKind } from '@dossier/contract';
import type { TextField as FieldName } from '@dossier/core/people';
import { skipToken } from '@reduxjs/toolkit/query';
import { useMemo, useState, type ReactNode } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { useMay, useSessionQuery, useTeamQuery } from '@/features/account';
import { useOccasions } from '@/features/capture';
import { problemText } from '@/lib/api';
import { personFieldLabel } from '@/lib/fieldLabels';
import { useSettled } from '@/lib/useSettled';
import { Button, Notice, Select, Soft, Subheading, TagField, Text, TextField, Toggle } from '@/ui';
import { useChangeManyMutation, useChangePreviewQuery, usePlansOfferedQuery, useTagsQuery } from '../api';
import { peopleSlice } from '../slice';
import { people, previewWords } from './changeWords';

/** Fields that several people can have alike. */
const ALIKE: readonly FieldName[] = ['company', 'department', 'title', 'street', 'postalCode', 'locality', 'region', 'country']; // prettier-ignore
const PAUSE_MS = 300;

interface Props {
  who: ChosenPeople;
  count: number;
  onDone: () => void;
  onClose: () => void;
}

/** What is to be different for many people at once; it says first for how many it will be. */
export function ChangePanel({ who, count, onDone, onClose }: Props) {
  const dispatch = useDispatch();
  const may = useMay();
  const [draft, setDraft] = useState<Draft>(UNCHANGED);
  const set = (change: Partial<Draft>) => setDraft({ ...draft, ...change });
  const what = useMemo(() => changeOf(draft), [draft]);
  const settled = useSettled(what, PAUSE_MS);
  const { currentData: preview, error: unforeseen, isFetching } = useChangePreviewQuery(settled ? { who, what: settled } : skipToken); // prettier-ignore
  const [change, { isLoading, error }] = useChangeManyMutation();
  const isCurrent = settled === what && !isFetching;
  const problem = error ?? unforeseen;
  const go = async () => {
    if (!what) return;
    const answer = await change({ who, what });
    if (!answer.data) return;
    dispatch(peopleSlice.actions.changeTold(answer.data.id));
    onDone();
  };
  return (
    <View role="region" aria-label={`Change ${people(count)}`} className="min-h-0 flex-1">
      <ScrollView className="flex-1" contentContainerStyle={{ paddingHorizontal: 16, paddingBottom: 16 }}>
        <Subheading className="pb-1">{`Change ${people(count)}`}</Subheading>
        <Soft className="pb-2">Whatever is left alone here stays as each of them has it.</Soft>
        <Parts draft={draft} set={set} />
        {may('delete') ? (
          <View className="pt-3">
            <Toggle label="Delete them all" on={draft.deleted} onChange={(deleted) => set({ deleted })} />
            {draft.deleted ? <Soft>For a month they can be brought back.</Soft> : null}
          </View>
        ) : null}
      </ScrollView>
      <View className="gap-2 border-t border-rule px-4 py-3">
        {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
        <View role="status" className={isCurrent ? '' : 'opacity-60'}>
          {!what ? (
            <Soft>Say above what is to be different.</Soft>
          ) : preview ? (
            previewWords(preview).map((words) => <Text key={words}>{words}</Text>)
          ) : (
            <Soft>Looking whom it concerns …</Soft>
          )}
        </View>
        <View className="flex-row flex-wrap gap-2">
          <Button
            look={draft.deleted ? 'brick' : 'ink'}
            busy={isLoading}
            disabled={!what || !isCurrent || !preview?.changed}
            onPress={() => void go()}
          >
            {buttonWords(draft.deleted, preview?.changed)}
          </Button>
          <Button look="bare" onPress={onClose}>
            Back to the list
          </Button>
        </View>
      </View>
    </View>
  );
}

const buttonWords = (deleted: boolean, changed: number | undefined): string =>
  `${deleted ? 'Delete' : 'Change'}${changed ? ` ${people(changed)}` : ''}`;

/** As it is written here: an empty word is no change, a blank a change to nothing. */
interface Draft {
  addTags: readonly string[];
  removeTags: readonly string[];
  ownerId: string;
  kind: '' | PersonKind;
  rating: string;
  status: string;
  closed: string;
  closedWords: string;
  occasionId: string;
  field: '' | FieldName;
  value: string;
  planId: string;
  note: string;
  deleted: boolean;
}
const NOTHING = ' ';
const UNCHANGED: Draft = {
  addTags: [],
  removeTags: [],
  ownerId: '',
  kind: '',
  rating: '',
  status: '',
  closed: '',
  closedWords: '',
  occasionId: '',
  field: '',
  value: '',
  planId: '',
  note: '',
  deleted: false,
};

function changeOf(draft: Draft): PeopleChange | undefined {
  const what: PeopleChange = {};
  if (draft.deleted) return { deleted: true };
  if (draft.addTags.length > 0) what.addTags = [...draft.addTags];
  if (draft.removeTags.length > 0) what.removeTags = [...draft.removeTags];
  if (draft.ownerId) what.ownerId = draft.ownerId;
  if (draft.kind) what.kind = draft.kind;
  if (draft.rating) what.rating = draft.rating === NOTHING ? null : draft.rating;
  if (draft.status) what.status = draft.status === NOTHING ? null : draft.status;
  if (draft.closed)
    what.closed = draft.closed === NOTHING ? null : { reason: draft.closed, words: draft.closedWords.trim() };
  if (draft.occasionId) what.occasionId = draft.occasionId === NOTHING ? null : draft.occasionId;
  if (draft.field) what.field = { name: draft.field, value: draft.value.trim() };
  if (draft.planId) what.planId = draft.planId;
  if (draft.note.trim()) what.note = draft.note.trim();
  return Object.keys(what).length > 0 ? what : undefined;
}

/** Each thing that can be different, opened where it is to be. */
function Parts({ draft, set }: { draft: Draft; set: (change: Partial<Draft>) => void }) {
  const { data: session } = useSessionQuery();
  const { data: team } = useTeamQuery();
  const { items: occasions } = useOccasions(session?.user.id ?? '');
  const may = useMay();
  const plans = usePlansOfferedQuery(undefined, { skip: !may('write') }).data?.items.filter(({ isOn }) => isOn) ?? [];
  const tags = useTagsQuery().data?.items.map(({ tag }) => tag) ?? [];
  const asItIs = { value: '' as const, label: 'As it is' };
  return (
    <>
      <Part label="Add tags" said={draft.addTags.join(', ')}>
        <TagField label="Tags to add" tags={draft.addTags} onChange={(addTags) => set({ addTags })} known={tags} />
      </Part>
      <Part label="Take tags away" said={draft.removeTags.join(', ')}>
        <TagField
          label="Tags to take away"
          tags={draft.removeTags}
          onChange={(removeTags) => set({ removeTags })}
          known={tags}
        />
      </Part>
      <Line label="Kind">
        <Select
          label="Kind"
          value={draft.kind}
          onChange={(kind) => set({ kind })}
          options={[asItIs, { value: 'lead', label: 'Lead' }, { value: 'contact', label: 'Contact' }]}
        />
      </Line>
      <Line label="Rating">
        <Select
          label="Rating"
          value={draft.rating}
          onChange={(rating) => set({ rating })}
          options={[
            asItIs,
            ...(session?.workspace.ratings ?? []).map((word) => ({ value: word, label: word })),
            { value: NOTHING, label: 'None' },
          ]}
        />
      </Line>
      <Line label="Status of leads">
        <Select
          label="Status of leads"
          value={draft.status}
          onChange={(status) => set({ status })}
          options={[
            asItIs,
            ...(session?.workspace.leadStatuses ?? []).map((word) => ({ value: word, label: word })),
            { value: NOTHING, label: 'None' },
          ]}
        />
      </Line>
      <Line label="Leads that come to nothing">
        <Select
          label="Close the leads"
          value={draft.closed}
          onChange={(closed) => set({ closed })}
          options={[
            asItIs,
            ...(session?.workspace.closeReasons ?? []).map((word) => ({ value: word, label: `Close: ${word}` })),
            { value: NOTHING, label: 'Open again' },
          ]}
        />
      </Line>
      {draft.closed.trim() ? (
        <View className="py-2">
          <TextField
            label="In a line, if there is more to say"
            value={draft.closedWords}
            onChangeText={(closedWords) => set({ closedWords })}
            maxLength={500}
          />
        </View>
      ) : null}
      <Line label="Owner">
        <Select
          label="Owner"
          value={draft.ownerId}
          onChange={(ownerId) => set({ ownerId })}
          options={[asItIs, ...(team?.items ?? []).map(({ id, name }) => ({ value: id, label: name }))]}
        />
      </Line>
      <Line label="Occasion">
        <Select
          label="Occasion of the latest card"
          value={draft.occasionId}
          onChange={(occasionId) => set({ occasionId })}
          options={[
            asItIs,
            ...occasions.filter(({ closed }) => !closed).map(({ id, name }) => ({ value: id, label: name })),
            { value: NOTHING, label: 'None' },
          ]}
        />
      </Line>
      {plans.length > 0 ? (
        <Line label="Follow-up plan">
          <Select
            label="Put them into a plan"
            value={draft.planId}
            onChange={(planId) => set({ planId })}
            options={[asItIs, ...plans.map(({ id, name }) => ({ value: id, label: name }))]}
          />
        </Line>
      ) : null}
      {draft.planId ? (
        <Soft className="py-2">
          Its first step comes when the plan says. To whoever has not agreed, nothing is sent.
        </Soft>
      ) : null}
      <Line label="A field">
        <Select
          label="Field to set"
          value={draft.field}
          onChange={(field) => set({ field })}
          options={[
            { value: '', label: 'As they are' },
            ...ALIKE.map((field) => ({ value: field, label: personFieldLabel(field) })),
          ]}
        />
      </Line>
      {draft.field ? (
        <View className="py-2">
          <TextField
            label={personFieldLabel(draft.field)}
            hint={draft.value.trim() ? undefined : 'Left empty, it is emptied for everybody chosen.'}
            value={draft.value}
            onChangeText={(value) => set({ value })}
            autoFocus
            maxLength={240}
          />
        </View>
      ) : null}
      <Part label="A note for each" said={draft.note}>
        <TextField label="Note" value={draft.note} onChangeText={(note) => set({ note })} multiline maxLength={4000} />
      </Part>
    </>
  );
}

const Line = ({ label, children }: { label: string; children: ReactNode }) => (
  <View className="min-h-touch flex-row flex-wrap items-center justify-between gap-x-3 border-b border-rule">
    <Text aria-hidden>{label}</Text>
    <View className="max-w-full">{children}</View>
  </View>
);

function Part({ label, said, children }: { label: string; said: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <View className="border-b border-rule">
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={label}
        onPress={() => setOpen(!open)}
        className="min-h-touch flex-row items-center justify-between gap-3 hover:bg-table"
      >
        <Text>{label}</Text>
        <Soft numberOfLines={1} className="min-w-0 flex-1 text-right">
          {open ? '' : said || 'None'}
        </Soft>
      </Pressable>
      {open ? <View className="pb-3">{children}</View> : null}
    </View>
  );
}
