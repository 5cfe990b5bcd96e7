import { OutsideFields, type Deliveries, type Destination, type DestinationFields, type Destinations, type HandedOverSample, type HandOverBegun, type HandOverMapping, type HandOverSample } from '@dossier/contract'; // prettier-ignore
import { handedOver, valueAt, type OutsideField } from '@dossier/core/exchange/handOver';
import { In, IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../../platform/problem';
import { OutsideTrouble, type Reach } from '../../../platform/outside';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { Person } from '../../people';
import { placeNow } from '../events/queries';
import { Asking, NotLetIn } from './ask';
import { DeliveryRecord, DestinationRecord, HandedRecord, MappingRecord } from './entities';
import { handedPerson, mappingOf } from './handOver';
import { tryAgain, wantDelivered } from './queries';

const MOST = 20;
const PAGE = 50;

const columnsOf = ({ name, base, auth, objects, describe, when, perMinute }: DestinationFields): Partial<DestinationRecord> => ({ name, base, auth, objects, describe, whenHanded: when, perMinute }); // prettier-ignore

/** It hears of what happens from now on. @throws ProblemError 409 when there are too many, or no key for its secret */
export function addDestination(
  database: DataSource,
  { sealing }: Reach,
  { workspaceId, accountId }: SignedIn,
  fields: DestinationFields,
): Promise<string> {
  const secret = fields.secret === undefined ? null : sealing.seal(fields.secret);
  return inWorkspace(database, workspaceId, async (manager) => {
    if ((await manager.countBy(DestinationRecord, { workspaceId })) >= MOST)
      throw new ProblemError(409, 'too-many', 'Too many', `At most ${MOST} systems are possible. Remove one first.`);
    const { xid: afterXid, sequence: afterSequence } = await placeNow(manager);
    const [id, madeAt] = [uuidv7(), new Date()];
    const made = { ...columnsOf(fields), id, workspaceId, secret, madeBy: accountId, madeAt, afterXid, afterSequence, pausedAt: fields.paused ? madeAt : null }; // prettier-ignore
    await manager.insert(DestinationRecord, made as DestinationRecord);
    return id;
  });
}

/** What waited while it paused is tried when it does no more. @throws ProblemError 404 */
export function changeDestination(
  database: DataSource,
  { sealing }: Reach,
  { workspaceId }: SignedIn,
  id: string,
  fields: DestinationFields,
): Promise<void> {
  const secret = fields.secret === undefined ? undefined : sealing.seal(fields.secret);
  return inWorkspace(database, workspaceId, async (manager) => {
    const before = await locked(manager, workspaceId, id);
    const pausedAt = fields.paused ? (before.pausedAt ?? new Date()) : null;
    const standing = { pausedAt, pausedWhy: fields.paused ? before.pausedWhy : null, failingSince: null };
    await manager.update(DestinationRecord, { id }, { ...columnsOf(fields), ...standing, ...(secret !== undefined && { secret }) } as object); // prettier-ignore
    if (before.pausedAt && !fields.paused) await tryAgain(manager, workspaceId, id, ['waiting']);
  });
}

/** @throws ProblemError 404 */
export const removeDestination = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.delete(DestinationRecord, { id, workspaceId });
    if (!affected) throw notFound('This system');
  });

export const listDestinations = (database: DataSource, { workspaceId }: SignedIn): Promise<Destinations> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const records = await manager.find(DestinationRecord, {
      where: { workspaceId },
      order: { madeAt: 'ASC', id: 'ASC' },
    });
    const items: Destination[] = [];
    for (const record of records) items.push(await view(manager, record));
    return { items };
  });

/** @throws ProblemError 404 */
export const loadDestination = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<Destination> =>
  inSnapshot(database, workspaceId, async (manager) => view(manager, await found(manager, workspaceId, id)));

async function view(manager: EntityManager, record: DestinationRecord): Promise<Destination> {
  const { id, name, base, auth, secret, objects, describe, whenHanded, perMinute, mappingVersion, pausedAt, pausedWhy } = record; // prettier-ignore
  const { rules } = await mappingOf(manager, record);
  const count = (state: DeliveryRecord['state']) => manager.countBy(DeliveryRecord, { destinationId: id, state });
  return {
    id, name, base, auth, objects, describe, when: whenHanded, perMinute, mappingVersion, pausedWhy,
    paused: pausedAt !== null,
    hasSecret: secret !== null,
    mapping: rules,
    waiting: (await count('waiting')) + (await count('sending')),
    held: await count('held'),
  }; // prettier-ignore
}

/** @throws ProblemError 404 */
export const changeMapping = (
  database: DataSource,
  { workspaceId, accountId }: SignedIn,
  id: string,
  rules: HandOverMapping,
): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const version = (await locked(manager, workspaceId, id)).mappingVersion + 1;
    await manager.insert(MappingRecord, { destinationId: id, version, workspaceId, rules, madeBy: accountId, madeAt: new Date() }); // prettier-ignore
    await manager.update(DestinationRecord, { id }, { mappingVersion: version });
  });

/** The fields that the other system describes. @throws ProblemError 404, 409 where it describes none, 502 where it cannot be asked */
export async function describedFields(
  database: DataSource,
  { sealing, allowPrivate }: Reach,
  { workspaceId }: SignedIn,
  id: string,
  kind: 'lead' | 'contact',
): Promise<OutsideFields> {
  const destination = await inWorkspace(database, workspaceId, (manager) => found(manager, workspaceId, id));
  const { describe } = destination;
  if (!describe) throw new ProblemError(409, 'not-described', 'Not described', 'This system describes no fields: type their names.'); // prettier-ignore
  const answer = await new Asking(destination, sealing, allowPrivate)
    .json('GET', describe.path)
    .catch((error: unknown) => {
      if (error instanceof OutsideTrouble || error instanceof NotLetIn) throw unreachable(error.message);
      throw error;
    });
  const fields = OutsideFields.shape.items.safeParse(valueAt(answer.json, kind === 'lead' ? describe.leadAt : describe.contactAt)); // prettier-ignore
  if (answer.status !== 200 || !fields.success) throw unreachable(`It did not describe its fields (${answer.status}).`);
  return { items: fields.data };
}

