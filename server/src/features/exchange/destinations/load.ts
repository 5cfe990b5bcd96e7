import type { HandOverMapping, OutsideObjects } from '@dossier/contract';
import { handedOver, rulesFor, type HandedPerson, type OutsideValue } from '@dossier/core/exchange/handOver';
import type { EntityManager } from 'typeorm';
import { storage } from '../../../platform/storage';
import { Task } from '../../followup';
import { Note } from '../../people';
import { OpportunityRecord } from '../../pipeline';
import { Card } from '../../reading';
import { cardsOfPeople } from '../queries';
import { cardsBy, type TakenCard } from '../takeOut/pictures';
import { loadTaken } from '../takeOut/takenPeople';
import { HandedRecord, MappingRecord, type DeliveryRecord, type DestinationRecord } from './entities';
import { consentsOf, markOf, occasionsOf } from './queries';

export type OutsideRecord = Record<string, OutsideValue>;
type Fault = { to: string; fault: string };

/** What is to be sent, read in one transaction before anything is asked. */
export type Load =
  | { kind: 'nothing' }
  | { kind: 'person'; person: HandedPerson; mapping: HandOverMapping; occasionIds: readonly string[]; pictures: readonly TakenCard[]; known: HandedRecord | null } // prettier-ignore
  | { kind: 'hanging'; object: Hanging; values: OutsideRecord; mark: string; of: HandedRecord; known: HandedRecord | null }; // prettier-ignore

export type Hanging = NonNullable<OutsideObjects['note' | 'task' | 'picture' | 'opportunity']>;

export async function loadFor(
  manager: EntityManager,
  destination: DestinationRecord,
  { subject, subjectId, personId }: DeliveryRecord,
  publicAddress: string | undefined,
): Promise<Load> {
  const { workspaceId, id: destinationId, to } = destination;
  const handed = (what: HandedRecord['subject'], id: string) =>
    manager.findOneBy(HandedRecord, { destinationId, subject: what, subjectId: id });
  const of = await handed('person', personId);
  if (subject === 'person') {
    const person = await handedPerson(manager, workspaceId, personId, publicAddress);
    if (!person) return { kind: 'nothing' };
    const { rules: mapping } = await mappingOf(manager, destination);
    const occasionIds = await occasionsOf(manager, workspaceId, personId);
    return { kind: 'person', person, mapping, occasionIds, pictures: await withinFile(manager, destination, personId), known: of }; // prettier-ignore
  }
  const object = to.kind === 'system' ? hangingOf(to.objects[subject]) : null;
  const mark = await markOf(manager, workspaceId, subjectId, personId);
  const values = object && of && (await valuesOf[subject](manager, workspaceId, object as never, subjectId));
  if (!object || !of || !values) return { kind: 'nothing' };
  return {
    kind: 'hanging',
    object,
    values: { ...named([object.ours, subjectId]), ...values },
    mark,
    of,
    known: await handed(subject, subjectId),
  };
}

/** What was set up before such records were looked for looks for none. */
const hangingOf = (object: Hanging | null | undefined): Hanging | null =>
  object ? { ...NOT_LOOKED_FOR, ...object } : null;
const NOT_LOOKED_FOR = { find: [], found: { at: '', refAt: '', linkAt: '', valuesAt: '' }, ours: '' };

/** The pictures that go into a file with somebody; where there are records for them, they go by themselves. */
async function withinFile(
  manager: EntityManager,
  { workspaceId, to }: DestinationRecord,
  personId: string,
): Promise<readonly TakenCard[]> {
  if (to.kind === 'system') return [];
  const how = { withReading: false, withPictures: true, onlyLatest: true };
  return (await cardsBy(manager, workspaceId, [personId], how)).get(personId) ?? [];
}

type ValuesOf<T> = (manager: EntityManager, workspaceId: string, object: T, id: string) => Promise<OutsideRecord | undefined>; // prettier-ignore
const named = (...values: [name: string, value: OutsideValue | null | undefined][]): OutsideRecord =>
  Object.fromEntries(
    values.filter((one): one is [string, OutsideValue] => one[0] !== '' && one[1] !== null && one[1] !== undefined),
  );

