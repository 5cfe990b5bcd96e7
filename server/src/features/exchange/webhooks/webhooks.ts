import type {
  Repeated,
  WebhookChange,
  WebhookDeliveries,
  WebhookFields,
  Webhooks,
  WebhookSecret,
} from '@dossier/contract';
import { randomBytes, randomUUID } from 'node:crypto';
import { LessThan, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../../platform/problem';
import type { Sealing } from '../../../platform/sealing';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { placeNow } from '../events/queries';
import { WebhookDeliveryRecord, WebhookRecord } from './entities';
import { deliverSoon, sendSoon } from './follow';
import { sendAllAgain } from './queries';

const MOST = 50;
const PAGE = 50;
/** For so long what is sent is signed with the former secret as well. */
const OVERLAP_MS = 24 * 60 * 60 * 1000;

/** As Standard Webhooks have them: 192 bits, or more. */
const newWebhookSecret = (): string => `whsec_${randomBytes(32).toString('base64')}`;

/** It is told what happens from now on. @throws ProblemError 409 when there are too many, or no key for its secret */
export function addWebhook(
  database: DataSource,
  sealing: Sealing,
  { workspaceId, accountId }: SignedIn,
  { url, types }: WebhookFields,
): Promise<WebhookSecret> {
  const secret = newWebhookSecret();
  const sealed = sealing.seal(secret);
  return inWorkspace(database, workspaceId, async (manager) => {
    if ((await manager.countBy(WebhookRecord, { workspaceId })) >= MOST)
      throw new ProblemError(409, 'too-many', 'Too many', `At most ${MOST} addresses are told. Remove one first.`);
    const { xid, sequence } = await placeNow(manager);
    const id = uuidv7();
    await manager.insert(WebhookRecord, {
      id,
      workspaceId,
      url,
      types,
      secret: sealed,
      madeBy: accountId,
      madeAt: new Date(),
      afterXid: xid,
      afterSequence: sequence,
    });
    return { id, secret, formerUntil: null };
  });
}

export const listWebhooks = (database: DataSource, { workspaceId }: SignedIn): Promise<Webhooks> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const hooks = await manager.find(WebhookRecord, {
      where: { workspaceId },
      relations: { maker: true },
      order: { madeAt: 'ASC', id: 'ASC' },
    });
    const items = [];
    for (const hook of hooks) {
      const of = { webhookId: hook.id, workspaceId };
      const [last] = await manager.find(WebhookDeliveryRecord, { where: { ...of, state: 'delivered' }, order: { doneAt: 'DESC' }, take: 1 }); // prettier-ignore
      items.push({
        id: hook.id,
        url: hook.url,
        types: hook.types as Webhooks['items'][number]['types'],
        madeAt: hook.madeAt.toISOString(),
        by: hook.maker?.name ?? '',
        pausedAt: hook.pausedAt?.toISOString() ?? null,
        pausedWhy: hook.pausedWhy,
        waiting: await manager.countBy(WebhookDeliveryRecord, { ...of, state: 'waiting' }),
        failed: await manager.countBy(WebhookDeliveryRecord, { ...of, state: 'failed' }),
        lastDeliveredAt: last?.doneAt?.toISOString() ?? null,
      });
    }
    return { items };
  });

/** What it was not told while it paused is sent when it does no more. @throws ProblemError 404 */
export const changeWebhook = (
  database: DataSource,
  who: SignedIn,
  id: string,
  { url, types, paused }: WebhookChange,
): Promise<void> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    const hook = await lockedHook(manager, who, id);
    const pausedAt = paused ? (hook.pausedAt ?? new Date()) : null;
    await manager.update(WebhookRecord, { id }, { url, types, pausedAt, pausedWhy: paused ? hook.pausedWhy : null, failingSince: null }); // prettier-ignore
    if (hook.pausedAt && !paused) await sendAllAgain(manager, who.workspaceId, id, 'waiting');
  });

/** @throws ProblemError 404 */
export const removeWebhook = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.delete(WebhookRecord, { id, workspaceId });
    if (!affected) throw notFound('This address');
  });

/** @throws ProblemError 404 */
export function changeSecret(
  database: DataSource,
  sealing: Sealing,
  who: SignedIn,
  id: string,
): Promise<WebhookSecret> {
  const secret = newWebhookSecret();
  const sealed = sealing.seal(secret);
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const { secret: formerSecret } = await lockedHook(manager, who, id);
    const formerUntil = new Date(Date.now() + OVERLAP_MS);
    await manager.update(WebhookRecord, { id }, { secret: sealed, formerSecret, formerUntil });
    return { id, secret, formerUntil: formerUntil.toISOString() };
  });
}

/** Sends something that did not happen. @throws ProblemError 404 */
export const tryWebhook = (database: DataSource, who: SignedIn, id: string): Promise<Repeated> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    const hook = await lockedHook(manager, who, id);
    const tried = { id: randomUUID(), type: 'webhook.tried', at: new Date().toISOString(), personId: null, cardId: null, opportunityId: null, by: who.accountId, changed: [] }; // prettier-ignore
    await deliverSoon(manager, hook, [tried]);
    return { repeated: 1 };
  });

/** @throws ProblemError 404 */
export const repeatFailed = (database: DataSource, who: SignedIn, id: string): Promise<Repeated> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    await lockedHook(manager, who, id);
    return { repeated: await sendAllAgain(manager, who.workspaceId, id, 'failed') };
  });

/** @throws ProblemError 404 */
export const repeatDelivery = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<Repeated> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const delivery = await manager.findOneBy(WebhookDeliveryRecord, { id, workspaceId });
    if (!delivery) throw notFound('This message');
    await manager.update(WebhookDeliveryRecord, { id }, { state: 'waiting', attempts: 0, nextAt: new Date(), doneAt: null }); // prettier-ignore
    await sendSoon(manager, delivery);
    return { repeated: 1 };
  });

/** What was sent to an address, the latest first. @throws ProblemError 404 */
export const deliveriesOf = (
  database: DataSource,
  { workspaceId }: SignedIn,
  webhookId: string,
  { state, cursor }: { state: 'all' | WebhookDeliveryRecord['state']; cursor?: string },
): Promise<WebhookDeliveries> =>
  inSnapshot(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(WebhookRecord, { id: webhookId, workspaceId }))) throw notFound('This address');
    const rows = await manager.find(WebhookDeliveryRecord, {
      where: { webhookId, workspaceId, ...(state !== 'all' && { state }), ...(cursor && { id: LessThan(cursor) }) },
      order: { id: 'DESC' },
      take: PAGE + 1,
    });
    const page = rows.slice(0, PAGE);
    return {
      items: page.map(({ id, type, madeAt, state: at, attempts, nextAt, doneAt, body, status, answer, problem }) => ({
        id,
        type,
        madeAt: madeAt.toISOString(),
        state: at,
        attempts,
        nextAt: nextAt?.toISOString() ?? null,
        doneAt: doneAt?.toISOString() ?? null,
        request: body,
        status,
        answer,
        problem,
      })),
      next: rows.length > PAGE ? page.at(-1)!.id : null,
    };
  });

async function lockedHook(manager: EntityManager, { workspaceId }: SignedIn, id: string): Promise<WebhookRecord> {
  const hook = await manager.findOne(WebhookRecord, {
    where: { id, workspaceId },
    lock: { mode: 'pessimistic_write' },
  });
  if (!hook) throw notFound('This address');
  return hook;
}
