import { AsYouType, parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js/min';

/** A number as it is being typed, set apart as its country does: "+44 1632 9601". @param country ISO 3166, for numbers without a code */
export function phoneAsTyped(text: string, country: string | null): string {
  // An extension or words behind it are left alone.
  return /^[+\d\s().-]*$/.test(text)
    ? new AsYouType((country ?? undefined) as CountryCode | undefined).input(text)
    : text;
}

/** A typed number in E.164 where it can be placed, else as it is. */
export function normalPhone(text: string, country: string | null): string {
  const parsed = parsePhoneNumberFromString(text, (country ?? undefined) as CountryCode | undefined);
  return parsed?.isPossible() ? parsed.number : text.trim();
}
