import type { Delivery } from '@dossier/contract';
import { writable } from '@dossier/core/text';
import type { Task } from 'graphile-worker';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { OutsideTrouble } from '../../../platform/outside';
import { addJob } from '../../../platform/queue';
import { inWorkspace } from '../../../platform/workspaceScope';
import type { Asked } from './ask';
import { DeliveryRecord, DestinationRecord, HandedRecord } from './entities';
import { loadFor, type Hanging, type Load } from './load';
import { isTrouble, NeedsPerson, NotLetIn, TryLater, type Landed, type Trouble } from './outcome';
import { ATTEMPTS, hangingToSend, queueOf, takeSlot, wantDelivered } from './queries';
import { wayTo, type Parts } from './way';

/** Seconds between tries: about a day in all, then somebody must look. */
export const PAUSES = [2, 10, 60, 300, 900, 3600, 10_800, 21_600, 43_200] as const;
/** A destination with which nothing has gone well for so long is paused until somebody looks at it. */
const FAILING_FOR_MS = 24 * 60 * 60 * 1000;
const LONGEST_PAUSE_SECONDS = 86_400;
/** So soon it is not worth to come again later. */
const SHORT_WAIT_MS = 400;

/** @property hasSlot whether its moment was taken before: whoever comes again at that moment takes no other */
const Payload = z.object({ deliveryId: z.uuid(), workspaceId: z.uuid(), hasSlot: z.literal('yes').optional() });

interface Begun {
  destination: DestinationRecord;
  delivery: DeliveryRecord;
  load: Load;
}

/** Brings one person, or what hangs on them, into one other system. */
export const handOverTask =
  (parts: Parts): Task =>
  async (raw) => {
    const { database } = parts;
    const { deliveryId, workspaceId, hasSlot } = Payload.parse(raw);
    const begun = await inWorkspace(database, workspaceId, (manager) => begin(manager, workspaceId, deliveryId, hasSlot !== undefined, parts.publicAddress)); // prettier-ignore
    if (!begun) return;
    const { destination, delivery, load } = begun;
    const way = wayTo(parts, destination);
    const outcome = await way
      .bring(load, `${destination.id}:${delivery.subject}:${delivery.subjectId}`)
      .catch((error: unknown) => {
        // prettier-ignore
        if (isTrouble(error)) return error;
        throw error;
      });
    await inWorkspace(database, workspaceId, (manager) => end(manager, begun, outcome, way.asked()));
  };

/** What is to be sent, marked as being sent; undefined where there is nothing to do, or not yet. */
async function begin(
  manager: EntityManager,
  workspaceId: string,
  id: string,
  hasSlot: boolean,
  publicAddress: string | undefined,
): Promise<Begun | undefined> {
  const [delivery] = await manager.find(DeliveryRecord, {
    where: { id, workspaceId },
    lock: { mode: 'pessimistic_write' },
  });
  // One that a worker was killed at is gone on with.
  if (!delivery || !['waiting', 'sending'].includes(delivery.state)) return undefined;
  const destination = await manager.findOneBy(DestinationRecord, { id: delivery.destinationId, workspaceId });
  if (!destination) return undefined;
  if (destination.pausedAt) {
    await waitOn(manager, delivery, new Date());
    return undefined;
  }
  const wait = hasSlot ? 0 : await takeSlot(manager, workspaceId, destination.id);
  if (wait > SHORT_WAIT_MS) {
    await again(manager, delivery, new Date(Date.now() + wait), {}, { hasSlot: 'yes' });
    return undefined;
  }
  const { mappingVersion } = destination;
  await manager.update(DeliveryRecord, { id }, { state: 'sending', mappingVersion, attempts: delivery.attempts + 1 });
  const load = await loadFor(manager, destination, delivery, publicAddress);
  return { destination, delivery: { ...delivery, attempts: delivery.attempts + 1, mappingVersion }, load };
}

