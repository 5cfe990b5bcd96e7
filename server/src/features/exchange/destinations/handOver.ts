import type { Delivery, DestinationFields, HandOverMapping } from '@dossier/contract';
import { bodyOf, changeOf, filledPath, foundIn, handedOver, textAt, type FoundRecord, type HandedPerson } from '@dossier/core/exchange/handOver'; // prettier-ignore
import type { EntityManager } from 'typeorm';
import { type OutsideAnswer } from '../../../platform/outside';
import { Note } from '../../people';
import { loadTaken } from '../takeOut/takenPeople';
import { NotLetIn, type Asking } from './ask';
import { type DestinationRecord, HandedRecord, MappingRecord, type DeliveryRecord } from './entities';
import { consentsOf } from './queries';

type Objects = DestinationFields['objects'];
type OutsideObject = Objects['lead'];

/** What is to be sent, read in one transaction before anything is asked. */
export type Load =
  | { kind: 'nothing' }
  | { kind: 'person'; object: OutsideObject; record: Record<string, string | number | boolean | string[]>; faults: { to: string; fault: string }[]; known: HandedRecord | null } // prettier-ignore
  | { kind: 'note'; object: NonNullable<Objects['note']>; person: HandedRecord; words: string };

/** Where a record is now in the other system. */
export interface Landed {
  ref: string;
  link: string | null;
  theirs: Delivery['theirs'];
}

/** Somebody must look: the other system will take this no better the next time. */
export class NeedsPerson extends Error {}
/** It may go well later. */
export class TryLater extends Error {
  constructor(
    message: string,
    readonly retryAfter = 0,
  ) {
    super(message);
  }
}

export async function loadFor(
  manager: EntityManager,
  destination: DestinationRecord,
  delivery: DeliveryRecord,
): Promise<Load> {
  const { workspaceId, id: destinationId, objects } = destination;
  const known = await manager.findOneBy(HandedRecord, {
    destinationId,
    subject: 'person',
    subjectId: delivery.personId,
  });
  if (delivery.subject === 'note') {
    const note = await manager.findOneBy(Note, { id: delivery.subjectId, workspaceId });
    return note && known && objects.note ? { kind: 'note', object: objects.note, person: known, words: note.text } : { kind: 'nothing' }; // prettier-ignore
  }
  const person = await handedPerson(manager, workspaceId, delivery.personId);
  if (!person) return { kind: 'nothing' };
  const { rules } = await mappingOf(manager, destination);
  return { kind: 'person', object: objects[person.kind], ...handedOver(person, rules[person.kind], []), known };
}

