import type { FindingsSettled, FirmFacts, FoundOfMany, FoundOfPerson, Portrait } from '@dossier/contract';
import { hereInstead, withTaken, type Offer, type PersonOffer } from '@dossier/core/exchange/directory';
import { photoThumbnail } from '@dossier/reader/thumbnail';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { OutsideTrouble, type Reach } from '../../../platform/outside';
import { notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import type { StoredPicture } from '../../../platform/storage';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { Company, editLocked, loadFields, Person } from '../../people';
import { Directory } from './ask';
import { FindingRecord, PersonPortrait } from './entities';
import { factsOfFirm, offersOf, peopleWithOffers, type FoundRow } from './queries';
import { directoryOf } from './settings';

const PAGE = 20;
const PORTRAIT_SIDE = 320;

/** What is offered of somebody and their firm. @throws ProblemError 404 */
export const foundOf = (database: DataSource, { workspaceId }: SignedIn, personId: string): Promise<FoundOfPerson> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const [found] = await withOffers(manager, workspaceId, await peopleWithOffers(manager, workspaceId, { personId, limit: 1 })); // prettier-ignore
    if (!found) throw notFound('This person');
    return found;
  });

/** Everybody of whom something is offered, page by page. */
export const foundOfMany = (database: DataSource, { workspaceId }: SignedIn, after?: string): Promise<FoundOfMany> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const rows = await peopleWithOffers(manager, workspaceId, { after, limit: PAGE + 1 });
    const items = await withOffers(manager, workspaceId, rows.slice(0, PAGE));
    return { items, next: rows.length > PAGE ? items.at(-1)!.personId : null };
  });

async function withOffers(
  manager: EntityManager,
  workspaceId: string,
  rows: readonly FoundRow[],
): Promise<FoundOfPerson[]> {
  const ids = rows.map((row) => row.person_id);
  const [offers, people] = [await offersOf(manager, workspaceId, ids), await loadFields(manager, ids)];
  return rows.map((row) => ({
    personId: row.person_id,
    fullName: row.full_name,
    company: row.company ?? '',
    askedAt: row.asked_at?.toISOString() ?? null,
    problem: row.problem,
    findings: offers
      .filter((offer) => offer.of_person === row.person_id)
      .map(({ id, field, value, source, found_at: foundAt, is_firm: isFirm, instead }) => ({
        id,
        of: isFirm ? 'firm' : 'person',
        field,
        value,
        here: isFirm ? (instead ?? '') : hereInstead(people.get(row.person_id)!.fields, field as PersonOffer),
        source,
        foundAt: foundAt.toISOString(),
      })),
  }));
}

/**
 * Takes some of what is offered and leaves some: people are edited as by hand, all at once or not at all; a firm has what was taken of it
 * from then on. What somebody else has settled meanwhile stays as they did.
 * @throws ProblemError 502 for a portrait that cannot be had
 */
export async function settleFindings(
  database: DataSource,
  reach: Pick<Reach, 'sealing' | 'allowed'>,
  who: SignedIn,
  { take, leave }: FindingsSettled,
): Promise<void> {
  const { workspaceId } = who;
  // Fetched before anything is locked.
  const portraits = await portraitsOf(database, reach, workspaceId, take);
  await inWorkspace(database, workspaceId, async (manager) => {
    const open = await manager.find(FindingRecord, { where: { workspaceId, id: In([...take, ...leave]), state: 'offered' }, order: { id: 'ASC' }, lock: { mode: 'pessimistic_write' } }); // prettier-ignore
    const taken = open.filter(({ id }) => take.includes(id));
    const as = { settledBy: who.accountId, settledAt: new Date() };
    for (const personId of [...new Set(taken.flatMap(({ personId: of }) => of ?? []))].sort())
      await takeForPerson(manager, who, personId, taken.filter(({ personId: of }) => of === personId), portraits); // prettier-ignore
    for (const { companyId, field } of taken)
      if (companyId && field !== 'website')
        await manager.update(FindingRecord, { workspaceId, companyId, field, state: 'taken' }, { state: 'left' });
    await manager.update(FindingRecord, { id: In(taken.map(({ id }) => id)) }, { ...as, state: 'taken' });
    const left = open.filter(({ id }) => leave.includes(id) && !take.includes(id));
    await manager.update(FindingRecord, { id: In(left.map(({ id }) => id)) }, { ...as, state: 'left' });
  });
}

