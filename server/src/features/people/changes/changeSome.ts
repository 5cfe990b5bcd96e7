import type { PeopleChange } from '@dossier/contract';
import { emptyPersonFields, TEXT_FIELDS } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '../../../platform/session';
import { companyNamed } from '../companies';
import { listedOnce, namesOf } from '../list/queries';
import { loadFields } from '../loadFields';
import { lockCardsOf } from '../lockCardsOf';
import { saveKeysOf } from '../matchKeys';
import { changeOne, undoOne, type ChangeOutcome, type Names } from './changeOne';
import { PeopleChangeRow, type KeptState, type PeopleChangeRecord } from './entities';
import {
  changeableStates,
  dropNotes,
  logEach,
  nextOf,
  writeJobs,
  writeNotes,
  writeOccasions,
  writeOutcomes,
  wishForPlans,
  writeStates,
  type Outcome,
} from './queries';

/** So many are changed in one transaction: nobody waits for long for one of them. */
export const AT_ONCE = 200;

/** People as a change finds them. @param hold whether nobody else may change them meanwhile */
export async function statesOf(
  manager: EntityManager,
  { workspaceId }: SignedIn,
  ids: readonly string[],
  what: PeopleChange,
  hold: boolean,
): Promise<{ states: Map<string, KeptState>; names: Names; fullNames: Map<string, string> }> {
  const rows = await changeableStates(manager, workspaceId, ids, hold, what.planId ?? null);
  // Looking only, fields matter where one of them is to be changed.
  const fields = hold || what.field ? await loadFields(manager, [...rows.keys()]) : undefined;
  const states = new Map<string, KeptState>();
  for (const [id, { state }] of rows)
    states.set(id, { ...state, fields: fields?.get(id)?.fields ?? emptyPersonFields(), noteId: null });
  const owners = new Set([
    ...[...states.values()].map(({ ownerId }) => ownerId),
    ...(what.ownerId ? [what.ownerId] : []),
  ]);
  const occasions = [...states.values()].map(({ occasionId }) => occasionId);
  const named = async (table: 'account' | 'occasion', wanted: Iterable<string | null | undefined>) => {
    const found = [...new Set([...wanted].filter((id): id is string => Boolean(id)))];
    const list = found.length > 0 ? await namesOf(manager, workspaceId, table, found) : [];
    const names = new Map(list.map(({ id, name }) => [id, name]));
    return (id: string) => names.get(id) ?? '';
  };
  const names: Names = {
    owner: await named('account', owners),
    occasion: await named('occasion', [...occasions, what.occasionId]),
  };
  return { states, names, fullNames: new Map([...rows].map(([id, row]) => [id, row.fullName])) };
}

/** Changes the next of those who are meant. @returns whether there may be more */
export async function changeSome(
  manager: EntityManager,
  who: SignedIn,
  { id, what, at }: Pick<PeopleChangeRecord, 'id' | 'what' | 'at'>,
): Promise<boolean> {
  const ids = await nextOf(manager, who.workspaceId, id, 'waiting', AT_ONCE);
  if (ids.length === 0) return false;
  if (what.occasionId !== undefined) await lockCardsOf(manager, ids);
  const { states, names } = await statesOf(manager, who, ids, what, true);
  const outcomes: Outcome[] = [];
  const done: Done[] = [];
  for (const personId of ids) {
    const before = states.get(personId);
    const outcome: ChangeOutcome = before
      ? changeOne(before, what, at, names, uuidv7())
      : { kind: 'left', why: 'gone' };
    if (outcome.kind === 'changed') {
      done.push({ personId, before: before!, ...outcome });
      outcomes.push({ personId, state: 'changed', before, after: outcome.after });
    } else if (outcome.kind === 'same') outcomes.push({ personId, state: 'same' });
    else outcomes.push({ personId, state: 'left', why: outcome.why });
  }
  const notes = done.flatMap(({ after, personId }) => (after.noteId ? [[after.noteId, personId] as const] : []));
  const wishes = done.flatMap(({ after, personId }) => (after.planId ? [[personId, after.planId] as const] : []));
  await write(manager, who, done, async () => {
    if (what.note && notes.length > 0) await writeNotes(manager, who, notes, what.note, new Date());
    if (wishes.length > 0) await wishForPlans(manager, who, wishes, true);
  });
  await writeOutcomes(manager, who.workspaceId, id, outcomes);
  return ids.length === AT_ONCE;
}

