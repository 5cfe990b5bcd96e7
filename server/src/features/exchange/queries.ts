import type { DataSource } from 'typeorm';

/** Opens a link for somebody who is in no workspace, and counts it. @returns undefined for one that opens nothing (any more) */
export async function openShare(
  database: DataSource,
  tokenHash: Buffer,
): Promise<{ id: string; workspaceId: string; personId: string } | undefined> {
  const [row] = await database.query<{ id: string; workspace_id: string; person_id: string }[]>(
    'select * from open_share($1)',
    [tokenHash],
  );
  return row && { id: row.id, workspaceId: row.workspace_id, personId: row.person_id };
}
