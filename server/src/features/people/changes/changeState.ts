import type { PeopleChanges, PeopleChangeState } from '@dossier/contract';
import { may } from '@dossier/core/account';
import { LessThan, type DataSource, type EntityManager } from 'typeorm';
import { notFound } from '../../../platform/problem';
import type { Visitor } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { Workspace } from '../../account';
import { KEPT_DAYS } from '../deletedPeople';
import { namesOf } from '../list/queries';
import { PeopleChangeRecord } from './entities';
import { countByState, leftPeople } from './queries';

const SHOWN_LEFT = 50;
const LATEST = 30;
const DAY_MS = 24 * 60 * 60 * 1000;

/** Whoever made a change can stop it and take it back, and whoever settles what holds for everybody. */
export const isOwnChange = ({ accountId, role }: Visitor, change: PeopleChangeRecord): boolean =>
  change.madeBy === accountId || may(role, 'settle');

/** How far a change of many is. @throws ProblemError 404 */
export const peopleChangeState = (database: DataSource, who: Visitor, id: string): Promise<PeopleChangeState> =>
  inSnapshot(database, who.workspaceId, (manager) => stateOf(manager, who, id));

/** The latest changes of many in the workspace. */
export const latestChanges = (database: DataSource, who: Visitor): Promise<PeopleChanges> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const { workspaceId } = who;
    const order = { at: 'DESC', id: 'DESC' } as const;
    const changes = await manager.find(PeopleChangeRecord, {
      where: { workspaceId },
      relations: { maker: true },
      order,
      take: LATEST,
    });
    return { items: await statesOf(manager, who, changes) };
  });

export async function stateOf(manager: EntityManager, who: Visitor, id: string): Promise<PeopleChangeState> {
  const change = await manager.findOne(PeopleChangeRecord, {
    where: { id, workspaceId: who.workspaceId },
    relations: { maker: true },
  });
  if (!change) throw notFound('This change');
  const [state] = await statesOf(manager, who, [change]);
  return state!;
}

async function statesOf(
  manager: EntityManager,
  who: Visitor,
  changes: readonly PeopleChangeRecord[],
): Promise<PeopleChangeState[]> {
  const { workspaceId } = who;
  const ids = changes.map(({ id }) => id);
  const counts = await countByState(manager, workspaceId, ids);
  const named = async (table: 'account' | 'occasion' | 'plan', wanted: (string | null | undefined)[]) => {
    const found = wanted.filter((id) => id !== null && id !== undefined);
    return new Map((await namesOf(manager, workspaceId, table, found)).map(({ id, name }) => [id, name]));
  };
  const owners = await named('account', changes.map(({ what }) => what.ownerId)); // prettier-ignore
  const occasions = await named('occasion', changes.map(({ what }) => what.occasionId)); // prettier-ignore
  const plans = await named('plan', changes.map(({ what }) => what.planId)); // prettier-ignore
  const states: PeopleChangeState[] = [];
  for (const change of changes) {
    const { id, state, what, at, maker } = change;
    const { waiting = 0, changed = 0, same = 0, left = 0, undone = 0, kept = 0 } = counts.get(id)!;
    const isBack = state === 'undoing' || state === 'undone';
    const leftTotal = isBack ? kept : left;
    const numbers = isBack
      ? { total: changed + undone + kept, done: undone + kept, changed: undone }
      : { total: waiting + changed + same + left, done: changed + same + left, changed };
    states.push({
      id,
      state,
      at: at.toISOString(),
      by: maker?.name ?? '',
      what,
      owner: (what.ownerId && owners.get(what.ownerId)) || null,
      occasion: (what.occasionId && occasions.get(what.occasionId)) || null,
      plan: (what.planId && plans.get(what.planId)) || null,
      ...numbers,
      left: leftTotal > 0 ? await leftPeople(manager, workspaceId, id, isBack ? 'kept' : 'left', SHOWN_LEFT) : [],
      leftTotal,
      isOwn: isOwnChange(who, change),
    });
  }
  return states;
}

/** What a change of many keeps of people is kept for as long as deleted people are. @returns how many changes are forgotten */
export async function forgetOldChanges(database: DataSource): Promise<number> {
  const before = new Date(Date.now() - KEPT_DAYS * DAY_MS);
  let forgotten = 0;
  for (const { id: workspaceId } of await database.getRepository(Workspace).find({ select: { id: true } }))
    forgotten += await inWorkspace(database, workspaceId, async (manager) => {
      const { affected } = await manager.delete(PeopleChangeRecord, { workspaceId, at: LessThan(before) });
      return affected ?? 0;
    });
  return forgotten;
}