/** Takes back what the next of those who are different became. @returns whether there may be more */
export async function undoSome(
  manager: EntityManager,
  who: SignedIn,
  { id, what }: Pick<PeopleChangeRecord, 'id' | 'what'>,
): Promise<boolean> {
  const ids = await nextOf(manager, who.workspaceId, id, 'changed', AT_ONCE);
  if (ids.length === 0) return false;
  const rows = new Map(
    (await manager.findBy(PeopleChangeRow, ids.map((personId) => ({ changeId: id, personId })))).map((row) => [row.personId, row]), // prettier-ignore
  );
  if (what.occasionId !== undefined) await lockCardsOf(manager, ids);
  const { states, names } = await statesOf(manager, who, ids, {}, true);
  const outcomes: Outcome[] = [];
  const done: Done[] = [];
  const notes: string[] = [];
  const wishes: [personId: string, planId: string][] = [];
  for (const personId of ids) {
    const { before, after } = rows.get(personId)!;
    const now = states.get(personId);
    const outcome: ChangeOutcome = now ? undoOne(before!, after!, now, names) : { kind: 'left', why: 'gone' };
    if (outcome.kind === 'left') {
      outcomes.push({ personId, state: 'kept', why: outcome.why, field: outcome.field });
      continue;
    }
    if (outcome.kind === 'changed') done.push({ personId, before: now!, ...outcome });
    if (after!.noteId) notes.push(after!.noteId);
    if (after!.planId) wishes.push([personId, after!.planId]);
    outcomes.push({ personId, state: 'undone' });
  }
  await write(manager, who, done, async () => {
    await dropNotes(manager, who.workspaceId, notes);
    if (wishes.length > 0) await wishForPlans(manager, who, wishes, false);
  });
  await writeOutcomes(manager, who.workspaceId, id, outcomes);
  return ids.length === AT_ONCE;
}

interface Done extends Extract<ChangeOutcome, { kind: 'changed' }> {
  personId: string;
  before: KeptState;
}

/** Rows, jobs, keys, cards and history of those who are different. @param writeRest their notes */
async function write(
  manager: EntityManager,
  who: SignedIn,
  done: readonly Done[],
  writeRest: () => Promise<unknown>,
): Promise<void> {
  if (done.length === 0) return;
  const ids = done.map(({ personId }) => personId);
  await listedOnce(manager, ids, async () => {
    await writeRecords(manager, who, done);
    await writeRest();
  });
}

async function writeRecords(manager: EntityManager, who: SignedIn, done: readonly Done[]): Promise<void> {
  const at = new Date();
  const { workspaceId } = who;
  await writeStates(manager, workspaceId, done.map(({ personId, after }) => ({ personId, state: after })), at); // prettier-ignore
  const otherFields = done.filter(({ before, after }) => TEXT_FIELDS.some((f) => before.fields[f] !== after.fields[f]));
  const otherJobs = otherFields.filter(({ before, after }) =>
    (['company', 'title', 'department'] as const).some((f) => before.fields[f] !== after.fields[f]),
  );
  const companies = new Map<string, string | null>([['', null]]);
  for (const { after } of otherJobs) {
    const { company } = after.fields;
    if (!companies.has(company)) companies.set(company, await companyNamed(manager, workspaceId, company));
  }
  if (otherJobs.length > 0)
    await writeJobs(
      manager,
      workspaceId,
      otherJobs.map(({ personId, after: { fields } }) => ({
        personId,
        companyId: companies.get(fields.company)!,
        title: fields.title,
        department: fields.department,
      })),
      at,
    );
  if (otherFields.length > 0)
    await saveKeysOf(manager, workspaceId, otherFields.map(({ personId, after }) => [personId, after.fields] as const)); // prettier-ignore
  const otherCards = done.filter(({ before, after }) => before.occasionId !== after.occasionId);
  if (otherCards.length > 0)
    await writeOccasions(manager, workspaceId, otherCards.map(({ after }) => [after.cardId!, after.occasionId] as const)); // prettier-ignore
  // Being put into a plan stands in the history by itself.
  await logEach(manager, who, done.filter(({ action, changes }) => action !== 'edited' || changes.length > 0), at); // prettier-ignore
}
