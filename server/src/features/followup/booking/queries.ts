import type { EntityManager } from 'typeorm';

/** Which booking a key opens. */
export async function bookingOfKey(
  manager: EntityManager,
  key: string,
): Promise<{ id: string; workspace_id: string; account_id: string } | undefined> {
  const [row] = await manager.query<{ id: string; workspace_id: string; account_id: string }[]>(
    'select * from booking_of_key($1)',
    [key],
  );
  return row;
}

/** Workspaces in which somebody keeps free of another calendar. */
export async function workspacesWithCalendars(manager: EntityManager): Promise<string[]> {
  const rows = await manager.query<{ id: string }[]>('select * from workspaces_with_calendars() as found(id)');
  return rows.map(({ id }) => id);
}

/** What waited for somebody who was not known is theirs from now on. @returns whether there was anything */
export async function adoptOf(manager: EntityManager, workspaceId: string, cardId: string, personId: string): Promise<boolean> {
  const [rows] = await manager.query<[{ id: string; task_id: string | null }[]]>(
    'update booking set person_id = $3 where workspace_id = $1 and card_id = $2 and person_id is null returning id, task_id',
    [workspaceId, cardId, personId],
  );
  if (rows.length === 0) return false;
  const ids = rows.map(({ id }) => id);
  await manager.query('update message set person_id = $3 where workspace_id = $1 and person_id is null and booking_id = any($2::uuid[])', [workspaceId, ids, personId]); // prettier-ignore
  await manager.query('update task set person_id = $3 where workspace_id = $1 and person_id is null and id = any($2::uuid[])', [workspaceId, rows.map(({ task_id: id }) => id), personId]); // prettier-ignore
  return true;
} // prettier-ignore
