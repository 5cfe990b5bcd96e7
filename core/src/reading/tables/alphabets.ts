/** Letters beyond ASCII that are met on cards everywhere: those of Western Europe (ISO 8859-1) and French Œ. */
const EVERYWHERE = 'ÀÁÂÃÄÅÆÇÈÉÊËÌÍÎÏÐÑÒÓÔÕÖØÙÚÛÜÝÞßàáâãäåæçèéêëìíîïðñòóôõöøùúûüýþÿŒœŸ';

/** Letters that only the cards of some countries use (CLDR exemplar characters). */
const AT_HOME: Readonly<Record<string, string>> = {
  PL: 'ĄĆĘŁŃÓŚŹŻąćęłńóśźż',
  FI: 'ŠŽšž',
  CZ: 'ČĎĚŇŘŠŤŮŽčďěňřšťůž',
};

/** What an accented letter most likely is in a country, when the engine saw a foreign one over the same letter. */
const USUAL_ACCENT: Readonly<Record<string, string>> = {
  DE: 'äöüÄÖÜ', AT: 'äöüÄÖÜ', CH: 'äöüÄÖÜ', SE: 'äöåÄÖÅ', FI: 'äöåÄÖÅ', PT: 'ãõÃÕ', BR: 'ãõÃÕ', FR: 'éêôûâÉÊÔÛÂ', ES: 'áéíóúÁÉÍÓÚ',
};

export const isAtHome = (letter: string, country: string | undefined): boolean =>
  EVERYWHERE.includes(letter) || Boolean(country && AT_HOME[country]?.includes(letter));

export const usualAccents = (country: string | undefined): string => (country && USUAL_ACCENT[country]) || '';
