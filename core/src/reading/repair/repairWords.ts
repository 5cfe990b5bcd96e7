import { fold } from '../../text';
import { inCaseOf } from '../../text/naturalCase';
import { perhapsAccentedWords } from '../../text/tables/accentedWords';
import { tradeWords } from '../../text/tables/companyWords';
import { departmentTopics } from '../../text/tables/departmentWords';
import { givenNames } from '../../text/tables/nameWords';
import { titleHeads, titleModifiers } from '../../text/tables/titleWords';
import { streetWords } from '../tables/addressWords';
import type { ReadCharacter, ReadLine } from '../types';

/** A letter below this probability may be the engine's next best. */
const DOUBTFUL = 0.8;
const LEAST_LIKELY = 0.05;
/** An accent below this probability may be lost. */
const DOUBTFUL_ACCENT = 0.9;

const LISTS = [titleHeads, titleModifiers, departmentTopics, tradeWords, givenNames];
/** Short words are one letter from too many others; "Row" and "Way" are common. */
const SHORTEST = 4;
const isKnown = (word: string): boolean =>
  streetWords.holds(word) || (word.length >= SHORTEST && LISTS.some((list) => list.holds(word)));

/**
 * Sets doubtful letters right by what words there are: of the engine's readings of a letter the one that makes a known
 * word of an unknown one ("Tannery Rom" becomes "Row"), and a lost accent that a known word has ("Tomrer"). Every
 * character keeps its place, and its doubt.
 */
export function repairWords(line: ReadLine): ReadLine {
  const text = line.text.replace(/(?<![\p{L}\d@._-])\p{L}{3,}(?![\p{L}\d@_-])/gu, (word, at: number) => {
    const characters = line.characters.slice(at, at + word.length);
    return withLostAccents(word, characters) ?? asKnownWord(word, characters) ?? word;
  });
  return text === line.text ? line : { ...line, text };
}

function withLostAccents(word: string, characters: readonly ReadCharacter[]): string | undefined {
  const spelled = perhapsAccentedWords.get(fold(word));
  if (!spelled || spelled.length !== word.length) return undefined;
  const isDoubtful = (i: number) => (characters[i]?.probability ?? 1) < DOUBTFUL_ACCENT;
  const off = [...word.toLowerCase()].flatMap((letter, i) => (letter === spelled[i] ? [] : [i]));
  if (off.length === 0 || !off.every(isDoubtful)) return undefined;
  return [...word].map((letter, i) => inCaseOf(letter, spelled[i]!)).join('');
}

function asKnownWord(word: string, characters: readonly ReadCharacter[]): string | undefined {
  const doubtful = characters.flatMap((c, i) => (c.probability < DOUBTFUL ? [i] : []));
  if (doubtful.length === 0 || isKnown(word)) return undefined;
  return doubtful
    .flatMap((i) => characters[i]!.alternatives.map((other) => ({ i, ...other })))
    .filter(({ text, probability }) => probability >= LEAST_LIKELY && /^\p{L}$/u.test(text))
    .sort((a, b) => b.probability - a.probability)
    .map(({ i, text }) => word.slice(0, i) + inCaseOf(word[i]!, text) + word.slice(i + 1))
    .find(isKnown);
}
