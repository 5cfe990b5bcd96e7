import type { Scope } from '@dossier/core/account';
import type { DataSource, EntityManager } from 'typeorm';

export async function isThereAWorkspace(manager: EntityManager): Promise<boolean> {
  const [row] = await manager.query<{ exists: boolean }[]>('select exists (select from workspace)');
  return row!.exists;
}

/** @returns whether it was made: not where there is one */
export async function beginFirstWorkspace(
  manager: EntityManager,
  { id, name, country }: { id: string; name: string; country: string },
): Promise<boolean> {
  const [row] = await manager.query<{ made: boolean }[]>('select begin_first_workspace($1, $2, $3) as made', [
    id,
    name,
    country,
  ]);
  return row!.made;
}

/** Between telling Dossier to apply a setting to the past and its doing so lies a day, in which it can be called off. */
const CLEARED_AFTER = '1 day';

/** @param to what is kept of what was filed before */
export const clearPastLater = (
  manager: EntityManager,
  workspaceId: string,
  to: { keepPictures: string; keepDays: number | null },
): Promise<unknown> =>
  manager.query(
    `update workspace set clear_at = now() + interval '${CLEARED_AFTER}', clear_to = $2::jsonb where id = $1`,
    [workspaceId, JSON.stringify(to)],
  );

export interface UsedToken {
  id: string;
  account_id: string;
  scopes: Scope[];
  per_minute: number;
}

/** What a token opens; when it was used is kept. @returns undefined for one that opens nothing (any more) */
export async function useApiToken(database: DataSource, hash: Buffer): Promise<UsedToken | undefined> {
  const [row] = await database.query<UsedToken[]>('select * from use_api_token($1)', [hash]);
  return row;
}

/** Whether scripts of that page may ask in any workspace. */
export async function isOriginAllowed(database: DataSource, origin: string): Promise<boolean> {
  const [row] = await database.query<{ allowed: boolean }[]>('select is_origin_allowed($1) as allowed', [origin]);
  return row!.allowed;
}
