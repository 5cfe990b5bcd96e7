import { giveCard, takeCard } from '@dossier/core/exchange/cardDav';
import { changesBetween } from '@dossier/core/people';
import { In, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '../../../platform/session';
import { Workspace } from '../../account';
import { addPeople, distinctTags, editLocked, loadFields, lockPerson, log, Person } from '../../people';
import { DeviceEntry, DeviceFurther } from './entities';
import { entriesNamed } from './queries';

/** Cards of people, by their ids. */
export async function cardsOf(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<Map<string, string>> {
  const loaded = await loadFields(manager, ids);
  const further = new Map((await manager.findBy(DeviceFurther, { workspaceId, personId: In([...ids]) })).map((one) => [one.personId, one])); // prettier-ignore
  return new Map(
    [...loaded].map(([id, { person, fields }]) => {
      const { tags, kind, rating, updatedAt: changedAt } = person;
      return [id, giveCard({ personId: id, fields, tags, kind, rating, changedAt, further: further.get(id) })];
    }),
  );
}

/** What became of a card that a device wrote; what it may not, and why (RFC 6352, 6.3.2.1). */
export type Put = 'made' | 'changed' | 'notAsSeen' | 'noCard' | 'otherUid';

interface Written {
  bookId: string;
  name: string;
  text: string;
  /** The mark it must have; `none` where nothing may be there; undefined for whatever it is. */
  ifMark: string | 'none' | undefined;
}

/** A change on a device is a change here, with its history and with the same care as one by hand. */
export async function putCard(
  manager: EntityManager,
  who: SignedIn,
  { bookId, name, text, ifMark }: Written,
): Promise<Put> {
  const { workspaceId } = who;
  const { country } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const [entry] = await entriesNamed(manager, workspaceId, bookId, [name]);
  if (!entry?.is_there && !entry?.left_out)
    return ifMark === undefined || ifMark === 'none' ? makeCard(manager, who, { name, text }, country) : 'notAsSeen';
  const personId = entry.person_id;
  const seen = await manager.findOneByOrFail(Person, { id: personId });
  const loaded = await lockPerson(manager, personId, seen.version);
  const { person, fields } = loaded;
  const [now] = await entriesNamed(manager, workspaceId, bookId, [name]);
  if (entry.left_out) {
    // Whoever was taken out of the book, and is put there again under the same name.
    if (ifMark !== undefined && ifMark !== 'none') return 'notAsSeen';
    await manager.update(DeviceEntry, { bookId, personId }, { leftOut: false });
  } else if (ifMark !== undefined && ifMark !== '*' && ifMark !== now?.mark) return 'notAsSeen';
  const taken = takeCard(text, { fields, tags: person.tags }, country);
  if (!taken) return 'noCard';
  const tags = distinctTags(taken.tags);
  const isChanged = changesBetween(fields, taken.fields).length > 0 || tags.join('\n') !== person.tags.join('\n');
  if (isChanged) {
    const { kind, rating } = person;
    await editLocked(manager, who, loaded, { fields: taken.fields, tags, kind, rating });
  }
  const kept = await manager.findOneBy(DeviceFurther, { personId });
  const { note, lines, uid } = taken.further;
  const isOwnUid = uid === null || uid.replace(/^urn:uuid:/i, '') === personId;
  await manager.upsert(DeviceFurther, { personId, workspaceId, name: kept?.name ?? null, uid: kept?.uid ?? (isOwnUid ? null : uid), note, lines: [...lines] }, ['personId']); // prettier-ignore
  return 'changed';
}

async function makeCard(
  manager: EntityManager,
  who: SignedIn,
  { name, text }: Pick<Written, 'name' | 'text'>,
  country: string,
): Promise<Put> {
  const { workspaceId, accountId } = who;
  const taken = takeCard(text, undefined, country);
  if (!taken) return 'noCard';
  const { uid, note, lines } = taken.further;
  if (uid && (await manager.existsBy(DeviceFurther, { workspaceId, uid }))) return 'otherUid';
  // A name that another device has given already: this one is found under its own.
  const isTaken = await manager.existsBy(DeviceFurther, { workspaceId, name });
  const at = new Date();
  const id = uuidv7();
  const person = { id, kind: 'contact' as const, source: 'file' as const, ownerId: accountId, tags: distinctTags(taken.tags), rating: null, filedByItselfAt: null, fields: taken.fields }; // prettier-ignore
  await addPeople(manager, workspaceId, [person], at);
  await manager.insert(DeviceFurther, {
    personId: id,
    workspaceId,
    uid,
    name: isTaken ? null : name,
    note,
    lines: [...lines],
  });
  await log(manager, who, { personId: id, action: 'filed', at });
  return 'made';
}
