import { TZDate } from '@date-fns/tz';
import { firstFree, freeTimes } from '@dossier/core/followup/booking';
import { format } from 'date-fns/format';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { codeOf } from '../../../platform/databaseTrouble';
import { lockId } from '../../../platform/lockId';
import { newSecret } from '../../../platform/secret';
import type { SignedIn } from '../../../platform/session';
import { inWorkspace } from '../../../platform/workspaceScope';
import { log } from '../../people';
import { keepVisitorCard, type VisitorConsent } from '../../reading';
import { personAt } from '../messages/queries';
import { happensTo } from '../plans/happens';
import { addTaskIn } from '../tasks/service';
import { Task } from '../tasks/entities';
import { confirm, type Confirming } from './confirm';
import { BookingRecord, BookingRulesRecord } from './entities';
import { adoptOf } from './queries';
import { rulesOf, takenOf } from './rules';
import { whenWords } from './whenWords';

/** Two intervals of one account met, however they got by the lock: `booking_apart` (SQLSTATE 23P01, exclusion violation). */
const isMet = (error: unknown): boolean => codeOf(error) === '23P01';
const MOST_OFFERED = 6;

/** What somebody writes who books. */
export interface Booker {
  givenName: string;
  familyName: string;
  company: string;
  title: string;
  email: string;
  phone: string;
  words: string;
  consent: VisitorConsent | null;
}

interface Wanted {
  /** Made by the page: booking it twice books it once. */
  id: string;
  start: Date;
  booker: Booker;
  language: string;
  timeZone: string;
}

interface Whose extends SignedIn {
  country: string;
}

/** Booked, or what is free in its place. */
export type Outcome = { booking: BookingRecord; isWrittenTo: boolean } | { offered: Date[] };

/** Books a talk: with a task for whoever is booked, a confirmation for whoever books, and plans that end with it. */
export async function book(
  database: DataSource,
  whose: Whose,
  wanted: Wanted,
  confirming: Confirming,
  now: Date,
): Promise<Outcome> {
  try {
    return await inWorkspace(database, whose.workspaceId, (manager) => bookIn(manager, whose, wanted, confirming, now));
  } catch (error) {
    if (!isMet(error)) throw error;
    return inWorkspace(database, whose.workspaceId, (manager) => offeredFor(manager, whose, wanted.start, now));
  }
}

async function offeredFor(
  manager: EntityManager,
  { accountId }: Whose,
  wanted: Date,
  now: Date,
  exceptId?: string,
): Promise<{ offered: Date[] }> {
  const record = await manager.findOneBy(BookingRulesRecord, { accountId, isOn: true });
  if (!record) return { offered: [] };
  const free = freeTimes(await rulesOf(manager, record), await takenOf(manager, record, now, exceptId), now);
  return { offered: firstFree(free, wanted, MOST_OFFERED) };
}

async function bookIn(
  manager: EntityManager,
  whose: Whose,
  { id, start, booker, language, timeZone }: Wanted,
  confirming: Confirming,
  now: Date,
): Promise<Outcome> {
  const { workspaceId, accountId, country } = whose;
  // One after the other: several that meet would wait for each other until the database gave some of them up.
  await lockId(manager, accountId);
  const there = await manager.findOneBy(BookingRecord, { id, workspaceId });
  if (there) return { booking: there, isWrittenTo: there.messageId !== null };
  const record = await ruleFor(manager, accountId, start, now);
  if (!record) return offeredFor(manager, whose, start, now);
  const { consent, ...visitor } = booker;
  const name = [booker.givenName, booker.familyName].filter(Boolean).join(' ');
  const personId = (await personAt(manager, workspaceId, booker.email.toLowerCase())) ?? null;
  const cardId = personId ? null : uuidv7();
  if (cardId) await keepVisitorCard(manager, { id: cardId, workspaceId, accountId, visitor, consent, country }, now);
  const taskId = await addTaskIn(manager, { workspaceId, accountId }, taskOf(name, start, record.timeZone, personId));
  const booking = {
    id, workspaceId, accountId, personId, cardId, taskId, name, language, timeZone,
    ...spanOf(start, record),
    state: 'booked' as const,
    email: booker.email.toLowerCase(),
    phone: booker.phone,
    words: booker.words,
    key: newSecret(),
    sequence: 0,
    messageId: null,
    madeAt: now,
    changedAt: now,
  }; // prettier-ignore
  await manager.insert(BookingRecord, booking);
  await told(manager, booking, 'booked', now);
  const isWrittenTo = await confirm(manager, booking as BookingRecord, confirming, now);
  return { booking: booking as BookingRecord, isWrittenTo };
}

