import { parsePhoneNumberFromString } from 'libphonenumber-js/min';

/** A number as people write it between countries: "+44 1632 960117"; one that cannot be placed as it is. */
export function formatPhone(value: string): string {
  const parsed = parsePhoneNumberFromString(value);
  return parsed ? parsed.formatInternational() : value;
}

/** Whether a number could be one: long enough, and no longer than its country's are when that is known. */
export function isPossiblePhone(text: string): boolean {
  const digits = text.replace(/\D/g, '').length;
  if (digits < 5) return false;
  return text.trim().startsWith('+') ? (parsePhoneNumberFromString(text)?.isPossible() ?? false) : digits <= 15;
}