const unreachable = (words: string): ProblemError => new ProblemError(502, 'not-reached', 'Not reached', words);

/** Somebody as they would be sent. @throws ProblemError 404 */
export const sampleOf = async (
  database: DataSource,
  reach: Reach,
  who: SignedIn,
  id: string,
  { personId, mapping }: HandOverSample,
): Promise<HandedOverSample> => {
  const { person, isDescribed } = await inSnapshot(database, who.workspaceId, async (manager) => ({
    isDescribed: (await found(manager, who.workspaceId, id)).describe !== null,
    person: await handedPerson(manager, who.workspaceId, personId),
  }));
  if (!person) throw notFound('This person');
  // Without its description what is typed is taken as it is.
  const fields: OutsideField[] = isDescribed
    ? (await describedFields(database, reach, who, id, person.kind)).items
    : [];
  return handedOver(person, mapping[person.kind], fields);
};

/** @throws ProblemError 404 for a destination, or people, that are not here */
export const handPeopleOver = (
  database: DataSource,
  { workspaceId }: SignedIn,
  id: string,
  personIds: readonly string[],
): Promise<HandOverBegun> =>
  inWorkspace(database, workspaceId, async (manager) => {
    await found(manager, workspaceId, id);
    const people = await manager.find(Person, {
      where: { id: In([...personIds]), workspaceId, deletedAt: IsNull() },
      select: { id: true },
    });
    if (people.length < new Set(personIds).size) throw notFound('One of these people');
    return { begun: await wantDelivered(manager, workspaceId, id, people.map((person) => ({ personId: person.id, subject: 'person', subjectId: person.id }))) }; // prettier-ignore
  });

/** @throws ProblemError 404 */
export const repeatHeld = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<HandOverBegun> =>
  inWorkspace(database, workspaceId, async (manager) => {
    await found(manager, workspaceId, id);
    return { begun: await tryAgain(manager, workspaceId, id, ['held']) };
  });

/** @throws ProblemError 404 */
export const repeatDelivery = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<HandOverBegun> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const delivery = await manager.findOneBy(DeliveryRecord, { id, workspaceId });
    if (!delivery) throw notFound('This sending');
    return { begun: await tryAgain(manager, workspaceId, delivery.destinationId, ['held', 'waiting', 'delivered'], [id]) }; // prettier-ignore
  });

/** What was handed over, or waits, the latest first. */
export const listDeliveries = (
  database: DataSource,
  { workspaceId }: SignedIn,
  { destination, person, state, cursor }: { destination?: string; person?: string; state: string; cursor?: string },
): Promise<Deliveries> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const states = state === 'all' ? [] : state === 'waiting' ? ['waiting', 'sending'] : [state];
    const query = manager
      .createQueryBuilder(DeliveryRecord, 'd')
      .innerJoinAndSelect('d.destination', 'destination')
      .innerJoinAndSelect('d.person', 'person')
      .where('d.workspaceId = :workspaceId', { workspaceId });
    if (destination) query.andWhere('d.destinationId = :destination', { destination });
    if (person) query.andWhere('d.personId = :person', { person });
    if (states.length > 0) query.andWhere('d.state in (:...states)', { states });
    if (cursor) query.andWhere('(d.madeAt, d.id) < (select c.made_at, c.id from delivery c where c.workspace_id = :workspaceId and c.id = :cursor)', { cursor }); // prettier-ignore
    const rows = await query.orderBy('d.madeAt', 'DESC').addOrderBy('d.id', 'DESC').limit(PAGE + 1).getMany(); // prettier-ignore
    const page = rows.slice(0, PAGE);
    const links = new Map((await manager.findBy(HandedRecord, { subjectId: In(page.map(({ subjectId }) => subjectId)) })).map((one) => [`${one.destinationId} ${one.subjectId}`, one.link])); // prettier-ignore
    return {
      items: page.map((row) => ({
        id: row.id,
        destinationId: row.destinationId,
        destination: row.destination!.name,
        personId: row.personId,
        fullName: row.person!.fullName,
        subject: row.subject,
        state: row.state,
        attempts: row.attempts,
        madeAt: row.madeAt.toISOString(),
        nextAt: row.nextAt?.toISOString() ?? null,
        doneAt: row.doneAt?.toISOString() ?? null,
        mappingVersion: row.mappingVersion,
        request: row.request,
        status: row.status,
        answer: row.answer,
        problem: row.problem,
        link: links.get(`${row.destinationId} ${row.subjectId}`) ?? null,
        theirs: row.theirs,
      })),
      next: rows.length > PAGE ? page.at(-1)!.id : null,
    };
  });

async function found(manager: EntityManager, workspaceId: string, id: string): Promise<DestinationRecord> {
  const record = await manager.findOneBy(DestinationRecord, { id, workspaceId });
  if (!record) throw notFound('This system');
  return record;
}

async function locked(manager: EntityManager, workspaceId: string, id: string): Promise<DestinationRecord> {
  const record = await manager.findOne(DestinationRecord, {
    where: { id, workspaceId },
    lock: { mode: 'pessimistic_write' },
  });
  if (!record) throw notFound('This system');
  return record;
}
