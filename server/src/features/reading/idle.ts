import type { DataSource } from 'typeorm';

/** Behind everything that somebody waits for, and one after another: the other lanes are free for a photograph that comes. */
export const AFTER_ALL = { priority: 20, queue: 'after all photographs' } as const;

/** So soon it is looked again whether photographs are read still. */
export const SOON_MS = 1_000;

/** Whether somebody waits for a photograph, or a part of a card, to be read: the queue is everybody's. */
export async function isPhotoWaiting(database: DataSource): Promise<boolean> {
  const [row] = await database.query<{ waits: boolean }[]>(
    `select exists (
       select from graphile_worker.jobs where task_identifier in ('readPhoto', 'readOutlines', 'readArea')
         and run_at <= now() and (locked_at is not null or attempts < max_attempts)) as waits`,
  );
  return row!.waits;
}
