import { getCountries, type CountryCode } from 'libphonenumber-js/min';
import { fold } from '../text';

/** Languages in which people write countries' names. */
const LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'pt', 'nl', 'da', 'nb', 'sv', 'fi', 'pl', 'cs', 'sk', 'hu'];
const OTHER_NAMES: Readonly<Record<string, string>> = {
  uk: 'GB',
  'great britain': 'GB',
  england: 'GB',
  grossbritannien: 'GB',
  scotland: 'GB',
  wales: 'GB',
  'northern ireland': 'GB',
  usa: 'US',
  'u s a': 'US',
  'united states of america': 'US',
  holland: 'NL',
  'czech republic': 'CZ',
  'the netherlands': 'NL',
};

let codes: Map<string, string> | undefined;

const plain = (name: string): string =>
  fold(name)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

function codesByName(): Map<string, string> {
  const found = new Map(Object.entries(OTHER_NAMES));
  const countries = getCountries();
  for (const language of LANGUAGES) {
    const names = new Intl.DisplayNames(language, { type: 'region', fallback: 'none' });
    for (const code of countries) {
      const name = plain(names.of(code) ?? '');
      if (name && !found.has(name)) found.set(name, code);
    }
  }
  for (const code of countries) found.set(code.toLowerCase(), code);
  return found;
}

/** ISO 3166 of a country by its code or its name in one of fifteen languages; undefined for what is none. */
export function countryCode(text: string): CountryCode | undefined {
  codes ??= codesByName();
  return codes.get(plain(text)) as CountryCode | undefined;
}
