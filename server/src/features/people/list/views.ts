import type { ListViewFields, ListViews } from '@dossier/contract';
import { may } from '@dossier/core/account';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../../platform/problem';
import type { Visitor } from '../../../platform/session';
import { inWorkspace } from '../../../platform/workspaceScope';
import { ListView } from './entities';
import { listOfAddress } from './listOfAddress';

const MOST = 200;

/** Views of one's own and those that colleagues made for the team, by name. */
export function listViews(database: DataSource, { workspaceId, accountId }: Visitor): Promise<ListViews> {
  return inWorkspace(database, workspaceId, async (manager) => {
    const views = await manager.find(ListView, {
      where: [
        { workspaceId, ownerId: accountId },
        { workspaceId, forTeam: true },
      ],
      relations: { owner: true },
      order: { name: 'ASC', id: 'ASC' },
      take: MOST,
    });
    return {
      items: views.map(({ id, name, query, forTeam, ownerId, owner }) => ({
        id,
        name,
        query,
        forTeam,
        ownerId,
        owner: owner?.name ?? '',
      })),
    };
  });
}

/** @returns its id @throws ProblemError 409 when there are as many as can be shown */
export function keepView(database: DataSource, who: Visitor, fields: ListViewFields): Promise<string> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const { workspaceId, accountId } = who;
    if ((await manager.countBy(ListView, { workspaceId, ownerId: accountId })) >= MOST)
      throw new ProblemError(
        409,
        'too-many-views',
        'Too many views',
        `You have ${MOST} views. Remove some of them first.`,
      );
    listOfAddress(fields.query);
    const id = uuidv7();
    await manager.insert(ListView, { ...fields, id, workspaceId, ownerId: accountId, madeAt: new Date() });
    return id;
  });
}

/** @throws ProblemError 404 for one that is not there, or is somebody else's */
export function changeView(database: DataSource, who: Visitor, id: string, fields: ListViewFields): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await ownView(manager, who, id);
    listOfAddress(fields.query);
    await manager.update(ListView, { id }, fields);
  });
}

export function removeView(database: DataSource, who: Visitor, id: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await ownView(manager, who, id);
    await manager.delete(ListView, { id });
  });
}

/** A view for the team can be put in order by whoever settles what holds for everybody. */
async function ownView(manager: EntityManager, { workspaceId, accountId, role }: Visitor, id: string): Promise<void> {
  const view = await manager.findOneBy(ListView, { workspaceId, id });
  const isOwn = view?.ownerId === accountId || (view?.forTeam && may(role, 'settle'));
  if (!isOwn) throw notFound('This view');
}
