import { draftOf } from '@dossier/core/proof';
import type { FieldProposal } from '@dossier/core/reading/fields';
import { cardDraftOf, proofActions, proofSlice, selectDraft } from './slice';

const proposal: FieldProposal = {
  field: 'title',
  value: 'Buyer',
  sources: [{ line: 0, from: 0, to: 5 }],
  confidence: 0.5,
  reasons: [],
};
const begun = cardDraftOf({ draft: draftOf([proposal]), note: '', readingId: 'r1' }, 3, 'Ottilie Brandt');
// What is added here has plain ids.
const open = { cardId: 'c1', cardDraft: { ...begun, draft: { ...begun.draft, mark: undefined } } };
const run = (...actions: Parameters<typeof proofSlice.reducer>[1][]) =>
  selectDraft('c1')({
    proof: actions.reduce(proofSlice.reducer, proofSlice.reducer(undefined, proofActions.draftOpened(open))),
  });

describe('drafts on the proof desk', () => {
  it('keep every change', () => {
    const card = run(
      proofActions.fieldEdited({ cardId: 'c1', id: 'p0', value: 'Head Buyer' }),
      proofActions.fieldAdded({ cardId: 'c1', field: 'email', value: 'a@b.example' }),
      proofActions.fieldLeftOut({ cardId: 'c1', id: 'a0', leftOut: true }),
      proofActions.noteEdited({ cardId: 'c1', note: 'Call back' }),
    );
    expect(card?.draft.fields).toMatchObject([
      { value: 'Head Buyer', confidence: 1 },
      { value: 'a@b.example', leftOut: true },
    ]);
    expect(card?.note).toBe('Call back');
  });

  it('are not overwritten when the card is opened again', () => {
    const card = run(proofActions.fieldDeleted({ cardId: 'c1', id: 'p0' }), proofActions.draftOpened(open));
    expect(card?.draft.fields).toEqual([]);
  });

  it('are gone once the card is filed, and unknown cards change nothing', () => {
    expect(run(proofActions.draftClosed('c1'))).toBeUndefined();
    expect(run(proofActions.fieldSettled({ cardId: 'other', id: 'p0' }))?.draft.fields[0]?.confidence).toBe(0.5);
  });

  it('take in a card read anew: what a person settled stays, once', () => {
    const email: FieldProposal = { ...proposal, field: 'email', value: 'ada@quayside.example' };
    const anew = { cardId: 'c1', readingId: 'r2', proposals: [{ ...proposal, value: 'Boyer' }, email] };
    const settled = run(proofActions.fieldSettled({ cardId: 'c1', id: 'p0' }), proofActions.readAnew(anew));
    expect(settled?.draft.fields.map((f) => f.value)).toEqual(['Buyer', 'ada@quayside.example']);
    const untouched = run(proofActions.readAnew(anew), proofActions.readAnew(anew));
    expect(untouched?.draft.fields.map((f) => f.value)).toEqual(['Boyer', 'ada@quayside.example']);
  });

  it('go back and forth through every act, a run of letters at once', () => {
    const typed = ['B', 'Bu', 'Buy'].map((value) => proofActions.fieldEdited({ cardId: 'c1', id: 'p0', value }));
    const left = proofActions.fieldLeftOut({ cardId: 'c1', id: 'p0', leftOut: true });
    const undo = proofActions.undone({ cardId: 'c1' });
    const redo = proofActions.redone({ cardId: 'c1' });
    const value = (card: ReturnType<typeof run>) => card?.draft.fields[0];
    expect(value(run(...typed, left, undo))).toMatchObject({ value: 'Buy', leftOut: false });
    expect(value(run(...typed, left, undo, undo))).toMatchObject({ value: 'Buyer', confidence: 0.5 });
    expect(value(run(...typed, left, undo, undo, undo, redo, redo))).toMatchObject({ value: 'Buy', leftOut: true });
    expect(run(...typed, undo, left)?.future).toEqual([]);
  });

  it('remember who settled a field and when, and bring work from elsewhere together', () => {
    const card = run(proofActions.fieldSettled({ cardId: 'c1', id: 'p0' }));
    const settled = card!.draft.fields[0]!.settled!;
    expect(settled.by).toBe('Ottilie Brandt');
    expect(Date.parse(settled.at)).not.toBeNaN();
    const theirs = (value: string, at: string) => ({
      draft: {
        fields: [{ ...draftOf([proposal]).fields[0]!, value, confidence: 1, settled: { by: 'Pim', at } }],
        nextId: 0,
      },
      note: 'From Pim',
      readingId: 'r1',
    });
    const merged = (kept: ReturnType<typeof theirs>) =>
      run(
        proofActions.fieldEdited({ cardId: 'c1', id: 'p0', value: 'Head Buyer' }),
        proofActions.draftFetched({ cardId: 'c1', version: 7, kept }),
      );
    expect(merged(theirs('Old', '2020-01-01T00:00:00.000Z'))?.draft.fields[0]!.value).toBe('Head Buyer');
    expect(merged(theirs('Later', '2999-01-01T00:00:00.000Z'))).toMatchObject({ version: 7, note: 'From Pim' });
    expect(merged(theirs('Later', '2999-01-01T00:00:00.000Z'))?.draft.fields[0]!.value).toBe('Later');
  });

  it('give way to what somebody did elsewhere where nothing was done here, and are brought together where something was', () => {
    const kept = {
      draft: { fields: [{ ...draftOf([proposal]).fields[0]!, value: 'Head of purchasing', confidence: 1 }], nextId: 3 },
      note: '',
      readingId: 'r1',
    };
    const fetched = (version: number) => proofActions.draftFetched({ cardId: 'c1', version, kept });
    expect(run(fetched(4))?.draft.fields.map(({ value }) => value)).toEqual(['Head of purchasing']);
    // An answer that was overtaken changes nothing.
    const later = run(fetched(5), proofActions.fieldEdited({ cardId: 'c1', id: 'p0', value: 'Mine' }), fetched(5));
    expect(later?.draft.fields[0]!.value).toBe('Mine');
    const added = run(proofActions.fieldAdded({ cardId: 'c1', field: 'email', value: 'a@b.example' }), fetched(4));
    expect(added?.draft.fields.map(({ value }) => value)).toEqual(['Buyer', 'a@b.example']);
    expect(added).toMatchObject({ version: 4, unsaved: true });
  });

  it('are still to be sent when something was changed while the last change was on its way', () => {
    const edited = run(proofActions.fieldEdited({ cardId: 'c1', id: 'p0', value: 'Buy' }))!;
    const saved = (...meanwhile: Parameters<typeof run>) => {
      const typed = proofActions.fieldEdited({ cardId: 'c1', id: 'p0', value: 'Buy' });
      const sent = run(typed)!;
      return run(typed, ...meanwhile, proofActions.draftKept({ cardId: 'c1', version: 4, sent }));
    };
    expect(edited.unsaved).toBe(true);
    expect(saved(proofActions.fieldDeleted({ cardId: 'c1', id: 'p0' }))).toMatchObject({ version: 4, unsaved: true });
  });
});
