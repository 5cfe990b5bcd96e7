import type { DeletedPeople } from '@dossier/contract';
import { IsNull, LessThan, Not, type DataSource } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { ChangeLogEntry, Person } from './entities';
import { eraseLocked } from './erasePerson';

/** So long somebody who was deleted can be brought back. */
export const KEPT_DAYS = 30;
const MOST = 500;
const DAY_MS = 24 * 60 * 60 * 1000;

/** Whom somebody deleted and can still bring back, the latest first. */
export function deletedPeople(database: DataSource, { workspaceId }: SignedIn): Promise<DeletedPeople> {
  return inSnapshot(database, workspaceId, async (manager) => {
    const people = await manager.find(Person, {
      where: { deletedAt: Not(IsNull()) },
      order: { deletedAt: 'DESC', id: 'DESC' },
      take: MOST,
    });
    return {
      items: people.map(({ id, fullName, deletedAt }) => ({
        personId: id,
        fullName,
        deletedAt: deletedAt!.toISOString(),
        goneAt: new Date(deletedAt!.getTime() + KEPT_DAYS * DAY_MS).toISOString(),
      })),
    };
  });
}

/** Forgets for good who was deleted a month ago, in the name of whoever deleted them. @returns how many */
export async function eraseLongDeleted(database: DataSource): Promise<number> {
  const before = new Date(Date.now() - KEPT_DAYS * DAY_MS);
  let erased = 0;
  for (const { id: workspaceId } of await database.getRepository(Workspace).find({ select: { id: true } })) {
    const ids = await inSnapshot(database, workspaceId, (manager) =>
      manager.find(Person, { where: { deletedAt: LessThan(before) }, select: { id: true }, take: MOST }),
    );
    for (const { id } of ids) {
      await inWorkspace(database, workspaceId, async (manager) => {
        const deletion = await manager.findOne(ChangeLogEntry, {
          where: { personId: id, action: 'deleted' },
          order: { at: 'DESC' },
        });
        // Somebody may have brought them back since they were listed.
        if (!deletion || !(await manager.existsBy(Person, { id, deletedAt: LessThan(before) }))) return;
        await eraseLocked(manager, { workspaceId, accountId: deletion.actorId }, id);
        erased++;
      });
    }
  }
  return erased;
}
