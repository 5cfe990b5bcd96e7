import type { Calendar } from '@dossier/core/followup';
import Holidays from 'date-holidays';
import type { EntityManager } from 'typeorm';
import { type Person } from '../people';
import { Workspace } from '../account';
import { MailSettingsRecord } from './mail/entities';

const WORKING_DAYS = [1, 2, 3, 4, 5];
/** Where Sunday is a working day and Friday is not: Unicode CLDR, weekend data. */
const FRIDAY_OFF = new Set(['BH', 'DZ', 'EG', 'IQ', 'JO', 'KW', 'LY', 'OM', 'QA', 'SA', 'SD', 'SY', 'YE']);
const years = new Map<string, ReadonlySet<string>>();
const known = new Set(Object.keys(new Holidays().getCountries()));

/** Days off of a country in one year, `YYYY-MM-DD`; reckoned once. */
function daysOff(country: string, year: number): ReadonlySet<string> {
  const key = `${country}${year}`;
  const found = years.get(key);
  if (found) return found;
  const days = new Set(
    new Holidays(country)
      .getHolidays(year)
      .filter(({ type }) => type === 'public' || type === 'bank')
      .map(({ date }) => date.slice(0, 10)),
  );
  years.set(key, days);
  return days;
}

/** Which days are public holidays in a country, `YYYY-MM-DD`; none in one that is not known. @param country ISO 3166 */
export const isHolidayIn = (country: string): ((day: string) => boolean) =>
  known.has(country) ? (day) => daysOff(country, Number(day.slice(0, 4))).has(day) : () => false;

/** When somebody in a country may be written to. @param country ISO 3166; of one without holidays here none are kept */
export function calendarIn(
  country: string,
  { quietFrom, quietTo, onDaysOff }: Pick<MailSettingsRecord, 'quietFrom' | 'quietTo' | 'onDaysOff'>,
): Calendar {
  const isKnown = known.has(country);
  const [timeZone = 'UTC'] = isKnown ? new Holidays(country).getTimezones() : [];
  return {
    timeZone,
    quiet: { from: quietFrom, to: quietTo },
    workingDays: FRIDAY_OFF.has(country) ? [0, 1, 2, 3, 4] : WORKING_DAYS,
    sendsOnDaysOff: onDaysOff,
    isHoliday: isHolidayIn(country),
  };
}

/** As it is where nothing was set. */
const QUIET = { quietFrom: '18:00', quietTo: '08:00', onDaysOff: false };

/** When a person may be written to, where they are; of somebody whose country is not known, as where the team is. */
export async function calendarOf(
  manager: EntityManager,
  { workspaceId, country }: Pick<Person, 'workspaceId' | 'country'>,
): Promise<Calendar> {
  const settings = (await manager.findOneBy(MailSettingsRecord, { workspaceId })) ?? QUIET;
  const workspace = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  return calendarIn(known.has(country.toUpperCase()) ? country.toUpperCase() : workspace.country, settings);
}