/** What hangs on a person, as it is sent; undefined for what is not here any more. */
const valuesOf: {
  note: ValuesOf<NonNullable<OutsideObjects['note']>>;
  task: ValuesOf<NonNullable<OutsideObjects['task']>>;
  picture: ValuesOf<NonNullable<OutsideObjects['picture']>>;
  opportunity: ValuesOf<NonNullable<OutsideObjects['opportunity']>>;
} = {
  note: async (manager, workspaceId, object, id) => {
    const note = await manager.findOneBy(Note, { id, workspaceId });
    return note ? named([object.words, note.text]) : undefined;
  },
  task: async (manager, workspaceId, object, id) => {
    const task = await manager.findOneBy(Task, { id, workspaceId });
    return task ? named([object.words, task.text], [object.due, task.dueOn], [object.done, task.doneAt ? task.doneAt.toISOString().slice(0, 10) : null]) : undefined; // prettier-ignore
  },
  picture: async (manager, workspaceId, object, id) => {
    const card = await pictureOf(manager, workspaceId, id);
    return card && named([object.bytes, card.bytes.toString('base64')], [object.side, card.side]);
  },
  opportunity: async (manager, workspaceId, object, id) => {
    const one = await manager.findOne(OpportunityRecord, { where: { id, workspaceId }, relations: { stage: true } });
    if (!one) return undefined;
    const { title, value, currency, stage, state, expectedOn, endReason } = one;
    return named([object.title, title], [object.value, value === null ? null : Number(value)], [object.currency, currency], [object.stage, stage!.name], [object.state, state], [object.expected, expectedOn], [object.reason, endReason]); // prettier-ignore
  },
};

async function pictureOf(
  manager: EntityManager,
  workspaceId: string,
  cardId: string,
): Promise<{ bytes: Buffer; side: 'front' | 'back' } | undefined> {
  const card = await manager.findOneBy(Card, { id: cardId, workspaceId });
  const kept = card?.fileId ? await storage.get(manager, card.fileId) : undefined;
  return card && kept ? { bytes: kept.bytes, side: card.frontCardId ? 'back' : 'front' } : undefined;
}

/** Somebody as other systems are told of them; undefined for who is not here. @param publicAddress where this is reached from outside */
export async function handedPerson(
  manager: EntityManager,
  workspaceId: string,
  id: string,
  publicAddress: string | undefined,
): Promise<HandedPerson | undefined> {
  const [taken] = await loadTaken(manager, workspaceId, [id]);
  if (!taken) return undefined;
  const [card] = publicAddress ? await cardsOfPeople(manager, workspaceId, [id], false) : [];
  return {
    ...taken,
    link: publicAddress ? `${publicAddress}/people/${id}` : null,
    pictureLink: card?.file_id ? `${publicAddress}/api/v1/cards/${card.id}/picture` : null,
    companyRef: null,
    consents: await consentsOf(manager, workspaceId, id),
  };
}

/** The mapping that is in force. */
export async function mappingOf(
  manager: EntityManager,
  { id: destinationId, mappingVersion: version }: Pick<DestinationRecord, 'id' | 'mappingVersion'>,
): Promise<{ rules: HandOverMapping }> {
  const kept = await manager.findOneBy(MappingRecord, { destinationId, version });
  return kept ?? { rules: { lead: [], contact: [], company: [], occasions: [] } };
}

/** Somebody and their company as a system wants them. */
export function recordsOf(
  { person, mapping, occasionIds }: Extract<Load, { kind: 'person' }>,
  companyRef: string | null,
): { record: OutsideRecord; faults: Fault[]; object: 'lead' | 'contact' } {
  const rules = rulesFor(mapping, person.kind, occasionIds);
  return { ...handedOver({ ...person, companyRef }, rules, []), object: person.kind };
}

export const companyRecord = ({ person, mapping }: Extract<Load, { kind: 'person' }>): { record: OutsideRecord; faults: Fault[] } => handedOver(person, mapping.company, []); // prettier-ignore
