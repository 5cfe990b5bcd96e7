import type { EntityManager } from 'typeorm';

/** Puts a job into PostgreSQL's queue, within the caller's transaction. The same key twice is one job. */
export async function addJob(
  manager: EntityManager,
  task: string,
  payload: Record<string, string>,
  options: {
    key: string;
    maxAttempts: number;
    priority?: number;
    /** Jobs of one queue are done one after the other. */
    queue?: string;
    /** Not before then. */
    runAt?: Date;
  },
): Promise<void> {
  await manager.query(
    `select graphile_worker.add_job($1, payload := $2::json, job_key := $3, max_attempts := $4, priority := $5, queue_name := $6, run_at := $7)`,
    [
      task,
      JSON.stringify(payload),
      options.key,
      options.maxAttempts,
      options.priority ?? 0,
      options.queue ?? null,
      options.runAt ?? null,
    ],
  );
}
