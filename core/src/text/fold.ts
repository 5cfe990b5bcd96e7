const SPECIAL: Record<string, string> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ı: 'i',
};

/** Lower case without accents, for comparing words: "Ångström" becomes "angstrom". */
export const fold = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[ßæœøłđðþı]/g, (letter) => SPECIAL[letter] ?? letter)
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .replace(/[’‘`´]/g, "'");

/** Only letters and digits of the folded text: "St. John's" becomes "stjohns". */
export const foldTight = (text: string): string => fold(text).replace(/[^a-z0-9]/g, '');

/**
 * The ways a word with umlauts is spelled in addresses: "Schäning" as "schaning" and "schaening".
 */
export function asciiSpellings(text: string): string[] {
  const plain = foldTight(text);
  const spelledOut = foldTight(
    text
      .toLowerCase()
      .replace(/ä/g, 'ae')
      .replace(/ö/g, 'oe')
      .replace(/ü/g, 'ue')
      .replace(/å/g, 'aa')
      .replace(/ø/g, 'oe'),
  );
  return plain === spelledOut ? [plain] : [plain, spelledOut];
}
