import { fold } from '../../text';
import { inCaseOf, isAllCaps } from '../../text/naturalCase';
import { marksCapitals } from '../tables/alphabets';
import type { ReadLine } from '../types';

const SHORTEST = 5;
/** "Fryklöfs Bygg" of Gunnar Fryklöf. */
const LONGEST_ENDING = 2;

/** A letter from this probability on lost no accent in reading. */
const SURE = 0.995;

/** Words of a line, without those of e-mail and web addresses. */
const WORDS = /(?<![\p{L}\d@._-])\p{L}+(?:-\p{L}+)*(?![\p{L}\d@_-]|\.\p{L})/gu;

/**
 * Gives a word its accents where another line has the same word with them: a firm that is called after its owner is spelled
 * like the name, and one of the two readings has lost a mark. Where capitals keep theirs, one was lost however sure the letter
 * was. Every character keeps its place.
 */
export function repairTwins(lines: readonly ReadLine[], country?: string): ReadLine[] {
  const accented = new Map<string, string>();
  for (const { text } of lines) {
    for (const [word] of text.matchAll(WORDS)) {
      const plain = fold(word);
      if (word.length >= SHORTEST && plain.length === word.length && plain !== word.toLowerCase())
        accented.set(plain, word.toLowerCase());
    }
  }
  if (accented.size === 0) return [...lines];
  return lines.map((line) => {
    const text = line.text.replace(WORDS, (word, at: number) => {
      if (word.length < SHORTEST || fold(word) !== word.toLowerCase()) return word;
      const [plain, spelled] = [...accented].find(([twin]) => isSameWord(word, twin)) ?? [];
      const keepsMarks = marksCapitals(country) && isAllCaps(word);
      const isSure = (i: number) => !keepsMarks && (line.characters[at + i]?.probability ?? 1) >= SURE;
      return plain && spelled ? withAccents(word, spelled, isSure) : word;
    });
    return text === line.text ? line : { ...line, text };
  });
}

const isSameWord = (word: string, twin: string): boolean => {
  const plain = word.toLowerCase();
  const [short, long] = plain.length < twin.length ? [plain, twin] : [twin, plain];
  return short.length >= SHORTEST && long.startsWith(short) && long.length - short.length <= LONGEST_ENDING;
};

const withAccents = (word: string, spelled: string, isSure: (i: number) => boolean): string => {
  const lost = [...word].flatMap((letter, i) => (i < spelled.length && letter.toLowerCase() !== spelled[i] ? [i] : []));
  return lost.some(isSure)
    ? word
    : [...word].map((letter, i) => (lost.includes(i) ? inCaseOf(letter, spelled[i]!) : letter)).join('');
};
