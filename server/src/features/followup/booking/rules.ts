import type { BookingRules, Interval } from '@dossier/core/followup/booking';
import { MoreThan, type EntityManager } from 'typeorm';
import { Workspace } from '../../account';
import { isHolidayIn } from '../calendarOf';
import { BookingRecord, type BookingRulesRecord } from './entities';

/** Somebody's rules as they are reckoned with. */
export async function rulesOf(manager: EntityManager, record: BookingRulesRecord): Promise<BookingRules> {
  const { country } = await manager.findOneByOrFail(Workspace, { id: record.workspaceId });
  const isHoliday = isHolidayIn(country);
  return {
    ...record,
    isDayOff: (day) =>
      (record.holidays && isHoliday(day)) || record.daysOff.some(({ from, to }) => from <= day && day <= to),
  };
}

/** All that is taken from somebody's time to come. @param exceptId a booking that is being moved: it does not stand in its own way */
export async function takenOf(
  manager: EntityManager,
  { accountId, busy }: BookingRulesRecord,
  now: Date,
  exceptId?: string,
): Promise<Interval[]> {
  const booked = await manager.findBy(BookingRecord, { accountId, state: 'booked', endsAt: MoreThan(now) });
  return [
    ...booked.filter(({ id }) => id !== exceptId).map(({ startsAt, endsAt }) => ({ from: startsAt, until: endsAt })),
    ...busy.map(([from, until]) => ({ from: new Date(from), until: new Date(until) })),
  ];
}
