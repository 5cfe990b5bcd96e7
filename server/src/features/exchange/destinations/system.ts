import type { OutsideObject } from '@dossier/contract';
import {
  bodyOf,
  changeOf,
  filledPath,
  foundIn,
  isAskedFor,
  textAt,
  type FoundRecord,
} from '@dossier/core/exchange/handOver';
import type { OutsideAnswer } from '../../../platform/outside';
import type { Asking } from './ask';
import type { HandedRecord } from './entities';
import type { Load, OutsideRecord } from './load';
import { NeedsPerson, NotLetIn, TryLater, type Landed } from './outcome';

type Known = Pick<HandedRecord, 'ref' | 'link' | 'sent'> | null;

const GONE = [404, 410];
const onceAs = (header: string | null, once: string): Record<string, string> => (header ? { [header.toLowerCase()]: once } : {}); // prettier-ignore

/**
 * Brings a record into another system: the one that is known there is changed, else one that is found there, else one is made. What is made
 * has a name that stays the same, so that it is made once where the other system knows such names.
 * @param once that name @throws NeedsPerson, TryLater, OutsideTrouble, NotLetIn
 */
export async function bringRecord(
  asking: Asking,
  object: OutsideObject,
  record: OutsideRecord,
  known: Known,
  once: string,
): Promise<Landed> {
  const found = await find(asking, object, record, known?.ref);
  if (found) return change(asking, object, record, found, found.ref === known?.ref ? known.sent : undefined);
  if (known) {
    const answer = await send(asking, object.update.method, pathOf(object.update.path, record, known.ref), bodyOf(record, object.bodyAt), {}, GONE); // prettier-ignore
    // It was deleted there: it is made anew.
    if (!GONE.includes(answer.status)) return { ref: known.ref, link: known.link, theirs: [], sent: record };
  }
  const answer = await create(asking, object, record, once, [409]);
  if (answer.status === 409) {
    // Somebody else has made it meanwhile, or it was not looked for by what is alike.
    const other = await find(asking, object, record);
    if (other) return change(asking, object, record, other);
    throw new NeedsPerson('It says that this is there already, and does not find it: bring the two together there.');
  }
  return landed(answer, object, record);
}

/** Makes a new record, whatever is there. @throws as `bringRecord` */
export const makeRecord = async (
  asking: Asking,
  object: OutsideObject,
  record: OutsideRecord,
  once: string,
): Promise<Landed> => landed(await create(asking, object, record, once, []), object, record);

const create = (
  asking: Asking,
  { create: { method, path }, bodyAt, onceHeader }: OutsideObject,
  record: OutsideRecord,
  once: string,
  taken: readonly number[],
) => send(asking, method, pathOf(path, record), bodyOf(record, bodyAt), onceAs(onceHeader, once), taken);

function landed(
  { json }: { json: unknown },
  { refAt, linkAt }: Pick<OutsideObject, 'refAt' | 'linkAt'>,
  sent: OutsideRecord,
): Landed {
  // prettier-ignore
  const ref = textAt(json, refAt);
  if (!ref) throw new TryLater('Its answer does not say what it calls the new record.');
  return { ref, link: textAt(json, linkAt) ?? null, theirs: [], sent };
}

/** @param ref what it is called there, where that is known */
async function find(
  asking: Asking,
  object: Pick<OutsideObject, 'find' | 'found'>,
  record: OutsideRecord,
  ref?: string,
): Promise<FoundRecord | undefined> {
  for (const { method, path, at } of object.find) {
    const filled = filledPath(path, record, ref);
    if (!filled) continue;
    const answer = await send(asking, method, filled, undefined, {}, GONE);
    const found = GONE.includes(answer.status) ? undefined : foundIn(answer.json, { found: { ...object.found, ...(at !== null && { at }) } }); // prettier-ignore
    if (found && isAskedFor(path, record, found)) return found;
  }
  return undefined;
}

/** @param sent what of ours stood there last; undefined where it was not brought from here */
async function change(
  asking: Asking,
  object: OutsideObject,
  record: OutsideRecord,
  { ref, link, values }: FoundRecord,
  sent?: OutsideRecord,
): Promise<Landed> {
  const { send: fields, theirs, kept } = changeOf(record, values, sent);
  if (Object.keys(fields).length > 0)
    await send(asking, object.update.method, pathOf(object.update.path, record, ref), bodyOf(fields, object.bodyAt)); // prettier-ignore
  return { ref, link: link ?? null, theirs, sent: kept };
}

/**
 * What hangs on a person: made once, and changed where the other system takes that. One that is not known is looked for, since it may have
 * been made there while the answer was lost. @throws as `bringRecord`
 */
export async function bringHanging(
  asking: Asking,
  { object, values, mark, of, known }: Extract<Load, { kind: 'hanging' }>,
  once: string,
): Promise<Landed> {
  if (known && !object.update) return { ...known, theirs: [] };
  const body = { [object.of]: of.ref, ...values };
  // What it says is not kept a second time.
  const sent = { mark };
  const changed = async ({ ref, link }: Pick<Landed, 'ref' | 'link'>): Promise<Landed | undefined> => {
    const { update } = object;
    if (!update) return { ref, link, theirs: [], sent };
    const answer = await send(asking, update.method, pathOf(update.path, {}, ref), body, {}, GONE);
    return GONE.includes(answer.status) ? undefined : { ref, link, theirs: [], sent };
  };
  const found = known ?? (await find(asking, object, body));
  const done = found && (await changed({ ref: found.ref, link: found.link ?? null }));
  if (done) return done;
  const { method, path } = object.create;
  const answer = await send(asking, method, pathOf(path, {}, of.ref), body, onceAs(object.onceHeader, once), [409]);
  if (answer.status !== 409) return landed(answer, { refAt: object.refAt, linkAt: '' }, sent);
  const other = await find(asking, object, body);
  const taken = other && (await changed({ ref: other.ref, link: other.link ?? null }));
  if (!taken) throw new NeedsPerson('It says that this is there already, and does not find it: look for it there.');
  return taken;
}

/** @param taken answers besides success that the caller knows what to do with */
async function send(
  asking: Asking,
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
  taken: readonly number[] = [],
): Promise<OutsideAnswer & { json: unknown }> {
  const answer = await asking.json(method, path, body, headers);
  const { status } = answer;
  if ((status >= 200 && status < 300) || taken.includes(status)) {
    // Half an answer tells nothing.
    if (answer.json === undefined && status !== 204 && answer.body.trim() !== '') throw new TryLater('Its answer cannot be read.'); // prettier-ignore
    return answer;
  }
  throw refusal(asking, answer);
}

/** What an answer that is no success means. */
export function refusal(asking: Pick<Asking, 'givesTokens'>, { status, headers }: OutsideAnswer): Error {
  if (status === 401 && asking.givesTokens) return new TryLater('It does not know the token that it has just given.');
  if (status === 401 || status === 403) return new NotLetIn('It does not let us in: look at how we show who we are.');
  if (status === 408 || status === 425 || status === 429 || status >= 500)
    return new TryLater(status === 429 ? 'It is asked too much at once.' : 'It has trouble of its own.', Number(headers['retry-after']) || 0); // prettier-ignore
  return new NeedsPerson(`It does not take this (${status}): correct the person, or what goes into which field.`);
}

function pathOf(path: string, record: OutsideRecord, ref?: string): string {
  const filled = filledPath(path, record, ref);
  if (filled === undefined) throw new NeedsPerson(`Something that the path ${path} takes is not known of this person.`);
  return filled;
}
