import { fold } from '../../text';

/** What somebody looks for: every word and every number must be found, in any order. */
export interface SearchTerms {
  /** Folded words of letters and digits. */
  words: string[];
  /** Digits of numbers as they were written; part of one is enough, see `withoutTrunk`. */
  numbers: string[];
}

/** Fewer digits are taken for a word. */
const SHORTEST_NUMBER = 3;
const MOST_WORDS = 8;

/** A row of digits with what is written between the digits of phone numbers. */
const NUMBER = /(?<![\p{L}\p{N}])\+?\(?\d[\d\s().\-/–]*(?![\p{L}\p{N}])/gu;

/** What is written into the field, taken apart: `weber +44 (0)7700` is a word and a number. */
export function searchTerms(said: string): SearchTerms {
  const numbers: string[] = [];
  const rest = said.replace(NUMBER, (written) => {
    const number = digitsOf(written);
    if (number.length < SHORTEST_NUMBER) return written;
    numbers.push(number);
    return ' ';
  });
  return { words: [...new Set(foldedWords(rest))].slice(0, MOST_WORDS), numbers: numbers.slice(0, MOST_WORDS) };
}

/** Words as lists keep them, in the order of the text; signs and flags are words too. */
export const foldedWords = (text: string): string[] =>
  fold(text.normalize('NFKC'))
    .replaceAll('ς', 'σ')
    .split(/[^\p{L}\p{N}\u{1F000}-\u{1FAFF}\u2600-\u27BF]+/u)
    .filter(Boolean);

const digitsOf = (written: string): string => written.replace(/\(0\)/g, '').replace(/\D/g, '');

/** A number without what is dialled before it, inside one country or out of it: that is left out in the other writing. */
export const withoutTrunk = (number: string): string => number.replace(/^0+(?=\d)/, '');
