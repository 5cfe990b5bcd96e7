import { hostname } from 'node:os';
import type { DataSource } from 'typeorm';

const BEAT_MS = 5_000;

/** Writes a sign of life every few seconds, with the holders of locked jobs that it vouches for. @returns how to stop */
export function startHeartbeat(database: DataSource, holders: () => readonly string[]): () => void {
  const name = `${hostname()}:${process.pid}`;
  const beat = () =>
    database
      .query(
        `insert into worker_heartbeat (name, seen_at, workers) values ($1, now(), $2::jsonb)
         on conflict on constraint worker_heartbeat_pkey do update set seen_at = now(), workers = excluded.workers`,
        [name, JSON.stringify(holders())],
      )
      .catch(() => undefined);
  void beat();
  const timer = setInterval(() => void beat(), BEAT_MS);
  return () => clearInterval(timer);
}