export async function handedPerson(
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<HandedPerson | undefined> {
  const [taken] = await loadTaken(manager, workspaceId, [id]);
  return taken && { ...taken, link: `/people/${id}`, pictureLink: null, consents: await consentsOf(manager, workspaceId, id) }; // prettier-ignore
}

/** The mapping that is in force. */
export async function mappingOf(
  manager: EntityManager,
  { id: destinationId, mappingVersion: version }: Pick<DestinationRecord, 'id' | 'mappingVersion'>,
): Promise<{ rules: HandOverMapping }> {
  return (await manager.findOneBy(MappingRecord, { destinationId, version })) ?? { rules: { lead: [], contact: [] } };
}

/**
 * Brings a person into another system: the record that is known there is changed, else one that is found there, else one is made. What is
 * made has a name that stays the same, so that it is made once where the other system knows such names.
 * @param once that name @throws NeedsPerson, TryLater, OutsideTrouble, NotLetIn
 */
export async function bringPerson(
  asking: Asking,
  { object, record, known }: Extract<Load, { kind: 'person' }>,
  once: string,
): Promise<Landed> {
  // prettier-ignore
  if (known) {
    const answer = await send(asking, object.update.method, pathOf(object.update.path, record, known.ref), bodyOf(record, object.bodyAt)); // prettier-ignore
    // It was deleted there: it is made anew.
    if (answer.status !== 404 && answer.status !== 410) return { ref: known.ref, link: known.link, theirs: [] };
  }
  const found = await find(asking, object, record);
  if (found) return change(asking, object, record, found);
  const headers = object.onceHeader ? { [object.onceHeader.toLowerCase()]: once } : {};
  const answer = await send(asking, object.create.method, pathOf(object.create.path, record), bodyOf(record, object.bodyAt), headers, [409]); // prettier-ignore
  if (answer.status === 409) {
    // Somebody else has made it meanwhile, or by what it was not looked for.
    const other = await find(asking, object, record);
    if (other) return change(asking, object, record, other);
    throw new NeedsPerson(
      'It says that this person is there already, and does not find them: bring the two together there.',
    );
  }
  const ref = textAt(answer.json, object.refAt);
  if (!ref) throw new TryLater('Its answer does not say what it calls the new record.');
  return { ref, link: textAt(answer.json, object.linkAt) ?? null, theirs: [] };
}

async function find(
  asking: Asking,
  object: OutsideObject,
  record: Record<string, string | number | boolean | string[]>,
): Promise<FoundRecord | undefined> {
  // prettier-ignore
  for (const { method, path } of object.find) {
    const filled = filledPath(path, record);
    if (!filled) continue;
    const answer = await send(asking, method, filled, undefined, {}, [404]);
    const found = answer.status === 404 ? undefined : foundIn(answer.json, object);
    if (found) return found;
  }
  return undefined;
}

async function change(
  asking: Asking,
  object: OutsideObject,
  record: Record<string, string | number | boolean | string[]>,
  { ref, link, values }: FoundRecord,
): Promise<Landed> {
  // prettier-ignore
  const { send: fields, theirs } = changeOf(record, values);
  if (Object.keys(fields).length > 0)
    await send(asking, object.update.method, pathOf(object.update.path, record, ref), bodyOf(fields, object.bodyAt)); // prettier-ignore
  return { ref, link: link ?? null, theirs };
}

/** @throws as `bringPerson` */
export async function bringNote(
  asking: Asking,
  { object, person, words }: Extract<Load, { kind: 'note' }>,
  once: string,
): Promise<Landed> {
  // prettier-ignore
  const headers = object.onceHeader ? { [object.onceHeader.toLowerCase()]: once } : {};
  const { json } = await send(asking, object.create.method, pathOf(object.create.path, {}, person.ref), { [object.of]: person.ref, [object.words]: words }, headers); // prettier-ignore
  const ref = textAt(json, object.refAt);
  if (!ref) throw new TryLater('Its answer does not say what it calls the note.');
  return { ref, link: null, theirs: [] };
}

/** @param taken answers besides success that the caller knows what to do with */
async function send(
  asking: Asking,
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
  taken: readonly number[] = [404, 410],
): Promise<OutsideAnswer & { json: unknown }> {
  const answer = await asking.json(method, path, body, headers);
  const { status } = answer;
  if ((status >= 200 && status < 300) || taken.includes(status)) {
    // Half an answer tells nothing.
    if (answer.json === undefined && status !== 204 && answer.body.trim() !== '') throw new TryLater('Its answer cannot be read.'); // prettier-ignore
    return answer;
  }
  if (status === 401 && asking.givesTokens) throw new TryLater('It does not know the token that it has just given.');
  if (status === 401 || status === 403) throw new NotLetIn('It does not let us in: look at how we show who we are.');
  if (status === 408 || status === 425 || status === 429 || status >= 500)
    throw new TryLater(status === 429 ? 'It is asked too much at once.' : 'It has trouble of its own.', Number(answer.headers['retry-after']) || 0); // prettier-ignore
  throw new NeedsPerson(`It does not take this (${status}): correct the person, or what goes into which field.`);
}

function pathOf(path: string, record: Record<string, string | number | boolean | string[]>, ref?: string): string {
  const filled = filledPath(path, record, ref);
  if (filled === undefined) throw new NeedsPerson(`Something that the path ${path} takes is not known of this person.`);
  return filled;
}
