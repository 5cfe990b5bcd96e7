import { MOST_LOOKED_UP, type ChosenPeople, type LookUp } from '@dossier/contract';
import { firmOffers, isSameFirm, isSamePerson, personOffers, type FirmOffer } from '@dossier/core/exchange/directory';
import { IsNull, LessThan, MoreThan, Not, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { OutsideTrouble, type Reach } from '../../../platform/outside';
import { conflict, notFound, ProblemError } from '../../../platform/problem';
import { addJob } from '../../../platform/queue';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { loadFields, Person } from '../../people';
import { choosePeople } from '../takeOut/chosenPeople';
import { Directory, NotLetIn } from './ask';
import { DirectoryAsked, LookedUp, LookUpRecord } from './entities';
import { addChosen, domainsOfFirm, factsOfFirm, keepOffers, lookUpCounts, tellAsked } from './queries';
import { directoryOf } from './settings';

/** So many are asked about at once: a directory is not overrun. */
const AT_ONCE = 4;
/** After so many in a row that went wrong nobody more is asked about before a person has looked. */
const MOST_IN_A_ROW = 8;
/** A firm of many is asked about once in a while, not for each of them. */
const FIRM_AGAIN_MS = 24 * 60 * 60 * 1000;
const ATTEMPTS = 5;
/** What came of a search stands with the people; whom it asked about is forgotten after so long. */
const KEPT_MS = 30 * 24 * 60 * 60 * 1000;

type Parts = { database: DataSource } & Pick<Reach, 'sealing' | 'allowed'>;

/** @throws ProblemError 409 without a directory, 422 for too many */
export const beginLookUp = (database: DataSource, who: SignedIn, chosen: ChosenPeople): Promise<LookUp> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    const { workspaceId } = who;
    await directoryOf(manager, workspaceId);
    const people = await choosePeople(manager, workspaceId, chosen);
    if (people > MOST_LOOKED_UP)
      throw new ProblemError(422, 'too-many', 'Too many', `At most ${MOST_LOOKED_UP} people are asked about at once. Choose fewer.`); // prettier-ignore
    await manager.delete(LookUpRecord, {
      workspaceId,
      state: Not('running'),
      madeAt: LessThan(new Date(Date.now() - KEPT_MS)),
    });
    const id = uuidv7();
    await manager.insert(LookUpRecord, { id, workspaceId, madeBy: who.accountId, madeAt: new Date(), state: 'running', problem: null }); // prettier-ignore
    await addChosen(manager, workspaceId, id);
    await goOnSoon(manager, workspaceId, id);
    return stateOf(manager, workspaceId, id);
  });

const goOnSoon = (manager: EntityManager, workspaceId: string, lookUpId: string): Promise<void> =>
  addJob(manager, 'lookUp', { workspaceId, lookUpId }, { key: `lookUp ${lookUpId}`, maxAttempts: ATTEMPTS });

/** @throws ProblemError 404 */
export const lookUpState = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<LookUp> =>
  inSnapshot(database, workspaceId, (manager) => stateOf(manager, workspaceId, id));

/** What whoever asks began last, however far it is; null for nothing yet. */
export const latestLookUp = (database: DataSource, { workspaceId, accountId }: SignedIn): Promise<LookUp | null> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const [row] = await manager.find(LookUpRecord, { where: { workspaceId, madeBy: accountId }, order: { madeAt: 'DESC' }, take: 1 }); // prettier-ignore
    return row ? stateOf(manager, workspaceId, row.id) : null;
  });

async function stateOf(manager: EntityManager, workspaceId: string, id: string): Promise<LookUp> {
  const row = await manager.findOneBy(LookUpRecord, { id, workspaceId });
  if (!row) throw notFound('This search');
  const { total, done, found, failed } = await lookUpCounts(manager, workspaceId, id);
  return { id, state: row.state, problem: row.problem, madeAt: row.madeAt.toISOString(), total, done, found, failed };
}

/** @throws ProblemError 404 */
export const stopLookUp = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(LookUpRecord, { id, workspaceId }))) throw notFound('This search');
    // One that has come to its end meanwhile stays as it ended.
    await manager.update(LookUpRecord, { id, state: 'running' }, { state: 'stopped' });
  });

/** Goes on with one that was halted or stopped; whom it went wrong with is asked about again. @throws ProblemError 404, 409 */
export const goOnWithLookUp = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const row = await manager.findOne(LookUpRecord, { where: { id, workspaceId }, lock: { mode: 'pessimistic_write' } }); // prettier-ignore
    if (!row) throw notFound('This search');
    await directoryOf(manager, workspaceId);
    if (row.state === 'running') throw conflict('under-way', 'It is under way already.');
    await manager.update(LookedUp, { lookUpId: id, state: 'failed' }, { state: 'waiting' });
    await manager.update(LookUpRecord, { id }, { state: 'running', problem: null });
    await goOnSoon(manager, workspaceId, id);
  });

