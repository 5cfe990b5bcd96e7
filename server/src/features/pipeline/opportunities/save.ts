import type { NewOpportunity, OpportunityAct, OpportunityEdit, OpportunityEnd, OpportunityFields, OpportunityMove } from '@dossier/contract'; // prettier-ignore
import { In, IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { storage } from '../../../platform/storage';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Account } from '../../account';
import { Occasion, ownerIn } from '../../capture';
import { Company, currentOf, Person } from '../../people';
import { OpportunityActRecord, OpportunityFile, OpportunityPerson, OpportunityRecord, Stage } from '../entities';
import { haveStages, stagesIn } from '../settings/stages';

type Changes = OpportunityAct['changes'];

/** Makes a piece of business; the same id twice is the same one. @returns its id @throws ProblemError 404 for what it names and is not here */
export async function makeOpportunity(database: DataSource, who: SignedIn, fields: NewOpportunity): Promise<string> {
  await haveStages(database, who.workspaceId);
  return inWorkspace(database, who.workspaceId, (manager) => makeIn(manager, who, fields));
}

/** As `makeOpportunity`, within a transaction. */
export async function makeIn(manager: EntityManager, who: SignedIn, fields: NewOpportunity): Promise<string> {
  const { workspaceId, accountId } = who;
  const id = fields.id ?? uuidv7();
  if (fields.id && (await manager.existsBy(OpportunityRecord, { id, workspaceId }))) return id;
  const own = await checked(manager, who, fields, accountId);
  const stages = await stagesIn(manager, workspaceId);
  const stage = fields.stageId ? stages.find((one) => one.id === fields.stageId) : stages[0];
  if (!stage) throw notFound('This stage');
  const at = new Date();
  const row = {
    ...own, id, workspaceId, stageId: stage.id, stageSince: at, state: 'open' as const, endedAt: null, endReason: null, endWords: '',
    madeBy: accountId, madeAt: at, changedAt: at, version: 1,
  }; // prettier-ignore
  await manager.insert(OpportunityRecord, row);
  await writePeople(manager, workspaceId, id, fields.people);
  await tell(manager, who, row, 'made', at, []);
  return id;
}

/** What it is to say, with all that it names looked up. @throws ProblemError 404 */
async function checked(
  manager: EntityManager,
  { workspaceId }: SignedIn,
  { title, companyId, value, currency, expectedOn, chance, about, ownerId, occasionId, people }: OpportunityFields,
  ownerElse: string,
) {
  const company = companyId ? await manager.findOneBy(Company, { id: companyId, workspaceId }) : null;
  if (companyId && !company) throw notFound('This firm');
  const owner = ownerId ? await ownerIn(manager, workspaceId, ownerId) : ownerElse;
  if (!owner) throw notFound('This colleague');
  if (occasionId && !(await manager.existsBy(Occasion, { id: occasionId, workspaceId }))) throw notFound('This occasion'); // prettier-ignore
  const ids = people.map(({ personId }) => personId);
  if ((await manager.countBy(Person, { id: In(ids), workspaceId, deletedAt: IsNull() })) < ids.length)
    throw notFound('One of these people');
  const now = company ? (await currentOf(manager, company)).id : null;
  return { title, companyId: now, value, currency, expectedOn, chance, about, ownerId: owner, occasionId };
}

async function writePeople(
  manager: EntityManager,
  workspaceId: string,
  opportunityId: string,
  people: OpportunityFields['people'],
): Promise<void> {
  await manager.delete(OpportunityPerson, { opportunityId, workspaceId });
  if (people.length > 0)
    await manager.insert(
      OpportunityPerson,
      people.map(({ personId, part }) => ({ opportunityId, personId, workspaceId, part })),
    );
}

