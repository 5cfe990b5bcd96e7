import { z } from 'zod';

function isTimeZone(zone: string): boolean {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: zone }));
  } catch {
    return false;
  }
}

/** By its name in the time zone database, such as Europe/Oslo. */
export const TimeZone = z
  .string()
  .max(60)
  .refine((zone) => isTimeZone(zone), 'This is no time zone.');
