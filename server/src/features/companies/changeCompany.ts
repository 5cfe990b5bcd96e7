import type { CompanyMerge, CompanyRename, PeopleMove } from '@dossier/contract';
import { may } from '@dossier/core/account';
import { In, IsNull, Not, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound, ProblemError } from '../../platform/problem';
import type { SignedIn, Visitor } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { Company, companyNamed, CompanyName, keysOfName, tellOfFirm } from '../people';
import { CompanyAct } from './entities';
import { familyOf, lockStaff, moveJobs } from './queries';

/**
 * A firm gets another name; the one it had still means it.
 * @throws ProblemError 404, or 409 when it changed since the version named, or another firm is called so
 */
export const renameCompany = (database: DataSource, who: SignedIn, id: string, as: CompanyRename): Promise<void> =>
  inWorkspace(database, who.workspaceId, (manager) => renameIn(manager, who, id, as));

/** As `renameCompany`, within a transaction. Nothing is written where it throws. */
export async function renameIn(
  manager: EntityManager,
  who: SignedIn,
  id: string,
  { name, version }: CompanyRename,
): Promise<void> {
  const staff = await lockStaff(manager, who.workspaceId, [id]);
  const [company] = await locked(manager, who.workspaceId, [id]);
  if (company!.version !== version) throw conflict('stale', 'Somebody changed this firm meanwhile. Look at it again.');
  const before = company!.name;
  if (name === before) return;
  const keys = keysOfName(name);
  const family = await familyOf(manager, who.workspaceId, id);
  const other = await manager.findOneBy(Company, { workspaceId: who.workspaceId, nameKey: keys.nameKey, mergedInto: IsNull(), id: Not(id) }); // prettier-ignore
  if (other) throw conflict('firm-exists', `There is a firm “${other.name}” already. Bring the two together instead.`);
  await manager.update(Company, { id }, { name, ...keys, version: version + 1 });
  await manager.delete(CompanyName, { companyId: In(family), nameKey: keys.nameKey });
  await keepSpelling(manager, company!, before);
  await logAct(manager, who, { companyId: id, otherId: null, action: 'renamed', before, after: name, employmentIds: [] }); // prettier-ignore
  await tellOfFirm(manager, who, staff, before, name);
}

const keepSpelling = (manager: EntityManager, { id: companyId, workspaceId }: Company, name: string) =>
  manager
    .createQueryBuilder()
    .insert()
    .into(CompanyName)
    .values({ id: uuidv7(), workspaceId, companyId, name, ...keysOfName(name) })
    .orIgnore()
    .execute();

/** Other firms turn out to be this one: their people are its people, their names mean it. @throws ProblemError 404, 409 */
export function mergeCompanies(
  database: DataSource,
  who: SignedIn,
  id: string,
  { otherIds }: CompanyMerge,
): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const others = [...new Set(otherIds)].filter((other) => other !== id).sort();
    if (others.length === 0) throw new ProblemError(400, 'same-firm', 'The same firm', 'Choose another firm.');
    await lockStaff(manager, who.workspaceId, others);
    const firms = new Map((await locked(manager, who.workspaceId, [id, ...others])).map((firm) => [firm.id, firm]));
    const into = firms.get(id)!;
    for (const other of others) {
      const { name } = firms.get(other)!;
      const moved = await moveJobs(manager, who.workspaceId, other, id);
      await manager.update(Company, { id: other }, { mergedInto: id, version: () => 'version + 1' });
      await logAct(manager, who, {
        companyId: id,
        otherId: other,
        action: 'merged',
        before: name,
        after: into.name,
        employmentIds: moved.map((job) => job.id),
      });
      await tellOfFirm(manager, who, present(moved), name, into.name);
    }
    await manager.update(Company, { id }, { version: into.version + 1 });
  });
}

/**
 * People of a firm belong to another one: one that there is, or a new one of that name.
 * @returns the id of the other firm @throws ProblemError 404, 400 when it is the same, 409 when none of them works there any more
 */
