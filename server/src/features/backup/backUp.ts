import type { Writable } from 'node:stream';
import type { EntityManager } from 'typeorm';
import { storage } from '../../platform/storage';
import { writeArchive, type AddFile } from './archive';
import { countRows, rowsOf, schemaOf, workspaceRow } from './queries';
import { KEPT_TABLES, type KeptTable } from './tables';

/** See docs/backup.md. */
export const BACKUP_FORMAT = { format: 'dossier-backup', version: 1 } as const;

/** What stands in `about.json`. */
export interface AboutBackup {
  format: string;
  version: number;
  /** The newest change of the tables, from `migration`. */
  schema: number;
  madeAt: string;
  workspace: Record<string, unknown> & { id: string; name: string };
  /** How many rows there are of each table. */
  rows: Partial<Record<KeptTable, number>>;
}

/** Rows of one file are at most so many characters, but for a single one that is longer. */
const CHUNK = 2_000_000;

export const ABOUT = 'about.json';
const ENDINGS: Readonly<Record<string, string>> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
  'image/heic': 'heic',
};
const pictureName = (id: string, type: string): string => `pictures/${id}.${ENDINGS[type] ?? 'bin'}`;

/**
 * Writes everything that a workspace has into one archive, as it is at one moment.
 * @param manager of a transaction that sees one moment and may read this workspace
 * @param onProgress told from 0 to 1
 * @returns how much of what is in it
 */
export async function backUp(
  manager: EntityManager,
  workspaceId: string,
  out: Writable,
  passphrase: string | undefined,
  onProgress: (share: number) => void = () => undefined,
): Promise<AboutBackup> {
  const at = new Date();
  const rows: Partial<Record<KeptTable, number>> = {};
  for (const table of KEPT_TABLES) rows[table] = await countRows(manager, workspaceId, table);
  const about: AboutBackup = {
    ...BACKUP_FORMAT,
    schema: await schemaOf(manager),
    madeAt: at.toISOString(),
    workspace: (await workspaceRow(manager, workspaceId)) as AboutBackup['workspace'],
    rows,
  };
  // A picture is a row and a file.
  const total = Object.values(rows).reduce((sum, count) => sum + count, rows.stored_file ?? 0);
  let done = 0;
  const step = (count: number) => onProgress((done += count) / Math.max(1, total));
  await writeArchive(out, { passphrase, at }, async (add) => {
    await add(ABOUT, Buffer.from(`${JSON.stringify(about, null, 1)}\n`));
    for (const table of KEPT_TABLES) {
      await addRows(manager, workspaceId, table, add, step);
    }
  });
  return about;
}

async function addRows(
  manager: EntityManager,
  workspaceId: string,
  table: KeptTable,
  add: AddFile,
  step: (count: number) => void,
): Promise<void> {
  let [lines, number] = ['', 0];
  const flush = async () => {
    if (lines) await add(`data/${table}/${String(++number).padStart(6, '0')}.jsonl`, Buffer.from(lines));
    lines = '';
  };
  for await (const rows of rowsOf(manager, workspaceId, table)) {
    for (const row of rows) {
      if (lines.length + row.length > CHUNK) await flush();
      lines += `${row}\n`;
    }
    step(rows.length);
    if (table !== 'stored_file') continue;
    // The pictures behind the rows that name them.
    await flush();
    for (const row of rows) {
      const { id, type } = JSON.parse(row) as { id: string; type: string };
      const picture = await storage.get(manager, id);
      if (picture) await add(pictureName(id, type), picture.bytes);
      step(1);
    }
  }
  await flush();
}
