import type { Elsewhere, TheirsSettled } from '@dossier/contract';
import { cellOf, rulesFor } from '@dossier/core/exchange/handOver';
import { In, IsNull, type DataSource } from 'typeorm';
import { conflict, notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { changeCells, Person } from '../../people';
import { DeliveryRecord, DestinationRecord, HandedRecord } from './entities';
import { mappingOf } from './load';
import { occasionsOf, wantDelivered } from './queries';

/** What of a card in an address book can be written here. */
const CARD: ReadonlyMap<string, 'title' | 'company'> = new Map([['TITLE', 'title'], ['ORG', 'company']] as const); // prettier-ignore

const columnOf = ({ to }: DestinationRecord, rules: Parameters<typeof cellOf>[0], name: string) =>
  to.kind === 'system' ? cellOf(rules, name) : (CARD.get(name) ?? null);

/** Where somebody was handed over to, or is on their way to. @throws ProblemError 404 */
export const elsewhereOf = (database: DataSource, { workspaceId }: SignedIn, personId: string): Promise<Elsewhere> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const person = await manager.findOneBy(Person, { id: personId, workspaceId });
    if (!person) throw notFound('This person');
    const key = { workspaceId, subject: 'person', subjectId: personId } as const;
    const handed = await manager.findBy(HandedRecord, key);
    // The latest of each destination says how it stands.
    const deliveries = await manager.find(DeliveryRecord, { where: key, order: { madeAt: 'ASC', id: 'ASC' } });
    const latest = new Map(deliveries.map((delivery) => [delivery.destinationId, delivery]));
    const ids = [...new Set([...handed.map(({ destinationId }) => destinationId), ...latest.keys()])];
    const destinations = await manager.find(DestinationRecord, { where: { id: In(ids) }, order: { name: 'ASC', id: 'ASC' } }); // prettier-ignore
    const occasionIds = await occasionsOf(manager, workspaceId, personId);
    const items: Elsewhere['items'] = [];
    for (const destination of destinations) {
      const there = handed.find(({ destinationId }) => destinationId === destination.id);
      const { rules } = await mappingOf(manager, destination);
      const own = rulesFor(rules, person.kind, occasionIds);
      const last = latest.get(destination.id);
      items.push({
        destinationId: destination.id,
        destination: destination.name,
        state: last?.state ?? 'delivered',
        sentAt: there?.sentAt.toISOString() ?? null,
        link: there?.link ?? null,
        problem: last?.problem ?? null,
        heldId: last?.state === 'held' ? last.id : null,
        theirs: (there?.theirs ?? []).map((one) => ({ ...one, field: columnOf(destination, own, one.to) })),
      });
    }
    return { items };
  });

/**
 * Says which is right: theirs goes into the record here, or ours is sent over theirs. Settled twice it is settled once.
 * @throws ProblemError 404, 409 where theirs cannot be written here
 */
export async function settleTheirs(
  database: DataSource,
  who: SignedIn,
  personId: string,
  destinationId: string,
  { to, take }: TheirsSettled,
): Promise<void> {
  const { workspaceId } = who;
  const key = { workspaceId, destinationId, subject: 'person', subjectId: personId } as const;
  const asked = await inSnapshot(database, workspaceId, async (manager) => {
    const person = await manager.findOneBy(Person, { id: personId, workspaceId, deletedAt: IsNull() });
    const destination = await manager.findOneBy(DestinationRecord, { id: destinationId, workspaceId });
    const handed = await manager.findOneBy(HandedRecord, key);
    if (!person || !destination || !handed) throw notFound(person ? 'This system' : 'This person');
    const { rules } = await mappingOf(manager, destination);
    const own = rulesFor(rules, person.kind, await occasionsOf(manager, workspaceId, personId));
    return {
      version: person.version,
      theirs: handed.theirs.find((one) => one.to === to),
      column: columnOf(destination, own, to),
    };
  });
  if (!asked.theirs) return;
  if (take) {
    if (!asked.column) throw conflict('not-one-field', 'What stands there is no single field here. Change the person by hand.'); // prettier-ignore
    const cell = { personId, column: asked.column, version: asked.version, text: asked.theirs.there };
    const { cells } = await changeCells(database, who, { cells: [cell] });
    const [told] = cells;
    if (told && !['changed', 'same'].includes(told.outcome))
      throw new ProblemError(409, 'not-taken', 'Not taken', told.outcome === 'changedSince' ? 'Somebody has changed this person meanwhile. Look again.' : told.words); // prettier-ignore
  }
  await inWorkspace(database, workspaceId, async (manager) => {
    const [handed] = await manager.find(HandedRecord, { where: key, lock: { mode: 'pessimistic_write' } });
    if (!handed) return;
    // As known to stand there it is nothing to be asked about: ours is sent over it.
    const sent = take ? handed.sent : { ...handed.sent, [to]: asked.theirs!.there };
    const theirs = handed.theirs.filter((one) => one.to !== to);
    await manager.update(HandedRecord, { destinationId, subject: 'person', subjectId: personId }, { theirs, sent });
    if (!take) await wantDelivered(manager, workspaceId, destinationId, [{ personId, subject: 'person', subjectId: personId }]); // prettier-ignore
  });
}
