import type { EntityManager } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { NotSame } from './recordEntities';

/** Two ids in the order in which they are kept. */
export const inOrder = (a: string, b: string): { oneId: string; otherId: string } =>
  a < b ? { oneId: a, otherId: b } : { oneId: b, otherId: a };

/** Remembers that two people, or two cards of the tray, are not the same. Said twice it is said once. */
export async function keepApart(manager: EntityManager, who: SignedIn, a: string, b: string): Promise<void> {
  if (a === b) return;
  await manager
    .createQueryBuilder()
    .insert()
    .into(NotSame)
    .values({ workspaceId: who.workspaceId, ...inOrder(a, b), by: who.accountId, at: new Date() })
    .orIgnore()
    .execute();
}

/**
 * What was said of a card holds for the person it is filed as, and of a record for the one it is merged into.
 * @returns whom that is new about
 */
export async function keepApartFurther(
  manager: EntityManager,
  who: SignedIn,
  fromId: string,
  toId: string,
): Promise<string[]> {
  const known = new Set([toId, ...(await saidApartFrom(manager, who.workspaceId, toId))]);
  const others = (await saidApartFrom(manager, who.workspaceId, fromId)).filter((other) => !known.has(other));
  for (const other of others) await keepApart(manager, who, toId, other);
  return others;
}

/** Takes back that two are not the same, where it was only carried over. */
export const noLongerApart = (manager: EntityManager, workspaceId: string, a: string, b: string): Promise<unknown> =>
  manager.delete(NotSame, { workspaceId, ...inOrder(a, b) });

/** People and cards that somebody said are not this one. */
export async function saidApartFrom(manager: EntityManager, workspaceId: string, id: string): Promise<string[]> {
  const rows = await manager.find(NotSame, {
    where: [
      { workspaceId, oneId: id },
      { workspaceId, otherId: id },
    ],
  });
  return rows.map(({ oneId, otherId }) => (oneId === id ? otherId : oneId));
}
