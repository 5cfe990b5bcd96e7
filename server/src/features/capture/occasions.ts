import type { CardOccasion, Occasion as OccasionView, OccasionFields } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { lockId } from '../../platform/lockId';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Occasion } from './entities';
import { cardsByOccasion, isInTeam } from './queries';

/** All occasions of a workspace, the open ones first and then the latest. */
export function listOccasions(database: DataSource, who: SignedIn): Promise<OccasionView[]> {
  return inSnapshot(database, who.workspaceId, async (manager) => {
    const occasions = await manager.find(Occasion, { order: { closed: 'ASC', createdAt: 'DESC', id: 'DESC' } });
    const counts = await cardsByOccasion(manager, who.workspaceId);
    const countOf = new Map(counts.map((row) => [row.id, row]));
    return occasions.map((occasion) => ({
      ...fieldsOf(occasion),
      id: occasion.id,
      inTray: countOf.get(occasion.id)?.in_tray ?? 0,
      filed: countOf.get(occasion.id)?.filed ?? 0,
    }));
  });
}

/** Makes an occasion under the id its device gave it, or changes it; the same request again changes nothing. */
export function saveOccasion(database: DataSource, who: SignedIn, id: string, fields: OccasionFields): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await lockId(manager, id);
    const ownerId = await ownerIn(manager, who.workspaceId, fields.ownerId);
    const row = { ...fields, ownerId };
    const { affected } = await manager.update(Occasion, { id }, row);
    if (!affected) await manager.insert(Occasion, { ...row, id, workspaceId: who.workspaceId, createdAt: new Date() });
    await announce(manager, who.workspaceId, { photoId: id, state: 'changed', progress: null });
  });
}

/** An account of the workspace; null for one that is not there (any more). */
export async function ownerIn(
  manager: EntityManager,
  workspaceId: string,
  ownerId: string | null,
): Promise<string | null> {
  if (!ownerId) return null;
  return (await isInTeam(manager, workspaceId, ownerId)) ? ownerId : null;
}

/** The id of an occasion that is here; null for none, or for one that is not here: nothing is lost for its sake. */
export async function knownOccasion(manager: EntityManager, id: string | null | undefined): Promise<string | null> {
  return id && (await manager.existsBy(Occasion, { id })) ? id : null;
}

export const cardOccasion = (occasion: Occasion | null | undefined): CardOccasion | null =>
  occasion
    ? {
        id: occasion.id,
        name: occasion.name,
        kind: occasion.kind,
        tags: occasion.tags,
        ownerId: occasion.ownerId,
        planId: occasion.planId,
      }
    : null;

const fieldsOf = ({
  name,
  place,
  startsOn,
  endsOn,
  tags,
  kind,
  ownerId,
  keepPictures,
  country,
  languages,
  filesItself,
  planId,
  closed,
}: Occasion): OccasionFields => ({
  name,
  place,
  startsOn,
  endsOn,
  tags,
  kind,
  ownerId,
  keepPictures,
  country,
  languages,
  filesItself,
  planId,
  closed,
});
