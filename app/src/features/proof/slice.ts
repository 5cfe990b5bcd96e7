import { createSlice, type Draft as Writable, type PayloadAction } from '@reduxjs/toolkit';
import {
  addField,
  deleteField,
  editField,
  leaveOut,
  settleField,
  withBackOf,
  withNewReading,
  type Draft,
  type DraftField,
} from '@dossier/core/proof';
import type { FieldName, FieldProposal, SourceSpan } from '@dossier/core/reading/fields';

/** What a person makes of a card before it is filed; only this device knows it. */
export interface CardDraft {
  draft: Draft;
  note: string;
  /** The reading that it was made from. */
  readingId: string;
}

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
    backChanged: change((draft, { proposals }: { proposals: readonly FieldProposal[] }) =>
      withBackOf(draft, proposals),
    ),
    readAnew(
      state,
      { payload }: PayloadAction<{ cardId: string; readingId: string; proposals: readonly FieldProposal[] }>,
    ) {
      const card = state[payload.cardId];
      if (!card || card.readingId === payload.readingId) return;
      card.draft = withNewReading(card.draft, payload.proposals) as Writable<Draft>;
      card.readingId = payload.readingId;
    },
    fieldEdited: change(
      (draft, { id, ...edit }: { id: string } & Partial<Pick<DraftField, 'value' | 'phoneKind' | 'extension'>>) =>
        editField(draft, id, edit),
    ),
    fieldSettled: change((draft, { id }: { id: string }) => settleField(draft, id)),
    fieldLeftOut: change((draft, { id, leftOut }: { id: string; leftOut: boolean }) => leaveOut(draft, id, leftOut)),
    fieldDeleted: change((draft, { id }: { id: string }) => deleteField(draft, id)),
    fieldAdded: change(
      (draft, { field, value, sources }: { field: FieldName; value?: string; sources?: SourceSpan[] }) =>
        addField(draft, field, value, sources),
    ),
    noteEdited(state, { payload }: PayloadAction<{ cardId: string; note: string }>) {
      const card = state[payload.cardId];
      if (card) card.note = payload.note;
    },
  },
});

/** A reducer that changes one card's draft by a function of `core/proof`. */
function change<P extends object>(apply: (draft: Draft, payload: P) => Draft) {
  return (state: Record<string, CardDraft>, { payload }: PayloadAction<P & { cardId: string }>) => {
    const card = state[payload.cardId];
    if (card) card.draft = apply(card.draft, payload) as Writable<Draft>;
  };
}

export const proofActions = proofSlice.actions;

export const selectDraft =
  (cardId: string) =>
  (state: { proof: Record<string, CardDraft> }): CardDraft | undefined =>
    state.proof[cardId];
