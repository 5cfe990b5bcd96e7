import { parsePhoneNumberFromString } from 'libphonenumber-js/min';

/** A number as people write it between countries: "+44 1632 960117 ext. 12"; one that cannot be placed as it is. */
export function formatPhone(value: string, extension = ''): string {
  const number = (isNumberAlone(value) && parsePhoneNumberFromString(value)?.formatInternational()) || value;
  return extension ? `${number} ext. ${extension}` : number;
}

/** Whether a text is written as numbers are; words beside one would be lost when it is set apart. */
export const isNumberAlone = (text: string): boolean => /^[+\d\s().\-–—/·]*$/.test(text);

/** Whether a number could be one: long enough, and no longer than its country's are when that is known. */
export function isPossiblePhone(text: string): boolean {
  const digits = text.replace(/\D/g, '').length;
  if (digits < 5) return false;
  return text.trim().startsWith('+') ? (parsePhoneNumberFromString(text)?.isPossible() ?? false) : digits <= 15;
}
