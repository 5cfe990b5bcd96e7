import type { DataSource } from 'typeorm';

/** Behind everything that somebody waits for, and of a workspace one after another: other lanes are free for a photograph that comes. */
export const afterAll = (workspaceId: string) => ({ priority: 20, queue: `after all of ${workspaceId}` });

/** So soon it is looked again whether photographs are read still. */
export const SOON_MS = 1_000;
/** For so long a job gives way to what is being read beside it; where that never ends, only to what nobody reads yet. */
const LONGEST_MS = 60_000;

/** Whether somebody waits for a photograph, or a part of a card, to be read: the queue is everybody's. @param since when the job's turn had come */
export async function givesWay(database: DataSource, since: Date): Promise<boolean> {
  const [row] = await database.query<{ waits: boolean }[]>(
    `select exists (
       select from graphile_worker.jobs where task_identifier in ('readPhoto', 'readOutlines', 'readArea') and run_at <= now()
         and case when locked_at is null then attempts < max_attempts else not $1 end) as waits`,
    [Date.now() - since.getTime() > LONGEST_MS],
  );
  return row!.waits;
}
