import { IsNull, type EntityManager } from 'typeorm';
import { eventsAfter } from '../events/queries';
import { DestinationRecord } from './entities';
import { concerned, peopleOfBusiness, wantDelivered } from './queries';

const AT_ONCE = 500;
/** What makes somebody another one in other systems. */
const CONCERNING = new Set(['person.created', 'person.changed', 'person.merged', 'person.parted', 'person.restored', 'consent.given', 'consent.withdrawn', 'task.done']); // prettier-ignore

/** Puts who has changed since onto their way to the destinations that have them, or are to have them. @returns how many deliveries */
export async function followForDestinations(manager: EntityManager, workspaceId: string): Promise<number> {
  const destinations = await manager.find(DestinationRecord, {
    where: { workspaceId, pausedAt: IsNull() },
    order: { id: 'ASC' },
    // Another worker may be at it.
    lock: { mode: 'pessimistic_write', onLocked: 'skip_locked' },
  });
  let begun = 0;
  for (const destination of destinations) {
    const { id, afterXid, afterSequence } = destination;
    const events = await eventsAfter(manager, workspaceId, { xid: afterXid, sequence: afterSequence }, [], AT_ONCE);
    const last = events.at(-1);
    if (!last) continue;
    const people = new Set(events.flatMap(({ type, person_id: personId }) => (personId && CONCERNING.has(type) ? [personId] : []))); // prettier-ignore
    const business = events.flatMap(({ opportunity_id: id }) => id ?? []);
    for (const personId of await peopleOfBusiness(manager, workspaceId, business)) people.add(personId);
    const ids = await concerned(manager, workspaceId, destination, [...people]);
    begun += await wantDelivered(manager, workspaceId, id, ids.map((personId) => ({ personId, subject: 'person', subjectId: personId }))); // prettier-ignore
    await manager.update(DestinationRecord, { id }, { afterXid: last.xid, afterSequence: last.sequence });
  }
  return begun;
}
