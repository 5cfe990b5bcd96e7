import type { FeedEvent } from '@dossier/contract';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { addJob } from '../../../platform/queue';
import { inWorkspace } from '../../../platform/workspaceScope';
import { feedEvent } from '../events/feed';
import { followForDestinations } from '../destinations/follow';
import { eventsAfter } from '../events/queries';
import { WebhookDeliveryRecord, WebhookRecord } from './entities';
import { ATTEMPTS } from './queries';

const AT_ONCE = 500;

/** Puts what has happened since onto its way to the addresses that are told, and into other systems. @returns how many deliveries were made */
export async function followFeeds(database: DataSource): Promise<number> {
  const rows = await database.query<{ id: string }[]>('select workspaces_with_news as id from workspaces_with_news()');
  let made = 0;
  for (const { id } of rows) {
    made += await inWorkspace(database, id, (manager) => followFeed(manager, id));
    made += await inWorkspace(database, id, (manager) => followForDestinations(manager, id));
  }
  return made;
}

async function followFeed(manager: EntityManager, workspaceId: string): Promise<number> {
  const hooks = await manager.find(WebhookRecord, {
    where: { workspaceId, pausedAt: IsNull() },
    order: { id: 'ASC' },
    // Another worker may be at it.
    lock: { mode: 'pessimistic_write', onLocked: 'skip_locked' },
  });
  let made = 0;
  for (const hook of hooks) {
    const place = { xid: hook.afterXid, sequence: hook.afterSequence };
    const events = await eventsAfter(manager, workspaceId, place, [], AT_ONCE);
    const last = events.at(-1);
    if (!last) continue;
    const told = events.filter(({ type }) => hook.types.length === 0 || hook.types.includes(type)).map(feedEvent);
    await deliverSoon(manager, hook, told);
    await manager.update(WebhookRecord, { id: hook.id }, { afterXid: last.xid, afterSequence: last.sequence });
    made += told.length;
  }
  return made;
}

/** Writes events down for an address, and has them sent. */
export async function deliverSoon(
  manager: EntityManager,
  { id: webhookId, workspaceId }: Pick<WebhookRecord, 'id' | 'workspaceId'>,
  events: readonly Omit<FeedEvent, 'type' | 'cursor'>[] & readonly { type: string }[],
): Promise<void> {
  const madeAt = new Date();
  for (const { id: eventId, type, at, ...rest } of events) {
    const { cursor: _, ...about } = rest as typeof rest & { cursor?: string };
    const body = JSON.stringify({ type, timestamp: at, data: { id: eventId, ...about } });
    const delivery = { id: uuidv7(), workspaceId, webhookId, eventId, type, body, state: 'waiting' as const, madeAt, nextAt: madeAt }; // prettier-ignore
    await manager.insert(WebhookDeliveryRecord, delivery);
    await sendSoon(manager, delivery);
  }
}

export const sendSoon = (
  manager: EntityManager,
  { id, workspaceId, webhookId }: Pick<WebhookDeliveryRecord, 'id' | 'workspaceId' | 'webhookId'>,
  runAt?: Date,
): Promise<void> =>
  addJob(
    manager,
    'tellWebhook',
    { deliveryId: id, workspaceId },
    // One after the other: a slow address holds up nobody but itself.
    { key: `hook:${id}`, maxAttempts: ATTEMPTS, queue: `hook:${webhookId}`, runAt },
  );
