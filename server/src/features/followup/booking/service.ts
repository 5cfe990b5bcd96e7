import type { Booking, BookingFields, BookingStanding } from '@dossier/contract';
import { freeTimes } from '@dossier/core/followup/booking';
import { MoreThan, type DataSource } from 'typeorm';
import type { Reach } from '../../../platform/outside';
import { notFound } from '../../../platform/problem';
import { refusePrivate } from '../../../platform/refusePrivate';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { Account } from '../../account';
import { CardPage } from '../ownCard/entities';
import { callOff } from './book';
import { BookingRecord, BookingRulesRecord } from './entities';
import { lookAtCalendar } from './otherCalendar';
import { rulesOf, takenOf } from './rules';
import { pathOfTimes } from './paths';

const MOST_COMING = 100;
const MOST_FREE = 12;

const WORKDAY = [{ from: '09:00', to: '12:00' }, { from: '13:00', to: '17:00' }]; // prettier-ignore
const BEGINNING = {
  isOn: false,
  minutes: 30,
  bufferMinutes: 10,
  noticeHours: 4,
  daysAhead: 21,
  timeZone: 'UTC',
  hours: [[], WORKDAY, WORKDAY, WORKDAY, WORKDAY, WORKDAY, []],
  holidays: true,
  daysOff: [],
  place: '',
};

/** When whoever asks lets others book a talk, and what is booked. */
export const bookingStanding = (database: DataSource, { workspaceId, accountId }: SignedIn): Promise<BookingStanding> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const now = new Date();
    const record = await manager.findOneBy(BookingRulesRecord, { accountId });
    const page = await manager.findOneBy(CardPage, { accountId });
    const coming = await manager.find(BookingRecord, {
      where: { accountId, state: 'booked', endsAt: MoreThan(now) },
      relations: { person: true, message: true },
      order: { startsAt: 'ASC' },
      take: MOST_COMING,
    });
    const { isOn, minutes, bufferMinutes, noticeHours, daysAhead, timeZone, hours, holidays, daysOff, place } =
      record ?? BEGINNING;
    const free = record?.isOn ? freeTimes(await rulesOf(manager, record), await takenOf(manager, record, now), now) : []; // prettier-ignore
    return {
      isOn, minutes, bufferMinutes, noticeHours, daysAhead, timeZone, hours, holidays, daysOff, place,
      path: isOn && page ? pathOfTimes(page.key) : null,
      busy: record?.busyHost ? { host: record.busyHost, seenAt: record.busySeenAt?.toISOString() ?? null, problem: record.busyProblem } : null,
      free: free.slice(0, MOST_FREE).map((time) => time.toISOString()),
      coming: coming.map(viewOf),
    }; // prettier-ignore
  });

const MAIL_STATES = { handing: 'waiting', sending: 'waiting', received: 'sent' } as const;

function viewOf({ id, startsAt, endsAt, name, email, phone, words, person, cardId, message }: BookingRecord): Booking {
  return {
    id, name, email, phone, words, cardId,
    startsAt: startsAt.toISOString(),
    endsAt: endsAt.toISOString(),
    person: person ? { id: person.id, fullName: person.fullName } : null,
    mail: message ? (MAIL_STATES[message.state as keyof typeof MAIL_STATES] ?? (message.state as 'waiting')) : null,
  }; // prettier-ignore
}

/** @throws ProblemError 422 for a calendar on this machine or its network that is not allowed, 409 where nothing can be sealed */
export async function saveBookingRules(
  database: DataSource,
  { sealing, allowed }: Reach,
  { workspaceId, accountId }: SignedIn,
  { busyUrl, ...fields }: BookingFields,
): Promise<void> {
  if (busyUrl) refusePrivate(busyUrl, allowed, 'busyUrl');
  const other =
    busyUrl === undefined
      ? {}
      : {
          busyUrl: busyUrl ? sealing.seal(busyUrl) : null,
          busyHost: busyUrl ? new URL(busyUrl).host : null,
          busy: [],
          busySeenAt: null,
          busyProblem: null,
        };
  const record = await inWorkspace(database, workspaceId, async (manager) => {
    await manager.upsert(BookingRulesRecord, { accountId, workspaceId, ...fields, ...other }, ['accountId']);
    return manager.findOneByOrFail(BookingRulesRecord, { accountId });
  });
  if (busyUrl) await lookAtCalendar({ database, sealing, allowed }, record, new Date());
}

/** Calls a talk off that somebody has booked with whoever asks; they are told. @throws ProblemError 404 */
export async function callOffOwn(
  database: DataSource,
  publicAddress: string | undefined,
  who: SignedIn,
  id: string,
): Promise<void> {
  const { accountId, workspaceId } = who;
  const confirming = await inSnapshot(database, workspaceId, async (manager) => ({
    name: (await manager.findOneByOrFail(Account, { id: accountId })).name,
    place: (await manager.findOneBy(BookingRulesRecord, { accountId }))?.place ?? '',
    publicAddress,
  }));
  if (!(await callOff(database, who, id, confirming, new Date()))) throw notFound('This talk');
}