const tell = (
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  { id, stageId, state, value, currency }: Pick<OpportunityRecord, 'id' | 'stageId' | 'state' | 'value' | 'currency'>,
  kind: OpportunityAct['kind'],
  at: Date,
  changes: Changes,
): Promise<unknown> =>
  manager.insert(OpportunityActRecord, {
    id: uuidv7(), workspaceId, opportunityId: id, at, actorId: accountId, kind, stageId, state, value, currency, changes,
  }); // prettier-ignore

/** One of them for this transaction alone, as it was seen. @throws ProblemError 404, 409 that says who did what to it since */
async function locked(
  manager: EntityManager,
  { workspaceId }: SignedIn,
  id: string,
  version: number | undefined,
): Promise<OpportunityRecord> {
  const record = await manager.findOne(OpportunityRecord, {
    where: { id, workspaceId },
    lock: { mode: 'pessimistic_write' },
  });
  if (!record) throw notFound('This opportunity');
  if (version !== undefined && version !== record.version) {
    const last = await manager.findOne(OpportunityActRecord, { where: { opportunityId: id, workspaceId }, order: { at: 'DESC', id: 'DESC' }, relations: { actor: true, stage: true } }); // prettier-ignore
    throw conflict('opportunity-changed', `${last?.actor?.name ?? 'Somebody'} ${DONE[last?.kind ?? 'changed'](last?.stage?.name ?? '')} in the meantime. Look at it again.`); // prettier-ignore
  }
  return record;
}

const DONE: Record<OpportunityAct['kind'], (stage: string) => string> = {
  made: () => 'made this',
  moved: (stage) => `moved this to “${stage}”`,
  changed: () => 'changed this',
  won: () => 'won this',
  lost: () => 'closed this as lost',
  reopened: () => 'opened this again',
};

/** @throws ProblemError 404, 409 where it changed since the version named */
export const changeOpportunity = (
  database: DataSource,
  who: SignedIn,
  id: string,
  edit: OpportunityEdit,
): Promise<void> => inWorkspace(database, who.workspaceId, (manager) => changeIn(manager, who, id, edit));

/** As `changeOpportunity`, within a transaction. */
export async function changeIn(
  manager: EntityManager,
  who: SignedIn,
  id: string,
  { version, ...fields }: OpportunityEdit,
): Promise<void> {
  const { workspaceId } = who;
  const record = await locked(manager, who, id, version);
  const next = await checked(manager, who, fields, record.ownerId);
  const changes = await changesOf(manager, record, next, fields.people);
  if (changes.length === 0) return;
  const at = new Date();
  await manager.update(OpportunityRecord, { id }, { ...next, changedAt: at, version: record.version + 1 });
  await writePeople(manager, workspaceId, id, fields.people);
  await tell(manager, who, { ...record, ...next }, 'changed', at, changes);
}

/** What of it is another now, with names for ids. */
async function changesOf(
  manager: EntityManager,
  record: OpportunityRecord,
  next: Awaited<ReturnType<typeof checked>>,
  people: OpportunityFields['people'],
): Promise<Changes> {
  const named = async (entity: typeof Account | typeof Occasion | typeof Company, id: string | null) =>
    id ? ((await manager.findOneBy(entity as typeof Account, { id }))?.name ?? '') : '';
  const parts = async (of: readonly { personId: string; part: string }[]) => {
    const found = await manager.findBy(Person, { id: In(of.map(({ personId }) => personId)) });
    const names = new Map(found.map(({ id, fullName }) => [id, fullName]));
    return of.map(({ personId, part }) => `${names.get(personId) ?? ''}: ${part}`).sort().join(', '); // prettier-ignore
  };
  const before = await manager.findBy(OpportunityPerson, { opportunityId: record.id });
  const worth = ({ value, currency }: { value: number | null; currency: string }) =>
    value === null ? '' : `${value.toFixed(2)} ${currency}`;
  return [
    { field: 'title', before: record.title, after: next.title },
    { field: 'company', before: await named(Company, record.companyId), after: await named(Company, next.companyId) },
    { field: 'value', before: worth(record), after: worth(next) },
    { field: 'currency', before: record.currency, after: next.currency },
    { field: 'expectedOn', before: record.expectedOn ?? '', after: next.expectedOn ?? '' },
    { field: 'chance', before: record.chance?.toString() ?? '', after: next.chance?.toString() ?? '' },
    { field: 'about', before: record.about.join(', '), after: next.about.join(', ') },
    { field: 'owner', before: await named(Account, record.ownerId), after: await named(Account, next.ownerId) },
    { field: 'occasion', before: await named(Occasion, record.occasionId), after: await named(Occasion, next.occasionId) }, // prettier-ignore
    { field: 'people', before: await parts(before), after: await parts(people) },
  ].filter((change) => change.before !== change.after);
}

