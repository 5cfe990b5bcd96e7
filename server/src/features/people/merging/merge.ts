import { foldTight } from '@dossier/core/text';
import type { Merged, MergePeople } from '@dossier/contract';
import { mergeRecords } from '@dossier/core/matching';
import { changesBetween, fieldText, LIST_FIELDS, TEXT_FIELDS, type PersonFields } from '@dossier/core/people';
import { In, IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Card } from '../../reading';
import { log } from '../changeLog';
import { Employment, FilingReceipt, Note, Person, ContactPoint } from '../entities';
import { keepApartFurther, noLongerApart } from '../keepApart';
import { loadFields } from '../loadFields';
import { lockCardsOf } from '../lockCardsOf';
import { lockPerson } from '../lockPerson';
import { saveMatchKeys } from '../matchKeys';
import { SNAPSHOT_SCHEMA, snapshotOf, type MergeSnapshot, type Row } from './mergeSnapshot';
import {
  atPresentFirms,
  endSecondCourses,
  handedFollow,
  joinParts,
  jobsContradict,
  moveBack,
  moveHanded,
  moveHandedBack,
  moveRows,
  ownersOf,
  partAgain,
  partsOf,
  putRowsBack,
  wholeRows,
} from './queries';
import { Consent, Merge } from '../recordEntities';
import { changePerson } from '../savePerson';
import { distinctTags } from '../tags';

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
  // Always in the same order, so that two merges at once wait for each other instead of blocking; cards before people.
  await lockCardsOf(manager, [...versions.keys()]);
  const loaded = new Map<string, { person: Person; fields: PersonFields }>();
  for (const id of [...versions.keys()].sort())
    loaded.set(id, await lockPerson(manager, id, versions.get(id)!, { forGood: true }));
  const into = loaded.get(request.into.id)!;
  const others = request.others.map(({ id }) => loaded.get(id)!);
  const otherIds = others.map(({ person }) => person.id);
  const at = new Date();
  const records = [into, ...others].map(({ person, fields }) => ({ fields, at: person.updatedAt.getTime() }));
  const fields = request.fields ?? mergeRecords(records);
  const before = {
    ...(await rowsOf(manager, who.workspaceId, [into.person.id, ...otherIds])),
    fieldsBefore: into.fields,
    fieldsAfter: fields,
  };

  for (const entity of [Note, Card, Consent, FilingReceipt])
    await manager.update(entity as typeof Note, { personId: In(otherIds) }, { personId: into.person.id });
  await endSecondCourses(manager, who.workspaceId, into.person.id, otherIds, at);
  const parts = await partsOf(manager, who.workspaceId, [into.person.id, ...otherIds]);
  await joinParts(manager, who.workspaceId, otherIds, into.person.id);
  for (const table of ['task', 'share', 'message', 'booking', 'enrolment', 'attachment'] as const)
    await moveRows(manager, who.workspaceId, table, otherIds, into.person.id);
  const handed = await moveHanded(manager, who.workspaceId, otherIds, into.person.id);
  await handedFollow(manager, who.workspaceId, [into.person.id]);
  await joinJobs(manager, into.person.id, otherIds, fields, at);
  const apart: string[] = [];
  for (const id of otherIds) apart.push(...(await keepApartFurther(manager, who, id, into.person.id)));
  await manager.delete(Person, { id: In(otherIds) });
  await changePerson(manager, into.person, fields, {
    at,
    ...asOne([into, ...others].map(({ person }) => person)),
  });
  await assertJobs(manager, who.workspaceId, into.person.id);
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
    before: { ...before, apart, parts, handed: handed.map((one) => [one.destination_id, one.subject_id]), fieldsAfter },
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

/** What stands in the one record of several: the first of them that says something is right. */
function asOne(
  people: readonly Person[],
): Pick<Person, 'kind' | 'tags' | 'rating' | 'leadStatus' | 'closed' | 'qualifiedAt'> {
  const first = <K extends 'rating' | 'leadStatus' | 'qualifiedAt'>(name: K) =>
    people.find((person) => person[name])?.[name] ?? null;
  const isContact = people.some(({ kind }) => kind === 'contact');
  // A lead that somebody else is still working on is not closed.
  const isClosed = !isContact && people.every(({ closed }) => closed);
  return {
    kind: isContact ? 'contact' : 'lead',
    tags: distinctTags(people.flatMap(({ tags }) => tags)),
    rating: first('rating'),
    leadStatus: first('leadStatus'),
    closed: isClosed ? people[0]!.closed : null,
    qualifiedAt: isContact ? first('qualifiedAt') : null,
  };
}

