import type { EntityManager } from 'typeorm';

/** Whose card a key opens. */
export async function cardOfKey(
  manager: EntityManager,
  key: string,
): Promise<{ account_id: string; workspace_id: string } | undefined> {
  const [row] = await manager.query<{ account_id: string; workspace_id: string }[]>('select * from card_of_key($1)', [
    key,
  ]);
  return row;
}

/** Somebody has opened the page. */
export const countOpened = (manager: EntityManager, workspaceId: string, accountId: string): Promise<unknown> =>
  manager.query('update card_page set opened = opened + 1 where workspace_id = $1 and account_id = $2', [
    workspaceId,
    accountId,
  ]);
