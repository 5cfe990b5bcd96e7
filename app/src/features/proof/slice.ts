import type { ConsentGiven, PersonKind } from '@dossier/contract';
import type { PersonFields } from '@dossier/core/people';
import { createSlice, original, type Draft as Writable, type PayloadAction } from '@reduxjs/toolkit';
import {
  addAddress,
  addField,
  deleteField,
  editField,
  leaveOut,
  mergedDrafts,
  moveField,
  movePart,
  putFirst,
  putIntoField,
  settledBy,
  settleField,
  swapFields,
  withBackOf,
  withNewReading,
  withSecondReading,
  type Draft,
  type DraftField,
} from '@dossier/core/proof';
import type { FieldName, FieldProposal, SourceSpan } from '@dossier/core/reading/fields';
import { v4 as uuidv4 } from 'uuid';

/** What a person makes of a card before it is filed. */
export interface CardDraft {
  draft: Draft;
  note: string;
  /** The reading that it was made from. */
  readingId: string;
  /** Version that the server has; changes made since are still to be kept there. */
  version: number;
  /** Whether something was changed here that the server does not have. */
  unsaved: boolean;
  /** Name of whoever works on it here. */
  actor: string;
  /** What was chosen on the last step, before filing. */
  filing?: FilingChoices;
  /** States to go back to, the latest last, and those gone back from. Only for this visit. */
  past: Draft[];
  future: Draft[];
  /** Field that was typed in last: a run of letters is undone as one. */
  typing?: string;
}

/** What somebody has chosen on the last step of a card; what is not here is as it would be by itself. */
export interface FilingChoices {
  kind?: PersonKind;
  tags?: string[];
  ownerId?: string;
  rating?: string | null;
  consent?: ConsentGiven;
  /** The occasion's follow-up plan is not begun. */
  withoutPlan?: boolean;
  /** Whom to update; null for somebody new. */
  knownId?: string | null;
  newJob?: boolean;
  /** Field by field: keep, take, or both. */
  fields?: Partial<Record<keyof PersonFields, 'keep' | 'take' | 'both'>>;
  /** Keys of what stays although the old job ends. */
  stays?: string[];
}

/** What is kept of it on this device and on the server. */
export type KeptDraft = Pick<CardDraft, 'draft' | 'note' | 'readingId'>;

/** Two devices, or visits, give the fields they add different ids. */
const freshMark = (): string => uuidv4().slice(0, 6);

/** States that can be gone back to. */
const UNDO_STEPS = 80;

export const cardDraftOf = (
  kept: KeptDraft & Pick<CardDraft, 'filing'>,
  version: number,
  actor: string,
  unsaved = false,
): CardDraft => ({
  ...kept,
  draft: { ...kept.draft, mark: freshMark() },
  version,
  unsaved,
  actor,
  past: [],
  future: [],
});

