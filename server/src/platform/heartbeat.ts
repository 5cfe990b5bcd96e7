import { hostname } from 'node:os';
import type { DataSource } from 'typeorm';

const BEAT_MS = 5_000;
const NAME = `${hostname()}:${process.pid}`;
/** Signs of life older than this tell nobody anything. */
const OLD_AFTER = '1 day';

/** Writes a sign of life every few seconds, with the holders of locked jobs that it vouches for. @returns how to stop */
export function startHeartbeat(database: DataSource, holders: () => readonly string[]): () => void {
  const beat = () =>
    database
      .query(
        `insert into worker_heartbeat (name, seen_at, workers) values ($1, now(), $2::jsonb)
         on conflict on constraint worker_heartbeat_pkey do update set seen_at = now(), workers = excluded.workers`,
        [NAME, JSON.stringify(holders())],
      )
      .catch(() => undefined);
  void beat();
  const timer = setInterval(() => void beat(), BEAT_MS);
  return () => clearInterval(timer);
}

/**
 * Takes away the signs of life of workers of this machine whose process is no longer there.
 * @returns in which names they held jobs
 */
export async function forgetDeadBeats(database: DataSource): Promise<string[]> {
  const beats = await database.query<{ name: string; workers: string[] }[]>(
    `select name, workers from worker_heartbeat where name like $1`,
    [`${hostname().replace(/[\\%_]/g, '\\$&')}:%`],
  );
  const dead = beats.filter(({ name }) => !isRunning(Number(name.slice(name.lastIndexOf(':') + 1))));
  await database.query('delete from worker_heartbeat where name = any($1)', [dead.map(({ name }) => name)]);
  return dead.flatMap(({ workers }) => workers);
}

function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as { code?: string }).code === 'EPERM';
  }
}

/** @returns how many there were */
export async function removeOldBeats(database: DataSource): Promise<number> {
  const [, count] = await database.query<[unknown, number]>(
    `delete from worker_heartbeat where seen_at < now() - interval '${OLD_AFTER}'`,
  );
  return count;
}