/**
 * All jobs of the records become jobs of the one that stays. The current one is that which the fields name; what else was current
 * ends now, and one that two records told is told once.
 */
async function joinJobs(
  manager: EntityManager,
  intoId: string,
  otherIds: readonly string[],
  { company }: PersonFields,
  at: Date,
): Promise<void> {
  const jobs = await manager.find(Employment, {
    where: { personId: In([intoId, ...otherIds]) },
    relations: { company: true },
    order: { startedAt: 'DESC', id: 'DESC' },
  });
  const own = (job: Employment) => job.personId === intoId;
  const current = jobs.filter((job) => job.endedAt === null).sort((a, b) => Number(own(b)) - Number(own(a)));
  const named = current.find((job) => foldTight(job.company?.name ?? '') === foldTight(company));
  // A firm that none of them names was written just now: it corrects the job of the record that stays.
  const stays = named ?? current[0];
  const ended = current.filter((job) => job !== stays && job.companyId !== stays?.companyId);
  const told = new Set<string>();
  for (const job of jobs) {
    const isFormer = job.endedAt !== null || ended.includes(job);
    const key = `${job.companyId} ${foldTight(job.title)} ${isFormer ? (job.endedAt ?? at).toISOString().slice(0, 10) : 'now'}`;
    const isTwice = (isFormer && told.has(key)) || (!isFormer && job !== stays);
    told.add(key);
    if (isTwice) await manager.delete(Employment, { id: job.id });
    // The old job ends before the new one begins: there is never more than one.
    else if (isFormer)
      await manager.update(Employment, { id: job.id }, { personId: intoId, endedAt: job.endedAt ?? at });
  }
  if (stays && !own(stays)) await manager.update(Employment, { id: stays.id }, { personId: intoId });
}

/** The jobs that a merge ended or told once, of somebody who was changed since: they come back unless another is current now. */
async function putOwnJobsBack(
  manager: EntityManager,
  workspaceId: string,
  intoId: string,
  own: readonly Row[],
  mergedAt: Date,
): Promise<void> {
  const now = await manager.findBy(Employment, { personId: intoId });
  const isThere = new Set(now.map(({ id }) => id));
  await putRowsBack(
    manager,
    workspaceId,
    'employment',
    own.filter((row) => row.ended_at !== null && !isThere.has(row.id)),
  );
  if (now.some((job) => job.endedAt === null)) return;
  const current = own.find((row) => row.ended_at === null);
  const endedByMerge = now.find(({ id, endedAt }) => id === current?.id && endedAt?.getTime() === mergedAt.getTime());
  if (current && (endedByMerge || !isThere.has(current.id)))
    await putRowsBack(manager, workspaceId, 'employment', [current]);
}

/** Nobody has two jobs at once, or has left the one they have now at this very moment. @throws Error, which undoes everything */
async function assertJobs(manager: EntityManager, workspaceId: string, personId: string): Promise<void> {
  if (await jobsContradict(manager, workspaceId, personId))
    throw new Error('The jobs of a person contradict each other.');
}

async function rowsOf(
  manager: EntityManager,
  workspaceId: string,
  ids: string[],
): Promise<Omit<MergeSnapshot, 'fieldsBefore' | 'fieldsAfter' | 'apart' | 'handed' | 'parts'>> {
  return {
    schema: SNAPSHOT_SCHEMA,
    people: await wholeRows(manager, workspaceId, 'person', ids),
    employments: await wholeRows(manager, workspaceId, 'employment', ids),
    contactPoints: await wholeRows(manager, workspaceId, 'contact_point', ids),
    notes: await ownersOf(manager, workspaceId, 'note', ids),
    cards: await ownersOf(manager, workspaceId, 'card', ids),
    consents: await ownersOf(manager, workspaceId, 'consent', ids),
    tasks: await ownersOf(manager, workspaceId, 'task', ids),
    messages: await ownersOf(manager, workspaceId, 'message', ids),
    bookings: await ownersOf(manager, workspaceId, 'booking', ids),
    enrolments: await ownersOf(manager, workspaceId, 'enrolment', ids),
    attachments: await ownersOf(manager, workspaceId, 'attachment', ids),
    shares: await ownersOf(manager, workspaceId, 'share', ids),
    receipts: await ownersOf(manager, workspaceId, 'filing_receipt', ids),
  };
}

/**
 * Parts again what was merged: every row is as it was before. What was changed since stays changed, unless it contradicts.
 * @throws ProblemError 404, or 409 that says which later change stands against it
 */