/** Somebody's rules, where they leave that time free. */
async function ruleFor(manager: EntityManager, accountId: string, start: Date, now: Date, exceptId?: string) {
  const record = await manager.findOneBy(BookingRulesRecord, { accountId, isOn: true });
  if (!record) return undefined;
  const free = freeTimes(await rulesOf(manager, record), await takenOf(manager, record, now, exceptId), now);
  return free.some((time) => time.getTime() === start.getTime()) ? record : undefined;
}

const spanOf = (startsAt: Date, { minutes, bufferMinutes }: BookingRulesRecord) => {
  const endsAt = new Date(startsAt.getTime() + minutes * 60_000);
  return { startsAt, endsAt, freeAt: new Date(endsAt.getTime() + bufferMinutes * 60_000) };
};

const taskOf = (name: string, start: Date, timeZone: string, personId: string | null) => {
  const here = new TZDate(start.getTime(), timeZone);
  return {
    text: `Talk with ${name}`.slice(0, 300),
    dueOn: format(here, 'yyyy-MM-dd'),
    dueTime: format(here, 'HH:mm'),
    repeat: null,
    ownerId: null,
    personId,
    companyId: null,
    opportunityId: null,
  };
};

/** The history of whoever booked says so, and their plans go on accordingly. */
async function told(
  manager: EntityManager,
  {
    workspaceId,
    personId,
    startsAt,
    timeZone,
  }: Pick<BookingRecord, 'workspaceId' | 'personId' | 'startsAt' | 'timeZone'>,
  action: 'booked' | 'bookingMoved' | 'bookingCalledOff',
  at: Date,
): Promise<void> {
  if (!personId) return;
  const changes = [{ field: 'talk', before: '', after: whenWords(startsAt, timeZone, 'en') }];
  await log(manager, { workspaceId, accountId: null }, { personId, action, at, changes });
  if (action === 'booked') await happensTo(manager, workspaceId, personId, { kind: 'booked', at });
}

/** Whoever booked without being known is filed now: what waited is theirs, and their plans go on accordingly. */
export async function adoptBookings(
  manager: EntityManager,
  workspaceId: string,
  cardId: string,
  personId: string,
  at: Date,
): Promise<void> {
  if (await adoptOf(manager, workspaceId, cardId, personId))
    await happensTo(manager, workspaceId, personId, { kind: 'booked', at });
}

/** Another time for the same talk. @returns undefined for one that is over or called off */
export async function moveBooking(
  database: DataSource,
  whose: Whose,
  id: string,
  start: Date,
  confirming: Confirming,
  now: Date,
): Promise<Outcome | undefined> {
  try {
    return await inWorkspace(database, whose.workspaceId, async (manager) => {
      await lockId(manager, whose.accountId);
      const booking = await open(manager, whose, id, now);
      if (!booking) return undefined;
      if (booking.startsAt.getTime() === start.getTime()) return { booking, isWrittenTo: booking.messageId !== null };
      const record = await ruleFor(manager, whose.accountId, start, now, id);
      if (!record) return offeredFor(manager, whose, start, now, id);
      const { sequence, taskId } = booking;
      const change = { ...spanOf(start, record), sequence: sequence + 1, changedAt: now };
      await manager.update(BookingRecord, { id }, change);
      const { dueOn, dueTime } = taskOf(booking.name, start, record.timeZone, null);
      if (taskId) await manager.update(Task, { id: taskId }, { dueOn, dueTime, changedAt: now });
      const moved = { ...booking, ...change };
      await told(manager, moved, 'bookingMoved', now);
      return { booking: moved, isWrittenTo: await confirm(manager, moved, confirming, now) };
    });
  } catch (error) {
    if (!isMet(error)) throw error;
    return inWorkspace(database, whose.workspaceId, (manager) => offeredFor(manager, whose, start, now, id));
  }
}

const open = (manager: EntityManager, { workspaceId, accountId }: SignedIn, id: string, now: Date) =>
  manager
    .findOne(BookingRecord, { where: { id, workspaceId, accountId, state: 'booked' }, lock: { mode: 'pessimistic_write' } })
    .then((booking) => (booking && booking.endsAt > now ? booking : undefined)); // prettier-ignore

/** Nothing is booked any more; called off twice it is called off once. @returns whether there was anything */
export const callOff = (
  database: DataSource,
  whose: SignedIn,
  id: string,
  confirming: Confirming,
  now: Date,
): Promise<boolean> =>
  inWorkspace(database, whose.workspaceId, async (manager) => {
    const booking = await open(manager, whose, id, now);
    if (!booking) return false;
    const change = { state: 'calledOff' as const, sequence: booking.sequence + 1, changedAt: now };
    await manager.update(BookingRecord, { id }, change);
    if (booking.taskId) await manager.delete(Task, { id: booking.taskId });
    const off = { ...booking, ...change };
    await told(manager, off, 'bookingCalledOff', now);
    await confirm(manager, off, confirming, now);
    return true;
  });
