import type { EntityManager } from 'typeorm';

/** A worker that is killed costs a job one of these; the tries to deliver are counted elsewhere. */
export const ATTEMPTS = 25;

/**
 * Has deliveries of an address sent (again), from the first try on.
 * @param state of those that are meant @returns how many
 */
export async function sendAllAgain(
  manager: EntityManager,
  workspaceId: string,
  webhookId: string,
  state: 'waiting' | 'failed',
): Promise<number> {
  const [row] = await manager.query<{ repeated: number }[]>(
    `with again as (
       update webhook_delivery set state = 'waiting', attempts = 0, next_at = now(), done_at = null
       where workspace_id = $1 and webhook_id = $2 and state = $3 returning id)
     select count(graphile_worker.add_job('tellWebhook',
       payload := json_build_object('deliveryId', again.id, 'workspaceId', $1::text), job_key := 'hook:' || again.id,
       max_attempts := $4, queue_name := 'hook:' || $2::text))::int as repeated from again`,
    [workspaceId, webhookId, state, ATTEMPTS],
  );
  return row!.repeated;
}