export const proofSlice = createSlice({
  name: 'proof',
  initialState: {} as Record<string, CardDraft>,
  reducers: {
    draftOpened(state, { payload }: PayloadAction<{ cardId: string; cardDraft: CardDraft }>) {
      state[payload.cardId] ??= payload.cardDraft as Writable<CardDraft>;
    },
    draftClosed(state, { payload }: PayloadAction<string>) {
      delete state[payload];
    },
    /** @param payload.sent what the server has now: what was changed while it was on its way is still to be sent */
    draftKept(
      state,
      { payload }: PayloadAction<{ cardId: string; version: number; sent: Pick<CardDraft, 'draft' | 'note'> }>,
    ) {
      const card = state[payload.cardId];
      if (!card) return;
      card.version = payload.version;
      const now = original(card)!;
      card.unsaved = now.draft !== payload.sent.draft || now.note !== payload.sent.note;
    },
    /** The newest that the server has: in place of what is here, or, where that has changes of its own, brought together with it. */
    draftFetched(state, { payload }: PayloadAction<{ cardId: string; version: number; kept: KeptDraft }>) {
      const card = state[payload.cardId];
      if (!card || card.version >= payload.version) return;
      if (card.unsaved) bringIn(card, payload.kept);
      else Object.assign(card, cardDraftOf(payload.kept, payload.version, card.actor));
      card.version = payload.version;
    },
    /** Another tab of this device has changed the same card. */
    draftSeen(state, { payload }: PayloadAction<{ cardId: string; kept: KeptDraft }>) {
      const card = state[payload.cardId];
      if (card) bringIn(card, payload.kept);
    },
    backChanged(state, { payload }: PayloadAction<{ cardId: string; proposals: readonly FieldProposal[] }>) {
      const card = state[payload.cardId];
      if (card) card.draft = withBackOf(card.draft, payload.proposals) as Writable<Draft>;
    },
    /** Read a second time while it lies open, or since its draft was made. */
    readTwice(state, { payload }: PayloadAction<{ cardId: string; proposals: readonly FieldProposal[] }>) {
      const card = state[payload.cardId];
      if (!card) return;
      const held = (draft: Draft) => withSecondReading(draft, payload.proposals) as Writable<Draft>;
      // What is gone back to is as doubtful as what stands here.
      Object.assign(card, { draft: held(card.draft), past: card.past.map(held), future: card.future.map(held) });
    },
    readAnew(
      state,
      { payload }: PayloadAction<{ cardId: string; readingId: string; proposals: readonly FieldProposal[] }>,
    ) {
      const card = state[payload.cardId];
      if (!card || card.readingId === payload.readingId) return;
      card.draft = withNewReading(card.draft, payload.proposals) as Writable<Draft>;
      card.readingId = payload.readingId;
      // Older states point at lines that are no more.
      card.past = [];
      card.future = [];
    },
    fieldEdited: act(
      (draft, { id, ...edit }: { id: string } & Partial<Pick<DraftField, 'value' | 'phoneKind' | 'extension'>>) =>
        editField(draft, id, edit),
      ({ id, value }) => (value === undefined ? undefined : id),
    ),
    fieldSettled: act((draft, { id }: { id: string }) => settleField(draft, id)),
    fieldLeftOut: act((draft, { id, leftOut }: { id: string; leftOut: boolean }) => leaveOut(draft, id, leftOut)),
    fieldDeleted: act((draft, { id }: { id: string }) => deleteField(draft, id)),
    fieldAdded: act(
      (
        draft,
        { field, value, sources, label }: { field: FieldName; value?: string; sources?: SourceSpan[]; label?: string },
      ) => addField(draft, field, value, sources, label),
    ),
    addressAdded: act((draft, { label }: { label: string }) => addAddress(draft, label)),
    fieldMoved: act((draft, { id, field }: { id: string; field: FieldName }) => moveField(draft, id, field)),
    partMoved: act((draft, { id, ...part }: { id: string; from: number; to: number; field: FieldName }) =>
      movePart(draft, id, part),
    ),
    fieldPutFirst: act((draft, { id }: { id: string }) => putFirst(draft, id)),
    fieldsSwapped: act((draft, { id, other }: { id: string; other: string }) => swapFields(draft, id, other)),
    textPicked: act(
      (draft, { id, text, sources, behind }: { id: string; text: string; sources: SourceSpan[]; behind: boolean }) =>
        putIntoField(draft, id, text, sources, behind),
    ),
    undone: step('past', 'future'),
    redone: step('future', 'past'),
    filingChosen(state, { payload }: PayloadAction<{ cardId: string; change: FilingChoices }>) {
      const card = state[payload.cardId];
      if (card) card.filing = { ...card.filing, ...payload.change } as Writable<FilingChoices>;
    },
    noteEdited(state, { payload }: PayloadAction<{ cardId: string; note: string }>) {
      const card = state[payload.cardId];
      if (!card) return;
      card.note = payload.note;
      card.unsaved = true;
    },
  },
});

type State = Record<string, CardDraft>;

/**
 * A person's act on one card's draft, by a function of `core/proof`: what it changes is settled by that person, and it can
 * be undone.
 * @param typed the field that is being typed in, for acts that are undone together
 */
function act<P extends object>(apply: (draft: Draft, payload: P) => Draft, typed?: (payload: P) => string | undefined) {
  return {
    reducer(state: State, { payload, meta }: PayloadAction<P & { cardId: string }, string, { at: string }>) {
      const card = state[payload.cardId];
      if (!card) return;
      const before = card.draft;
      const after = apply(before, payload);
      if (after === before) return;
      const typing = typed?.(payload);
      if (!typing || card.typing !== typing) card.past = [...card.past, before].slice(-UNDO_STEPS);
      card.typing = typing;
      card.future = [];
      card.unsaved = true;
      card.draft = settledBy(before, after, card.actor, meta.at) as Writable<Draft>;
    },
    prepare: (payload: P & { cardId: string }) => ({ payload, meta: { at: new Date().toISOString() } }),
  };
}

/** Goes one state back or forth; that too is a person's act, which counts against what others do. */
function step(from: 'past' | 'future', to: 'past' | 'future') {
  return {
    reducer(state: State, { payload, meta }: PayloadAction<{ cardId: string }, string, { at: string }>) {
      const card = state[payload.cardId];
      const next = card?.[from].pop();
      if (!card || !next) return;
      const before = card.draft;
      card[to].push(before);
      card.draft = settledBy(before, { ...next, deleted: before.deleted }, card.actor, meta.at) as Writable<Draft>;
      card.typing = undefined;
      card.unsaved = true;
    },
    prepare: (payload: { cardId: string }) => ({ payload, meta: { at: new Date().toISOString() } }),
  };
}

/** What somebody did elsewhere, brought together with what was done here; the note is the longer one where both wrote. */
function bringIn(card: CardDraft, kept: KeptDraft): void {
  const merged = mergedDrafts(card.draft, kept.draft);
  if (merged !== card.draft) card.draft = { ...merged, mark: card.draft.mark };
  if (kept.note.length > card.note.length) card.note = kept.note;
}

export const proofActions = proofSlice.actions;

export const selectDraft =
  (cardId: string) =>
  (state: { proof: State }): CardDraft | undefined =>
    state.proof[cardId];
