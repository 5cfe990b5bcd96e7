import { parsePhoneNumberFromString } from 'libphonenumber-js/min';

/** A number as people write it between countries: "+44 1632 960117"; one that cannot be placed as it is. */
export function formatPhone(value: string): string {
  const parsed = parsePhoneNumberFromString(value);
  return parsed ? parsed.formatInternational() : value;
}