export const undoMerge = (database: DataSource, who: SignedIn, mergeId: string): Promise<void> =>
  inWorkspace(database, who.workspaceId, (manager) => undoMergeIn(manager, who, mergeId));

/** As `undoMerge`, within a transaction. */
export async function undoMergeIn(manager: EntityManager, who: SignedIn, mergeId: string): Promise<void> {
  const merge = await manager.findOne(Merge, { where: { id: mergeId }, lock: { mode: 'pessimistic_write' } });
  if (!merge) throw notFound('This merge');
  if (merge.undoneAt) return;
  await lockCardsOf(manager, [merge.intoId]);
  const into = await manager.findOne(Person, { where: { id: merge.intoId }, lock: { mode: 'for_no_key_update' } });
  const later = await manager.findOne(Merge, {
    where: { intoId: merge.intoId, undoneAt: IsNull() },
    order: { at: 'DESC' },
  });
  if (!into) throw conflict('merged-again', 'This person has been merged into another since. Undo that first.');
  if (into.deletedAt) throw conflict('deleted', 'This person has been deleted since. Bring it back first.');
  if (later && later.id !== merge.id)
    throw conflict('merged-again', 'Others were merged into this person since. Undo that first.');
  const before = snapshotOf(merge.before);
  const now = (await loadFields(manager, [into.id])).get(into.id)!.fields;
  const unchanged = into.version === merge.afterVersion;
  const kept = unchanged ? undefined : keptChanges(before, now);
  const at = new Date();
  const ids = [into.id, ...merge.otherIds];

  const others = before.employments.filter((row) => row.person_id !== into.id);
  const own = before.employments.filter((row) => row.person_id === into.id);
  await manager.delete(Employment, { id: In((unchanged ? before.employments : others).map(({ id }) => id)) });
  if (unchanged)
    for (const entity of [ContactPoint, Employment])
      await manager.delete(entity as typeof ContactPoint, { personId: into.id });
  // Whoever saw a record before, also as it was before the merge, must look again.
  const people = before.people.map((row) => ({
    ...row,
    version: Math.max(Number(row.version), row.id === into.id ? into.version : 0) + 1,
  }));
  await putRowsBack(manager, who.workspaceId, 'person', unchanged ? people : people.filter(({ id }) => id !== into.id));
  await putRowsBack(manager, who.workspaceId, 'employment', unchanged ? before.employments : others);
  await putRowsBack(
    manager,
    who.workspaceId,
    'contact_point',
    unchanged ? before.contactPoints : before.contactPoints.filter((row) => row.person_id !== into.id),
  );
  await giveBack(manager, who.workspaceId, before, into.id);
  await moveHandedBack(manager, who.workspaceId, before.handed ?? [], into.id);
  await partAgain(manager, who.workspaceId, before.parts ?? [], ids);
  await handedFollow(manager, who.workspaceId, ids);
  if (kept) {
    await putOwnJobsBack(manager, who.workspaceId, into.id, own, merge.at);
    await changePerson(manager, into, kept, { at });
  }
  await atPresentFirms(manager, who.workspaceId, ids);
  const loaded = await loadFields(manager, ids);
  for (const [personId, { fields }] of loaded) {
    if (personId !== into.id || unchanged)
      await saveMatchKeys(manager, { workspaceId: who.workspaceId, personId }, fields);
  }
  for (const other of before.apart ?? []) await noLongerApart(manager, who.workspaceId, into.id, other);
  for (const personId of ids) await assertJobs(manager, who.workspaceId, personId);
  await manager.update(Merge, { id: merge.id }, { undoneAt: at });
  for (const personId of ids) await log(manager, who, { personId, action: 'unmerged', at });
}

/** The person's fields with those that the merge changed as they were before, and later changes of others kept. @throws ProblemError 409 */
function keptChanges({ fieldsBefore, fieldsAfter }: MergeSnapshot, now: PersonFields): PersonFields {
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

/** What was moved goes back to whose it was; what came since stays. */
async function giveBack(
  manager: EntityManager,
  workspaceId: string,
  before: MergeSnapshot,
  intoId: string,
): Promise<void> {
  const moved = {
    note: before.notes,
    card: before.cards,
    consent: before.consents,
    task: before.tasks,
    message: before.messages,
    booking: before.bookings,
    enrolment: before.enrolments,
    attachment: before.attachments,
    share: before.shares,
    filing_receipt: before.receipts,
  } as const;
  for (const [table, owners] of Object.entries(moved))
    await moveBack(
      manager,
      workspaceId,
      table as keyof typeof moved,
      owners.filter(([, personId]) => personId !== intoId),
      intoId,
    );
}
