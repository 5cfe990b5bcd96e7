import { parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js/min';

/** What equal e-mail addresses share: letter case is of no importance in practice, blanks are none. */
export const emailKey = (email: string): string => email.trim().toLowerCase();

/**
 * What equal phone numbers share: E.164 where the number can be placed, else its digits.
 * @param country ISO 3166 code assumed for numbers without a calling code
 */
export function phoneKey(phone: string, country?: string): string {
  const parsed = parsePhoneNumberFromString(phone.replace(/\(0\)/, ''), country as CountryCode | undefined);
  return parsed?.isPossible() ? parsed.number : phone.replace(/\D/g, '');
}

/** What equal web addresses share: no scheme, no `www.`, no trailing slash. */
export const websiteKey = (website: string): string =>
  website
    .trim()
    .toLowerCase()
    .replace(/^https?:\/\//, '')
    .replace(/^www\./, '')
    .replace(/\/+$/, '');