/** Asks about the next few of a look-up. @returns whether there are more */
export async function lookUpNext(parts: Parts, workspaceId: string, lookUpId: string): Promise<boolean> {
  const { database } = parts;
  const next = await inSnapshot(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(LookUpRecord, { id: lookUpId, state: 'running' }))) return undefined;
    return manager.find(LookedUp, { where: { lookUpId, state: 'waiting' }, order: { nth: 'ASC' }, take: AT_ONCE });
  });
  if (!next) return false;
  const outcomes = await Promise.all(next.map(({ personId }) => lookAt(parts, workspaceId, personId)));
  return inWorkspace(database, workspaceId, async (manager) => {
    for (const [i, { personId }] of next.entries())
      await manager.update(LookedUp, { lookUpId, personId }, { state: outcomes[i]!.state });
    const problem = outcomes.find((outcome) => outcome.problem)?.problem ?? null;
    const { total, done, in_a_row: inARow } = await lookUpCounts(manager, workspaceId, lookUpId);
    const isHalted = outcomes.some(({ isShut }) => isShut) || inARow >= MOST_IN_A_ROW;
    const state = isHalted ? 'halted' : done === total ? 'done' : undefined;
    // Somebody may have stopped it meanwhile.
    if (state) await manager.update(LookUpRecord, { id: lookUpId, state: 'running' }, { state, problem: isHalted ? problem : null }); // prettier-ignore
    return !state;
  });
}

interface Outcome {
  state: 'found' | 'nothing' | 'failed';
  problem?: string;
  /** The directory lets us in no more. */
  isShut?: boolean;
}

/** Asks about one person and, unless that was done lately, about their firm. What was found is offered, never written. */
async function lookAt({ database, sealing, allowed }: Parts, workspaceId: string, personId: string): Promise<Outcome> {
  const subject = await inSnapshot(database, workspaceId, async (manager) => {
    const place = await directoryOf(manager, workspaceId).catch(() => undefined);
    const loaded = (await loadFields(manager, [personId])).get(personId);
    if (!place || !loaded || loaded.person.deletedAt) return undefined;
    const companyId = loaded.companyId ?? undefined;
    const isLate = companyId !== undefined && !(await manager.existsBy(DirectoryAsked, { subjectId: companyId, problem: IsNull(), at: MoreThan(new Date(Date.now() - FIRM_AGAIN_MS)) })); // prettier-ignore
    const domains = isLate ? await domainsOfFirm(manager, workspaceId, companyId) : [];
    return { place, ...loaded, firm: isLate ? { id: companyId, name: loaded.fields.company, domains } : undefined };
  });
  if (!subject) return { state: 'nothing' };
  const { place, fields, person, firm } = subject;
  const country = /^[A-Z]{2}$/.test(fields.country) ? fields.country : place.country;
  try {
    const directory = new Directory(place, { sealing, allowed });
    const who = { fullName: person.fullName, company: fields.company, emails: fields.emails };
    const known = (await directory.people(who)).find((one) => isSamePerson(who, one));
    const knownFirm = firm && (await directory.firms(firm)).find((one) => isSameFirm(firm, one));
    const found = await inWorkspace(database, workspaceId, async (manager) => {
      // Erased meanwhile: nothing is kept of them.
      if (!(await manager.existsBy(Person, { id: personId, deletedAt: IsNull() }))) return 0;
      const offers = known ? personOffers(fields, known, country, place) : [];
      await keepOffers(manager, workspaceId, { personId }, offers, directory.name);
      await tellAsked(manager, workspaceId, { personId }, null);
      if (!firm) return offers.length;
      const taken = (await factsOfFirm(manager, workspaceId, firm.id)).map(({ field, value }) => ({ field: field as FirmOffer, value })); // prettier-ignore
      const ofFirm = knownFirm ? firmOffers(taken, knownFirm, country) : [];
      await keepOffers(manager, workspaceId, { companyId: firm.id }, ofFirm, directory.name);
      await tellAsked(manager, workspaceId, { companyId: firm.id }, null);
      return offers.length + ofFirm.length;
    });
    return { state: found > 0 ? 'found' : 'nothing' };
  } catch (error) {
    if (!(error instanceof OutsideTrouble)) throw error;
    await inWorkspace(database, workspaceId, async (manager) => {
      if (await manager.existsBy(Person, { id: personId })) await tellAsked(manager, workspaceId, { personId }, error.message); // prettier-ignore
    });
    return { state: 'failed', problem: error.message, isShut: error instanceof NotLetIn };
  }
}
