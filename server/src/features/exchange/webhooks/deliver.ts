import { writable } from '@dossier/core/text';
import type { Task } from 'graphile-worker';
import { Webhook } from 'standardwebhooks';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { askOutside, OutsideTrouble, type OutsideAnswer, type Reach } from '../../../platform/outside';
import type { Sealing } from '../../../platform/sealing';
import { inWorkspace } from '../../../platform/workspaceScope';
import { WebhookDeliveryRecord, WebhookRecord } from './entities';
import { sendSoon } from './follow';

/** Seconds between tries: three days in all. */
export const PAUSES = [5, 30, 120, 600, 1800, 3600, 10_800, 21_600, 43_200, 86_400, 86_400] as const;
/** An address that has taken nothing for so long is told nothing more until somebody looks at it. */
const FAILING_FOR_MS = 3 * 24 * 60 * 60 * 1000;
const LONGEST_PAUSE_SECONDS = 86_400;
/** So much of an answer is kept. */
const KEPT_CHARACTERS = 2_000;
const GONE = 410;

const Payload = z.object({ deliveryId: z.uuid(), workspaceId: z.uuid() });

type Parts = Reach & { database: DataSource };

/** Sends one event to one address, and again after growing pauses where it is not taken. */
export const tellWebhookTask =
  ({ database, sealing, allowed }: Parts): Task =>
  async (raw) => {
    const { deliveryId, workspaceId } = Payload.parse(raw);
    const due = await inWorkspace(database, workspaceId, async (manager) => {
      const delivery = await manager.findOne(WebhookDeliveryRecord, {
        where: { id: deliveryId, workspaceId },
        relations: { webhook: true },
      });
      return delivery?.state === 'waiting' && !delivery.webhook!.pausedAt ? delivery : undefined;
    });
    if (!due) return;
    const hook = due.webhook!;
    const answered = await askOutside(allowed)({
      url: hook.url,
      method: 'POST',
      headers: { 'content-type': 'application/json', ...signed(sealing, hook, due) },
      body: due.body,
    }).catch((error: unknown) => {
      if (error instanceof OutsideTrouble) return error;
      throw error;
    });
    await inWorkspace(database, workspaceId, async (manager) => {
      const [record] = await manager.find(WebhookDeliveryRecord, { where: { id: deliveryId, state: 'waiting' }, lock: { mode: 'pessimistic_write' } }); // prettier-ignore
      if (!record) return;
      const now = new Date();
      const outcome = outcomeOf(answered, record.attempts, now);
      await manager.update(WebhookDeliveryRecord, { id: deliveryId }, { ...outcome, attempts: record.attempts + 1 });
      await manager.update(WebhookRecord, { id: hook.id }, standingOf(hook, outcome, now));
      if (outcome.state === 'waiting') await sendSoon(manager, record, outcome.nextAt!);
    });
  };

type Outcome = Pick<WebhookDeliveryRecord, 'state' | 'nextAt' | 'doneAt' | 'status' | 'answer' | 'problem'>;

/** What follows from an answer, or from none. @param before how many tries there were before this one */
export function outcomeOf(answered: Omit<OutsideAnswer, 'bytes'> | OutsideTrouble, before: number, now: Date): Outcome {
  const isTrouble = answered instanceof OutsideTrouble;
  const status = isTrouble ? null : answered.status;
  const answer = isTrouble ? null : readable(answered.body);
  const told = { status, answer };
  if (status !== null && status >= 200 && status < 300)
    return { ...told, state: 'delivered', nextAt: null, doneAt: now, problem: null };
  const problem = isTrouble ? answered.message : wordsFor(answered.status);
  const pause = PAUSES[before];
  if (pause === undefined || status === GONE) return { ...told, state: 'failed', nextAt: null, doneAt: now, problem };
  const asked = isTrouble ? 0 : Number(answered.headers['retry-after']) || 0;
  const seconds = Math.min(LONGEST_PAUSE_SECONDS, Math.max(pause, asked));
  return { ...told, state: 'waiting', nextAt: new Date(now.getTime() + seconds * 1000), doneAt: null, problem };
}

/** How an address stands after that. */
function standingOf(hook: WebhookRecord, { state, status }: Outcome, now: Date): Partial<WebhookRecord> {
  if (state === 'delivered') return { failingSince: null };
  const since = hook.failingSince ?? now;
  if (status === GONE)
    return { failingSince: since, pausedAt: now, pausedWhy: 'There is nobody there any more (410).' };
  return now.getTime() - since.getTime() > FAILING_FOR_MS
    ? { failingSince: since, pausedAt: now, pausedWhy: 'Nothing has been taken there for three days.' }
    : { failingSince: since };
}

function wordsFor(status: number): string {
  if (status >= 300 && status < 400) return 'It leads on to another address, which is not followed: set that one up.';
  if (status === 401 || status === 403) return 'It does not let us in.';
  if (status === 404) return 'There is nothing under this address.';
  if (status === 429) return 'It is told too much at once.';
  return status >= 500 ? 'It has trouble of its own.' : 'It did not take this.';
}

const readable = (text: string): string => writable(text.slice(0, KEPT_CHARACTERS));

/** Headers by which whoever is told knows that it was us (Standard Webhooks): with both secrets while a new one is made known. */
function signed(sealing: Sealing, hook: WebhookRecord, { id, body }: WebhookDeliveryRecord): Record<string, string> {
  const at = new Date();
  const secrets = [hook.secret, ...(hook.formerSecret && hook.formerUntil && hook.formerUntil > at ? [hook.formerSecret] : [])]; // prettier-ignore
  return {
    'webhook-id': id,
    'webhook-timestamp': String(Math.floor(at.getTime() / 1000)),
    'webhook-signature': secrets.map((secret) => new Webhook(sealing.open(secret)).sign(id, at, body)).join(' '),
  };
}
