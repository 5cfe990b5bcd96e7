/** Letters beyond ASCII that are met on cards everywhere: those of Western Europe (ISO 8859-1) and French Œ. */
const EVERYWHERE = 'ÀÁÂÃÄÅÆÇÈÉÊËÌÍÎÏÐÑÒÓÔÕÖØÙÚÛÜÝÞßàáâãäåæçèéêëìíîïðñòóôõöøùúûüýþÿŒœŸ';

/** Further letters of a language (CLDR exemplar characters), by ISO 639-1 code. */
const LETTERS_OF_LANGUAGE: Readonly<Record<string, string>> = {
  cs: 'ČĎĚŇŘŠŤŮŽčďěňřšťůž',
  et: 'ŠŽšž',
  fi: 'ŠŽšž',
  hr: 'ČĆĐŠŽčćđšž',
  hu: 'ŐŰőű',
  lt: 'ĄČĘĖĮŠŲŪŽąčęėįšųūž',
  mi: 'ĀĒĪŌŪāēīōū',
  lv: 'ĀČĒĢĪĶĻŅŠŪŽāčēģīķļņšūž',
  pl: 'ĄĆĘŁŃÓŚŹŻąćęłńóśźż',
  ro: 'ĂȘȚŞŢășțşţ',
  sk: 'ČĎĹĽŇŔŠŤŽčďĺľňŕšťž',
  sl: 'ČŠŽčšž',
  tr: 'ĞİŞğış',
};

/** Languages of a country's cards whose letters go beyond Western Europe's. */
const LANGUAGES_OF_COUNTRY: Readonly<Record<string, readonly string[]>> = {
  PL: ['pl'], FI: ['fi'], CZ: ['cs'], SK: ['sk'], HU: ['hu'], RO: ['ro'], HR: ['hr'], SI: ['sl'], TR: ['tr'], EE: ['et'], LV: ['lv'], LT: ['lt'], NZ: ['mi'],
};

/** Countries whose languages leave no mark of a letter out in capitals; elsewhere that is often done. */
const MARKED_CAPITALS: ReadonlySet<string> = new Set(['PL', 'CZ', 'SK', 'HU', 'SE', 'NO', 'DK', 'FI', 'EE', 'LV', 'LT', 'RO', 'HR', 'SI', 'TR']);

/** Whether capitals keep the marks of their letters in a country. */
export const marksCapitals = (country: string | undefined): boolean => country !== undefined && MARKED_CAPITALS.has(country);

/** What an accented letter most likely is in a country, when the engine saw a foreign one over the same letter. */
const USUAL_ACCENT: Readonly<Record<string, string>> = {
  DE: 'äöüÄÖÜ', AT: 'äöüÄÖÜ', CH: 'äöüÄÖÜ', SE: 'äöåÄÖÅ', FI: 'äöåÄÖÅ', PT: 'ãõÃÕ', BR: 'ãõÃÕ', FR: 'éêôûâÉÊÔÛÂ', DK: 'øåØÅ', NO: 'øåØÅ', ES: 'áéíóúÁÉÍÓÚ',
};

/** All accented letters of a country's own languages; others there are foreign names, or misread. */
const OWN_ACCENTS: Readonly<Record<string, string>> = {
  DE: 'äöüßé', AT: 'äöüßé', SE: 'åäöé', FI: 'åäöé', DK: 'æøåé', NO: 'æøåé',
  FR: 'éèêëàâîïôûùüçœæÿ', CA: 'éèêëàâîïôûùüçœæÿ', BE: 'éèêëàâîïôûùüçœæöä', NL: 'éèêëâïôûüçöä', IT: 'àèéìíîòóùú',
  ES: 'áàéèíïóòúüñç', PT: 'áâãàçéêíóôõúü', BR: 'áâãàçéêíóôõúü', PL: 'ąćęłńóśźżé',
};

/** Languages with letters of their own that a workspace can say it expects, by ISO 639-1 code. */
export const EXPECTABLE_LANGUAGES: readonly string[] = Object.keys(LETTERS_OF_LANGUAGE);

/**
 * Whether a letter is written on cards of a country, or in a language expected beside its own.
 * @param languages ISO 639-1 codes
 */
export const isAtHome = (letter: string, country: string | undefined, languages: readonly string[] = []): boolean =>
  EVERYWHERE.includes(letter) ||
  [...languages, ...(LANGUAGES_OF_COUNTRY[country ?? ''] ?? [])].some((l) => LETTERS_OF_LANGUAGE[l]?.includes(letter));

export const usualAccents = (country: string | undefined): string => (country && USUAL_ACCENT[country]) || '';

/** Whether an accented letter is none of the country's own; false where that cannot be said. */
export const isForeign = (letter: string, country: string | undefined): boolean => {
  const own = country && OWN_ACCENTS[country];
  return Boolean(own) && !own!.includes(letter.toLowerCase());
};
