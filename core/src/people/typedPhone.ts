import { AsYouType, parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js/min';
import { isNumberAlone } from './formatPhone';

/** A number as it is being typed, set apart as its country does: "+44 1632 9601". @param country ISO 3166, for numbers without a code */
export function phoneAsTyped(text: string, country: string | null): string {
  return isNumberAlone(text) ? new AsYouType((country ?? undefined) as CountryCode | undefined).input(text) : text;
}

const EXTENSION =
  /(?<=[\d)\s])[,;]?\s*(?:(?:ext(?:ension)?|x|int|poste|dw|durchwahl)\b[.:]?|x|#)\s*(\d[\w-]{0,9})\s*$/i;

/** A typed number with the extension behind it, if any: the number in E.164 where it can be placed, else as it is. */
export function typedPhone(text: string, country: string | null): { value: string; extension: string } {
  const match = EXTENSION.exec(text);
  const number = match ? text.slice(0, match.index) : text;
  return { value: normalPhone(number, country), extension: match?.[1] ?? '' };
}

function normalPhone(text: string, country: string | null): string {
  const parsed = parsePhoneNumberFromString(text, (country ?? undefined) as CountryCode | undefined);
  return parsed?.isPossible() && isNumberAlone(text) ? parsed.number : text.trim();
}
