/** The language most letters are written in, by country; English elsewhere. Unicode CLDR, territory and language information. */
const LANGUAGES: Readonly<Record<string, string>> = {
  DE: 'de', AT: 'de', CH: 'de', LI: 'de', LU: 'fr', FR: 'fr', MC: 'fr', ES: 'es', MX: 'es', AR: 'es', CL: 'es', CO: 'es', PE: 'es',
  IT: 'it', SM: 'it', PT: 'pt', BR: 'pt', NL: 'nl', BE: 'nl', DK: 'da', NO: 'nb', SE: 'sv', FI: 'fi', PL: 'pl', CZ: 'cs',
}; // prettier-ignore

/** @param country ISO 3166 @returns ISO 639-1 */
export const languageOfCountry = (country: string): string => LANGUAGES[country.toUpperCase()] ?? 'en';
