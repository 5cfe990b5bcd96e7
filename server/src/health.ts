import type { Health } from '@dossier/contract';
import { Router } from 'express';
import type { DataSource } from 'typeorm';

const WORKER_SILENT_AFTER_SECONDS = 30;

interface Row {
  waiting: number;
  failed: number;
  last_seen: Date | null;
  seen_lately: boolean;
}

const STATE = `
  select
    (select count(*)::int from graphile_worker.jobs where attempts < max_attempts) as waiting,
    (select count(*)::int from graphile_worker.jobs where attempts >= max_attempts) as failed,
    max(seen_at) as last_seen,
    coalesce(max(seen_at) > now() - make_interval(secs => ${WORKER_SILENT_AFTER_SECONDS}), false) as seen_lately
  from worker_heartbeat`;

export function healthRoutes(database: DataSource, httpsPort?: number): Router {
  return Router().get('/health', async (_request, response) => {
    const row = await database.query<Row[]>(STATE).then(
      (rows) => rows[0],
      () => undefined,
    );
    const worker = row?.seen_lately ? 'up' : 'down';
    const health: Health = {
      status: row && worker === 'up' ? 'ok' : 'degraded',
      database: row ? 'up' : 'down',
      queue: { state: row ? 'up' : 'down', waiting: row?.waiting ?? 0, failed: row?.failed ?? 0 },
      worker: { state: worker, lastSeenAt: row?.last_seen?.toISOString() ?? null },
      httpsPort: httpsPort ?? null,
    };
    if (health.status === 'degraded') response.status(503).set('Retry-After', '5');
    response.set('Cache-Control', 'no-store').json(health);
  });
}
