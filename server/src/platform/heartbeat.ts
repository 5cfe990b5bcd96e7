import { hostname } from 'node:os';
import type { DataSource } from 'typeorm';

const BEAT_MS = 5_000;

/** Writes a sign of life every few seconds. @returns how to stop */
export function startHeartbeat(database: DataSource): () => void {
  const name = `${hostname()}:${process.pid}`;
  const beat = () =>
    database
      .query(
        `insert into worker_heartbeat (name, seen_at) values ($1, now())
         on conflict on constraint worker_heartbeat_pkey do update set seen_at = now()`,
        [name],
      )
      .catch(() => undefined);
  void beat();
  const timer = setInterval(() => void beat(), BEAT_MS);
  return () => clearInterval(timer);
}