async function takeForPerson(
  manager: EntityManager,
  who: SignedIn,
  personId: string,
  taken: readonly FindingRecord[],
  portraits: ReadonlyMap<string, Buffer>,
): Promise<void> {
  await manager.findOne(Person, { where: { id: personId }, lock: { mode: 'for_no_key_update' } });
  const loaded = (await loadFields(manager, [personId])).get(personId);
  if (!loaded || loaded.person.deletedAt) throw notFound('This person');
  const { kind, rating, ownerId, tags } = loaded.person;
  const fields = withTaken(loaded.fields, taken as readonly Offer<PersonOffer>[]);
  if (taken.some(({ field }) => field !== 'portrait'))
    await editLocked(manager, who, loaded, { fields, kind, rating, ownerId, tags: [...tags] });
  for (const { id, source, workspaceId } of taken) {
    const bytes = portraits.get(id);
    if (bytes)
      await manager.upsert(PersonPortrait, { personId, workspaceId, pictureId: uuidv7(), bytes, source, takenAt: new Date() }, ['personId']); // prettier-ignore
  }
}

/** Portraits that are to be taken, small; by the finding. */
async function portraitsOf(
  database: DataSource,
  reach: Pick<Reach, 'sealing' | 'allowed'>,
  workspaceId: string,
  ids: readonly string[],
): Promise<Map<string, Buffer>> {
  const { findings, place } = await inSnapshot(database, workspaceId, async (manager) => {
    const wanted = await manager.findBy(FindingRecord, { workspaceId, id: In([...ids]), field: 'portrait', state: 'offered' }); // prettier-ignore
    return { findings: wanted, place: wanted.length > 0 ? await directoryOf(manager, workspaceId) : undefined };
  });
  const portraits = new Map<string, Buffer>();
  if (!place) return portraits;
  if (!place.portraits)
    throw new ProblemError(409, 'no-portraits', 'No portraits', 'Your team takes no portraits from directories. Leave it out.'); // prettier-ignore
  for (const { id, value } of findings) {
    const bytes = await new Directory(place, reach)
      .portrait(value)
      .then((sent) => photoThumbnail(sent, PORTRAIT_SIDE))
      .then((small) => small ?? Promise.reject(new Error('Not a picture')))
      .catch((error: unknown) => {
        const why = error instanceof OutsideTrouble ? error.message : 'It is not a picture.';
        throw new ProblemError(502, 'no-portrait', 'No portrait', `The portrait could not be had. ${why} Leave it out, or try again later.`); // prettier-ignore
      });
    portraits.set(id, Buffer.from(bytes));
  }
  return portraits;
}

export const firmFacts = (database: DataSource, { workspaceId }: SignedIn, companyId: string): Promise<FirmFacts> =>
  inSnapshot(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(Company, { id: companyId, workspaceId }))) throw notFound('This firm');
    return {
      items: (await factsOfFirm(manager, workspaceId, companyId)).map(({ found_at: foundAt, by, ...fact }) => ({ ...fact, foundAt: foundAt.toISOString(), takenBy: by ?? '' })), // prettier-ignore
    };
  });

/** What was taken of a firm is not known of it any more. @throws ProblemError 404 */
export const forgetFact = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.update(FindingRecord, { id, workspaceId, state: 'taken' }, { state: 'left' });
    if (!affected) throw notFound('This');
  });

export const portraitOf = (database: DataSource, { workspaceId }: SignedIn, personId: string): Promise<Portrait> =>
  inSnapshot(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(Person, { id: personId, workspaceId }))) throw notFound('This person');
    const kept = await manager.findOne(PersonPortrait, { where: { personId }, select: { personId: true, pictureId: true, source: true } }); // prettier-ignore
    return { pictureId: kept?.pictureId ?? null, source: kept?.source ?? null };
  });

/** @throws ProblemError 404 */
export const portraitPicture = (database: DataSource, { workspaceId }: SignedIn, personId: string): Promise<StoredPicture> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const kept = await manager.findOneBy(PersonPortrait, { personId, workspaceId });
    if (!kept) throw notFound('This portrait');
    return { id: kept.pictureId, type: 'image/jpeg', bytes: kept.bytes };
  }); // prettier-ignore

export const forgetPortrait = (database: DataSource, { workspaceId }: SignedIn, personId: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.delete(PersonPortrait, { personId, workspaceId });
    if (!affected) throw notFound('This portrait');
  });
