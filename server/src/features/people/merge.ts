import type { Merged, MergePeople } from '@dossier/contract';
import { mergeRecords } from '@dossier/core/matching';
import { changesBetween, fieldText, LIST_FIELDS, TEXT_FIELDS, type PersonFields } from '@dossier/core/people';
import { In, IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { Card } from '../reading';
import { log } from './changeLog';
import { Employment, FilingReceipt, Note, Person, Reach } from './entities';
import { loadFields } from './loadFields';
import { lockPerson } from './lockPerson';
import { saveMatchKeys } from './matchKeys';
import { Consent, Merge } from './recordEntities';
import { changePerson } from './savePerson';
import { distinctTags } from './tags';

/** Rows of a person as they are in the database, whatever their columns. */
type Row = Record<string, unknown> & { id: string; person_id: string };

/** What a merge changed: rows as they were, and whose what was. */
interface Before {
  people: Row[];
  employments: Row[];
  reach: Row[];
  /** Person by note, card, consent or receipt. */
  notes: [string, string][];
  cards: [string, string][];
  consents: [string, string][];
  receipts: [string, string][];
  fieldsBefore: PersonFields;
  fieldsAfter: PersonFields;
}

/**
 * Brings records of one person together in one transaction: the others' cards, notes, consents and jobs move, the others are gone.
 * Everything needed to part them again is kept.
 * @throws ProblemError 404, or 409 when one of them changed since the version named
 */
export function mergePeople(database: DataSource, who: SignedIn, request: MergePeople): Promise<Merged> {
  return inWorkspace(database, who.workspaceId, (manager) => mergeLocked(manager, who, request));
}

export async function mergeLocked(manager: EntityManager, who: SignedIn, request: MergePeople): Promise<Merged> {
  const versions = new Map([request.into, ...request.others].map(({ id, version }) => [id, version]));
  if (versions.size !== request.others.length + 1)
    throw conflict('same-record', 'A record cannot be merged with itself.');
  // Always in the same order, so that two merges at once wait for each other instead of blocking.
  const loaded = new Map<string, { person: Person; fields: PersonFields }>();
  for (const id of [...versions.keys()].sort()) loaded.set(id, await lockPerson(manager, id, versions.get(id)!));
  const into = loaded.get(request.into.id)!;
  const others = request.others.map(({ id }) => loaded.get(id)!);
  const otherIds = others.map(({ person }) => person.id);
  const at = new Date();
  const records = [into, ...others].map(({ person, fields }) => ({ fields, at: person.updatedAt.getTime() }));
  const fields = request.fields ?? mergeRecords(records);
  const before = {
    ...(await rowsOf(manager, [into.person.id, ...otherIds])),
    fieldsBefore: into.fields,
    fieldsAfter: fields,
  };

  for (const entity of [Note, Card, Consent, FilingReceipt])
    await manager.update(entity as typeof Note, { personId: In(otherIds) }, { personId: into.person.id });
  await endOthersJobs(manager, into.person.id, otherIds, at);
  await manager.delete(Person, { id: In(otherIds) });
  await changePerson(manager, into.person, fields, {
    at,
    kind: [into, ...others].some(({ person }) => person.kind === 'contact') ? 'contact' : 'lead',
    tags: distinctTags([into, ...others].flatMap(({ person }) => person.tags)),
    rating: into.person.rating ?? others.find(({ person }) => person.rating)?.person.rating ?? null,
  });
  const fieldsAfter = (await loadFields(manager, [into.person.id])).get(into.person.id)!.fields;
  const mergeId = uuidv7();
  await manager.insert(Merge, {
    id: mergeId,
    workspaceId: who.workspaceId,
    intoId: into.person.id,
    otherIds,
    names: others.map(({ person }) => person.fullName),
    by: who.accountId,
    at,
    afterVersion: into.person.version + 1,
    before: { ...before, fieldsAfter },
    undoneAt: null,
  });
  await log(manager, who, {
    personId: into.person.id,
    action: 'merged',
    at,
    changes: changesBetween(into.fields, fields),
  });
  return { mergeId, personId: into.person.id };
}

/** The others' jobs become former ones of the person, but for those that the person has now. */
async function endOthersJobs(
  manager: EntityManager,
  intoId: string,
  otherIds: readonly string[],
  at: Date,
): Promise<void> {
  const current = await manager.findOneBy(Employment, { personId: intoId, endedAt: IsNull() });
  for (const job of await manager.findBy(Employment, { personId: In([...otherIds]) })) {
    const isSame = current && job.endedAt === null && job.companyId === current.companyId;
    if (isSame) await manager.delete(Employment, { id: job.id });
    else await manager.update(Employment, { id: job.id }, { personId: intoId, endedAt: job.endedAt ?? at });
  }
}

async function rowsOf(manager: EntityManager, ids: string[]): Promise<Omit<Before, 'fieldsBefore' | 'fieldsAfter'>> {
  const rows = (table: string, column = 'person_id') =>
    manager
      .query<{ row: Row }[]>(`select to_jsonb(t) as row from ${table} t where ${column} = any($1)`, [ids])
      .then((all) => all.map(({ row }) => row));
  const owners = (table: string, key = 'id') =>
    manager
      .query<{ key: string; person_id: string }[]>(
        `select ${key} as key, person_id from ${table} where person_id = any($1)`,
        [ids],
      )
      .then((all) => all.map((row) => [row.key, row.person_id] as [string, string]));
  return {
    people: await rows('person', 'id'),
    employments: await rows('employment'),
    reach: await rows('reach'),
    notes: await owners('note'),
    cards: await owners('card'),
    consents: await owners('consent'),
    receipts: await owners('filing_receipt', 'key'),
  };
}

/**
 * Parts again what was merged: every row is as it was before. What was changed since stays changed, unless it contradicts.
 * @throws ProblemError 404, or 409 that says which later change stands against it
 */
export function undoMerge(database: DataSource, who: SignedIn, mergeId: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const merge = await manager.findOne(Merge, { where: { id: mergeId }, lock: { mode: 'pessimistic_write' } });
    if (!merge) throw notFound('This merge');
    if (merge.undoneAt) return;
    const into = await manager.findOne(Person, { where: { id: merge.intoId }, lock: { mode: 'pessimistic_write' } });
    const later = await manager.findOne(Merge, {
      where: { intoId: merge.intoId, undoneAt: IsNull() },
      order: { at: 'DESC' },
    });
    if (!into) throw conflict('merged-again', 'This person has been merged into another since. Undo that first.');
    if (into.deletedAt) throw conflict('deleted', 'This person has been deleted since. Bring it back first.');
    if (later && later.id !== merge.id)
      throw conflict('merged-again', 'Others were merged into this person since. Undo that first.');
    const before = merge.before as Before;
    const now = (await loadFields(manager, [into.id])).get(into.id)!.fields;
    const unchanged = into.version === merge.afterVersion;
    const kept = unchanged ? undefined : keptChanges(before, now);
    const at = new Date();
    const ids = [into.id, ...merge.otherIds];

    await manager.delete(Employment, { id: In(before.employments.map(({ id }) => id)) });
    if (unchanged)
      for (const entity of [Reach, Employment]) await manager.delete(entity as typeof Reach, { personId: into.id });
    await putBack(manager, 'person', unchanged ? before.people : before.people.filter(({ id }) => id !== into.id));
    await putBack(
      manager,
      'employment',
      unchanged ? before.employments : before.employments.filter((row) => row.person_id !== into.id),
    );
    await putBack(manager, 'reach', unchanged ? before.reach : before.reach.filter((row) => row.person_id !== into.id));
    await giveBack(manager, before, into.id);
    if (kept) {
      await putBack(
        manager,
        'employment',
        before.employments.filter((row) => row.person_id === into.id && row.ended_at !== null),
      );
      await changePerson(manager, into, kept, { at });
    }
    const loaded = await loadFields(manager, ids);
    for (const [personId, { fields }] of loaded) {
      if (personId !== into.id || unchanged)
        await saveMatchKeys(manager, { workspaceId: who.workspaceId, personId }, fields);
    }
    await manager.update(Merge, { id: merge.id }, { undoneAt: at });
    for (const personId of ids) await log(manager, who, { personId, action: 'unmerged', at });
  });
}

