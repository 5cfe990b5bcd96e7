import type { Task } from 'graphile-worker';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { writable } from '@dossier/core/text';
import { OutsideTrouble, type Reach } from '../../../platform/outside';
import { addJob } from '../../../platform/queue';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Asking, NotLetIn } from './ask';
import { DeliveryRecord, DestinationRecord, HandedRecord } from './entities';
import { bringNote, bringPerson, loadFor, NeedsPerson, TryLater, type Landed, type Load } from './handOver';
import { ATTEMPTS, notesToSend, takeSlot, wantDelivered } from './queries';

/** Seconds between tries: about a day in all, then somebody must look. */
export const PAUSES = [2, 10, 60, 300, 900, 3600, 10_800, 21_600, 43_200] as const;
/** A destination with which nothing has gone well for so long is paused until somebody looks at it. */
const FAILING_FOR_MS = 24 * 60 * 60 * 1000;
const LONGEST_PAUSE_SECONDS = 86_400;
/** So soon it is not worth to come again later. */
const SHORT_WAIT_MS = 400;

/** @property hasSlot whether its moment was taken before: whoever comes again at that moment takes no other */
const Payload = z.object({ deliveryId: z.uuid(), workspaceId: z.uuid(), hasSlot: z.literal('yes').optional() });

type Parts = Reach & { database: DataSource };

interface Begun {
  destination: DestinationRecord;
  delivery: DeliveryRecord;
  load: Load;
}

/** Brings one person, or what was said about them, into one other system. */
export const handOverTask =
  ({ database, sealing, allowPrivate }: Parts): Task =>
  async (raw) => {
    const { deliveryId, workspaceId, hasSlot } = Payload.parse(raw);
    const begun = await inWorkspace(database, workspaceId, (manager) => begin(manager, workspaceId, deliveryId, hasSlot !== undefined)); // prettier-ignore
    if (!begun) return;
    const { destination, delivery, load } = begun;
    const asking = new Asking(destination, sealing, allowPrivate);
    const outcome = await bring(asking, begun).catch((error: unknown) => {
      if (error instanceof NeedsPerson || error instanceof TryLater || error instanceof NotLetIn || error instanceof OutsideTrouble) return error; // prettier-ignore
      throw error;
    });
    await inWorkspace(database, workspaceId, (manager) => end(manager, destination, delivery, load, outcome, asking));
  };

/** What is to be sent, marked as being sent; undefined where there is nothing to do, or not yet. */
async function begin(
  manager: EntityManager,
  workspaceId: string,
  id: string,
  hasSlot: boolean,
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
  const load = await loadFor(manager, destination, delivery);
  return { destination, delivery: { ...delivery, attempts: delivery.attempts + 1, mappingVersion }, load };
}

async function bring(asking: Asking, { destination, delivery, load }: Begun): Promise<Landed | null> {
  const once = `${destination.id}:${delivery.subject}:${delivery.subjectId}`;
  if (load.kind === 'nothing') return null;
  if (load.kind === 'note') return bringNote(asking, load, once);
  const [fault] = load.faults;
  if (fault) throw new NeedsPerson(`${fault.to}: ${fault.fault}`);
  if (Object.keys(load.record).length === 0)
    throw new NeedsPerson('Nothing of this person goes into any field: set the mapping up.');
  return bringPerson(asking, load, once);
}

type Outcome = Landed | null | NeedsPerson | TryLater | NotLetIn | OutsideTrouble;

async function end(
  manager: EntityManager,
  destination: DestinationRecord,
  { id, attempts, subject, subjectId, personId, mappingVersion }: DeliveryRecord,
  load: Load,
  outcome: Outcome,
  asking: Asking,
): Promise<void> {
  const { id: destinationId, workspaceId } = destination;
  const now = new Date();
  const last = asking.last && { request: writable(asking.last.request), status: asking.last.status, answer: asking.last.answer === null ? null : writable(asking.last.answer) }; // prettier-ignore
  const [record] = await manager.find(DeliveryRecord, {
    where: { id, state: 'sending' },
    lock: { mode: 'pessimistic_write' },
  });
  // Whoever it was about is not here any more.
  if (!record) return;
  if (outcome === null || !(outcome instanceof Error)) {
    if (outcome) {
      const handed = {
        destinationId,
        subject,
        subjectId,
        workspaceId,
        personId,
        ref: outcome.ref,
        link: outcome.link,
        sentAt: now,
        mappingVersion,
      };
      await manager.upsert(HandedRecord, handed, ['destinationId', 'subject', 'subjectId']);
    }
    await manager.update(DeliveryRecord, { id }, { ...last, state: 'delivered', doneAt: now, nextAt: null, problem: null, theirs: outcome?.theirs ?? [] }); // prettier-ignore
    await manager.update(DestinationRecord, { id: destinationId }, { failingSince: null });
    if (load.kind === 'person' && destination.objects.note) await notesAfter(manager, destination, personId);
    return;
  }
  const pause = PAUSES[attempts - 1];
  const mayGoWell = outcome instanceof TryLater || outcome instanceof OutsideTrouble;
  if (!mayGoWell || pause === undefined)
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

/** What was said of somebody follows once they are there. */
async function notesAfter(
  manager: EntityManager,
  { id, workspaceId }: DestinationRecord,
  personId: string,
): Promise<void> {
  const notes = await notesToSend(manager, workspaceId, id, personId);
  await wantDelivered(manager, workspaceId, id, notes.map((subjectId) => ({ personId, subject: 'note' as const, subjectId }))); // prettier-ignore
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
    { key: `hand:${id}`, maxAttempts: ATTEMPTS, queue: `hand:${destinationId}:${personId}`, runAt: nextAt },
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
