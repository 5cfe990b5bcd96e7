import type { LeftWhy, PeopleChange } from '@dossier/contract';
import type { FieldChange } from '@dossier/core/people';
import { applyChange, undoChange, type Refusal } from '@dossier/core/people/changes';
import type { KeptState } from './entities';

/** Names for what stands in the history by its name. */
export interface Names {
  owner: (id: string) => string;
  occasion: (id: string) => string;
}

export type ChangeOutcome =
  | { kind: 'changed'; after: KeptState; action: 'edited' | 'deleted' | 'restored'; changes: FieldChange[] }
  | { kind: 'same' }
  | { kind: 'left'; why: LeftWhy; field?: string };

const REFUSALS: Record<Refusal, LeftWhy> = { 'too-many-tags': 'tooManyTags', nameless: 'nameless', 'no-lead': 'noLead' }; // prettier-ignore
const SAME: ChangeOutcome = { kind: 'same' };

/** What a change of many makes of one person. @param at when it was asked for @param noteId of the note it would write */
export function changeOne(
  before: KeptState,
  what: PeopleChange,
  at: Date,
  names: Names,
  noteId: string,
): ChangeOutcome {
  if (before.deleted) return { kind: 'left', why: 'gone' };
  const applied = applyChange(before, what, names.owner, at.toISOString());
  if (typeof applied === 'string') return { kind: 'left', why: REFUSALS[applied] };
  const after: KeptState = { ...before, ...applied?.record, noteId: what.note ? noteId : null };
  const changes = [...(applied?.changes ?? [])];
  if (what.occasionId !== undefined) {
    if (!before.cardId) return { kind: 'left', why: 'noCard' };
    after.occasionId = what.occasionId;
    changes.push(...occasionChange(before, after, names));
  }
  const begins = what.planId !== undefined && before.planId !== what.planId;
  after.planId = begins ? what.planId : null;
  if (what.note) changes.push({ field: 'note', before: '', after: what.note });
  if (what.deleted) return { kind: 'changed', after: { ...after, deleted: true }, action: 'deleted', changes };
  return changes.length === 0 && !begins ? SAME : { kind: 'changed', after, action: 'edited', changes };
}

/** What taking it back makes of one person as they are now; what was changed later stays, or stands against it. */
export function undoOne(before: KeptState, after: KeptState, now: KeptState, names: Names): ChangeOutcome {
  const undone = undoChange(before, after, now, names.owner);
  if (typeof undone === 'string') return { kind: 'left', why: 'changedSince', field: undone };
  const back: KeptState = { ...now, ...undone?.record };
  const changes = [...(undone?.changes ?? [])];
  if (before.occasionId !== after.occasionId && now.occasionId !== before.occasionId) {
    if (now.cardId !== after.cardId || now.occasionId !== after.occasionId)
      return { kind: 'left', why: 'changedSince', field: 'occasion' };
    back.occasionId = before.occasionId;
    changes.push(...occasionChange(now, back, names));
  }
  const isBack = after.deleted && !before.deleted && now.deleted;
  if (isBack) back.deleted = false;
  if (changes.length === 0 && !isBack && !after.noteId && !after.planId) return SAME;
  return { kind: 'changed', after: back, action: isBack ? 'restored' : 'edited', changes };
}

function occasionChange(before: KeptState, after: KeptState, { occasion }: Names): FieldChange[] {
  const name = (id: string | null) => (id ? occasion(id) : '');
  return before.occasionId === after.occasionId
    ? []
    : [{ field: 'occasion', before: name(before.occasionId), after: name(after.occasionId) }];
}