/** The person's fields with those that the merge changed as they were before, and later changes of others kept. @throws ProblemError 409 */
function keptChanges({ fieldsBefore, fieldsAfter }: Before, now: PersonFields): PersonFields {
  const fields = { ...now };
  const against: string[] = [];
  for (const field of [...TEXT_FIELDS, ...LIST_FIELDS]) {
    const [before, after, current] = [fieldsBefore, fieldsAfter, now].map((one) => fieldText(one, field));
    if (before === after) continue;
    if (current !== after && current !== before) against.push(`${field}: ${current || 'nothing'}`);
    else Object.assign(fields, { [field]: fieldsBefore[field] });
  }
  if (against.length > 0)
    throw conflict(
      'changed-since',
      `This was changed after the merge: ${against.join('; ')}. Change it back, or leave the records merged.`,
    );
  return fields;
}

async function putBack(
  manager: EntityManager,
  table: 'person' | 'employment' | 'reach',
  rows: readonly Row[],
): Promise<void> {
  if (rows.length === 0) return;
  const columns = Object.keys(rows[0]!).filter((column) => column !== 'id');
  await manager.query(
    `insert into ${table} select * from jsonb_populate_recordset(null::${table}, $1::jsonb)
     on conflict (id) do update set ${columns.map((column) => `${column} = excluded.${column}`).join(', ')}`,
    [JSON.stringify(rows)],
  );
}

/** What was moved goes back to whose it was; what came since stays. */
async function giveBack(manager: EntityManager, before: Before, intoId: string): Promise<void> {
  const tables = {
    note: ['id', before.notes],
    card: ['id', before.cards],
    consent: ['id', before.consents],
    filing_receipt: ['key', before.receipts],
  } as const;
  for (const [table, [key, owners]] of Object.entries(tables)) {
    const moved = owners.filter(([, personId]) => personId !== intoId);
    await manager.query(
      `update ${table} set person_id = moved.person_id
       from unnest($1::text[], $2::uuid[]) as moved(key, person_id)
       where ${table}.${key}::text = moved.key and ${table}.person_id = $3`,
      [moved.map(([id]) => id), moved.map(([, personId]) => personId), intoId],
    );
  }
}