export function movePeople(
  database: DataSource,
  who: SignedIn,
  id: string,
  { personIds, to }: PeopleMove,
): Promise<string> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const { workspaceId } = who;
    const staff = await lockStaff(manager, workspaceId, [id], personIds);
    if (staff.length === 0) throw conflict('not-there', 'None of them works at this firm any more. Look at it again.');
    const otherId = await companyNamed(manager, workspaceId, to);
    if (otherId === id)
      throw new ProblemError(400, 'same-firm', 'The same firm', `“${to}” is this firm, or was. Write another name.`);
    const firms = new Map((await locked(manager, workspaceId, [id, otherId])).map((firm) => [firm.id, firm]));
    const [from, other] = [firms.get(id)!, firms.get(otherId)!];
    const moved = await moveJobs(manager, workspaceId, id, otherId, { present: staff });
    await logAct(manager, who, {
      companyId: id,
      otherId,
      action: 'moved',
      before: from.name,
      after: other.name,
      employmentIds: moved.map((job) => job.id),
    });
    await tellOfFirm(manager, who, present(moved), from.name, other.name);
    return otherId;
  });
}

/**
 * Parts firms again that were brought together, or gives people back to the firm they were moved from; who has another firm since
 * keeps it. @throws ProblemError 404, or 409 that says what stands against it
 */
export function undoCompanyAct(database: DataSource, who: Visitor, actId: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const { workspaceId } = who;
    const act = await manager.findOne(CompanyAct, {
      where: { id: actId, workspaceId },
      lock: { mode: 'pessimistic_write' },
    });
    if (!act?.otherId) throw notFound('This change');
    if (act.undoneAt) return;
    const isMerge = act.action === 'merged';
    if (isMerge && !may(who.role, 'merge'))
      throw new ProblemError(403, 'not-for-your-role', 'Not yours to do', 'Your role does not include parting firms.');
    const [home, guest] = isMerge ? [act.otherId, act.companyId] : [act.companyId, act.otherId];
    await lockStaff(manager, workspaceId, [guest]);
    if (isMerge) await partAgain(manager, workspaceId, home, guest);
    const firms = new Map((await locked(manager, workspaceId, [home, guest])).map((firm) => [firm.id, firm]));
    const moved = await moveJobs(manager, workspaceId, guest, home, { jobs: act.employmentIds });
    await manager.update(CompanyAct, { id: actId }, { undoneAt: new Date() });
    await tellOfFirm(manager, who, present(moved), firms.get(guest)!.name, firms.get(home)!.name);
  });
}

async function partAgain(manager: EntityManager, workspaceId: string, id: string, from: string): Promise<void> {
  const part = await manager.findOneByOrFail(Company, { id, workspaceId });
  if (part.mergedInto !== from)
    throw conflict('merged-again', 'These firms have been parted already, or brought together with another since.');
  const { nameKey } = part;
  const named = await manager.findOneBy(Company, { workspaceId, nameKey, mergedInto: IsNull(), id: Not(id) });
  if (named) throw conflict('firm-exists', `“${named.name}” is the name of a firm by now. Give that one another name first.`); // prettier-ignore
  await manager.update(Company, { id }, { mergedInto: null, version: () => 'version + 1' });
}

/** @throws ProblemError 404 for a firm that is not here, 409 for one that has become another one */
async function locked(manager: EntityManager, workspaceId: string, ids: readonly string[]): Promise<Company[]> {
  const firms = await manager.find(Company, {
    where: { id: In([...ids]), workspaceId },
    order: { id: 'ASC' },
    lock: { mode: 'for_no_key_update' },
  });
  if (firms.length < ids.length) throw notFound('This firm');
  const gone = firms.find((firm) => firm.mergedInto !== null);
  if (gone) throw conflict('merged', `“${gone.name}” has been brought together with another firm. Look at that one.`);
  return firms;
}

const present = (jobs: readonly { personId: string; isPresent: boolean }[]): string[] => [
  ...new Set(jobs.filter((job) => job.isPresent).map((job) => job.personId)),
];

type Act = Pick<CompanyAct, 'companyId' | 'otherId' | 'action' | 'before' | 'after' | 'employmentIds'>;

const logAct = (manager: EntityManager, { workspaceId, accountId: actorId }: SignedIn, act: Act) =>
  manager.insert(CompanyAct, { ...act, id: uuidv7(), workspaceId, actorId, at: new Date(), undoneAt: null });