/** Into another stage. @throws ProblemError 404, 409 where it changed since the version named or is over */
export const moveOpportunity = (
  database: DataSource,
  who: SignedIn,
  id: string,
  move: OpportunityMove,
): Promise<void> => inWorkspace(database, who.workspaceId, (manager) => moveIn(manager, who, id, move));

/** As `moveOpportunity`, within a transaction. @param version any where it is left out */
export async function moveIn(
  manager: EntityManager,
  who: SignedIn,
  id: string,
  { stageId, version }: Partial<OpportunityMove> & Pick<OpportunityMove, 'stageId'>,
): Promise<void> {
  const record = await locked(manager, who, id, version);
  if (record.state !== 'open') throw conflict('opportunity-over', 'This is over. Open it again first.');
  const stages = await manager.findBy(Stage, { workspaceId: who.workspaceId, id: In([stageId, record.stageId]) });
  const to = stages.find((stage) => stage.id === stageId && !stage.removedAt);
  if (!to) throw notFound('This stage');
  if (to.id === record.stageId) return;
  const at = new Date();
  await manager.update(OpportunityRecord, { id }, { stageId, stageSince: at, changedAt: at, version: record.version + 1 }); // prettier-ignore
  const before = stages.find((stage) => stage.id === record.stageId)?.name ?? '';
  await tell(manager, who, { ...record, stageId }, 'moved', at, [{ field: 'stage', before, after: to.name }]);
}

/** Won, lost, or open again. @throws ProblemError 404, 409 where it changed since the version named */
export const endOpportunity = (database: DataSource, who: SignedIn, id: string, end: OpportunityEnd): Promise<void> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    const record = await locked(manager, who, id, end.version);
    if (record.state === end.state) return;
    const at = new Date();
    const over = end.state === 'open' ? { endedAt: null, endReason: null, endWords: '' } : { endedAt: at, endReason: end.reason, endWords: end.words }; // prettier-ignore
    // Open again it begins its stage anew: nothing is stale at once.
    const since = end.state === 'open' ? { stageSince: at } : {};
    await manager.update(OpportunityRecord, { id }, { ...over, ...since, state: end.state, changedAt: at, version: record.version + 1 }); // prettier-ignore
    const told = end.state === 'open' ? [] : [{ field: 'reason', before: '', after: [end.reason, end.words].filter(Boolean).join(': ') }]; // prettier-ignore
    await tell(manager, who, { ...record, state: end.state }, end.state === 'open' ? 'reopened' : end.state, at, told.filter(({ after }) => after)); // prettier-ignore
  });

/** Takes it away for good, with its notes, files and tasks. @throws ProblemError 404, 409 where it changed since the version named */
export const removeOpportunity = (database: DataSource, who: SignedIn, id: string, version: number): Promise<void> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    await locked(manager, who, id, version);
    await removeIn(manager, who, id);
  });

export async function removeIn(manager: EntityManager, { workspaceId }: SignedIn, id: string): Promise<void> {
  const files = await manager.findBy(OpportunityFile, { opportunityId: id, workspaceId });
  await manager.delete(OpportunityRecord, { id, workspaceId });
  await storage.remove(manager, files.map(({ fileId }) => fileId)); // prettier-ignore
}
