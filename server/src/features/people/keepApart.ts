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