async function end(
  manager: EntityManager,
  { destination, delivery, load }: Begun,
  outcome: Landed | null | Trouble,
  asked: Asked | undefined,
): Promise<void> {
  const { id, attempts, subject, subjectId, personId, mappingVersion } = delivery;
  const { id: destinationId, workspaceId } = destination;
  const now = new Date();
  const last = asked && { request: writable(asked.request), status: asked.status, answer: asked.answer === null ? null : writable(asked.answer) }; // prettier-ignore
  const [record] = await manager.find(DeliveryRecord, {
    where: { id, state: 'sending' },
    lock: { mode: 'pessimistic_write' },
  });
  // Whoever it was about is not here any more.
  if (!record) return;
  if (outcome === null || !(outcome instanceof Error)) {
    if (outcome) {
      const before = await manager.findOne(HandedRecord, {
        where: { destinationId, subject, subjectId },
        lock: { mode: 'pessimistic_write' },
      });
      const { theirs, ...landed } = withSettled(outcome, load, before);
      const handed = {
        destinationId,
        subject,
        subjectId,
        workspaceId,
        personId,
        ...landed,
        sentAt: now,
        mappingVersion,
      };
      await manager.upsert(HandedRecord, { ...handed, theirs: stillTheirs(before, { ...landed, theirs }) } as object, ['destinationId', 'subject', 'subjectId']); // prettier-ignore
    }
    await manager.update(DeliveryRecord, { id }, { ...last, state: 'delivered', doneAt: now, nextAt: null, problem: null, theirs: outcome?.theirs ?? [] }); // prettier-ignore
    await manager.update(DestinationRecord, { id: destinationId }, { failingSince: null });
    if (load.kind === 'person') await hangingAfter(manager, destination, personId);
    return;
  }
  const pause = PAUSES[attempts - 1];
  const mayGoWell = outcome instanceof TryLater || outcome instanceof OutsideTrouble;
  // It is not this sending that is wrong: it goes on with the destination.
  if (outcome instanceof NotLetIn)
    await waitOn(manager, { ...record, attempts }, now, { ...last, problem: outcome.message }); // prettier-ignore
  else if (!mayGoWell || pause === undefined)
    await manager.update(DeliveryRecord, { id }, { ...last, state: 'held', doneAt: now, nextAt: null, problem: outcome.message }); // prettier-ignore
  else {
    const seconds = Math.min(
      LONGEST_PAUSE_SECONDS,
      Math.max(pause, outcome instanceof TryLater ? outcome.retryAfter : 0),
    );
    await again(manager, { ...record, attempts }, new Date(now.getTime() + seconds * 1000), { ...last, problem: outcome.message }); // prettier-ignore
  }
  if (!(outcome instanceof NeedsPerson)) await manager.update(DestinationRecord, { id: destinationId }, standing(destination, outcome, now)); // prettier-ignore
}

/** What hangs on somebody follows once they are there. */
async function hangingAfter(
  manager: EntityManager,
  { id, workspaceId, to }: DestinationRecord,
  personId: string,
): Promise<void> {
  if (to.kind !== 'system') return;
  const takes = (object: Hanging | null | undefined) => (object ? (object.update ? 'changes' : 'new') : 'none');
  const { note, task, picture, opportunity } = to.objects;
  const wanted = await hangingToSend(manager, workspaceId, id, personId, { note: takes(note), task: takes(task), picture: takes(picture), opportunity: takes(opportunity) }); // prettier-ignore
  await wantDelivered(manager, workspaceId, id, wanted);
}

/** What somebody said is right here while this was on its way stays said: it goes over theirs with the next one. */
function withSettled(landed: Landed, load: Load, before: HandedRecord | null): Landed {
  const read = load.kind === 'person' ? load.known : null;
  if (!read || !before) return landed;
  const settled = Object.entries(before.sent).filter(([to, there]) => String(read.sent[to]) !== String(there));
  const names = new Set(settled.map(([to]) => to));
  return {
    ...landed,
    sent: { ...landed.sent, ...Object.fromEntries(settled) },
    theirs: landed.theirs.filter(({ to }) => !names.has(to)),
  };
}

/** What differs there now, and what differed before and was sent over nobody's head. */
function stillTheirs(before: HandedRecord | null, { theirs, sent }: Landed): Delivery['theirs'] {
  const isOver = ({ to, there }: Delivery['theirs'][number]) =>
    theirs.some((one) => one.to === to) || String(sent[to]) === there;
  return [...(before?.theirs ?? []).filter((one) => !isOver(one)), ...theirs];
}

function standing({ failingSince }: DestinationRecord, outcome: Error, now: Date): Partial<DestinationRecord> {
  const since = failingSince ?? now;
  if (outcome instanceof NotLetIn) return { failingSince: since, pausedAt: now, pausedWhy: outcome.message };
  return now.getTime() - since.getTime() > FAILING_FOR_MS
    ? { failingSince: since, pausedAt: now, pausedWhy: 'Nothing has gone well there for a day.' }
    : { failingSince: since };
}

/** Comes again later. @param more of the job's payload */
async function again(
  manager: EntityManager,
  delivery: DeliveryRecord,
  nextAt: Date,
  told: Partial<DeliveryRecord> = {},
  more: Record<string, string> = {},
): Promise<void> {
  if (!(await waitOn(manager, delivery, nextAt, told))) return;
  const { id, workspaceId, destinationId, personId } = delivery;
  await addJob(
    manager,
    'handOver',
    { deliveryId: id, workspaceId, ...more },
    { key: `hand:${id}`, maxAttempts: ATTEMPTS, queue: queueOf(destinationId, personId), runAt: nextAt },
  );
}

/** Waits; where something newer waits for the same already, that is enough. @returns whether this one is still there */
async function waitOn(
  manager: EntityManager,
  { id, destinationId, subject, subjectId, attempts }: DeliveryRecord,
  nextAt: Date,
  told: Partial<DeliveryRecord> = {},
): Promise<boolean> {
  const newer = await manager.findOneBy(DeliveryRecord, { destinationId, subject, subjectId, state: 'waiting' });
  if (newer && newer.id !== id) {
    await manager.delete(DeliveryRecord, { id });
    return false;
  }
  await manager.update(DeliveryRecord, { id }, { ...told, state: 'waiting', nextAt, attempts });
  return true;
}
