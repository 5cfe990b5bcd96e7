import { foldTight } from '../../text';
import type { CardProposal, FieldProposal } from '../proposal';
import type { Reading, SecondReading } from '../types';

/** What a second reading says of a value. */
export interface Witness {
  /** Values that it proposes for the same field, where the value itself is not among them. */
  others: readonly string[];
  /** Whether it proposes the same, something else for the field, or nothing. */
  verdict: 'same' | 'other' | 'nothing';
  /** Whether the head that knows base letters read the same letters, or such as look alike to it; undefined where they stand nowhere on this side, or it saw nothing like them. */
  letters: 'same' | 'alike' | 'other' | undefined;
}

/** A number is the same though one reading knows its country and the other does not. */
const DIGITS_ALIKE = 7;

const isSame = ({ field, value }: FieldProposal, other: FieldProposal): boolean =>
  field === 'phone'
    ? digits(value).slice(-DIGITS_ALIKE) === digits(other.value).slice(-DIGITS_ALIKE)
    : bare(value) === bare(other.value);

const digits = (text: string): string => text.replace(/\D/g, '');
/** Accents count, cases and signs between words do not. */
const bare = (text: string): string => text.normalize('NFC').toLowerCase().replace(/[^\p{L}\d@&+]/gu, ''); // prettier-ignore

/** Holds a value of the first reading against what was read and proposed the second time. */
export function witnessOf(proposal: FieldProposal, first: Reading, again: SecondReading, second: CardProposal): Witness {
  const rivals = second.fields.filter(({ field, value }) => field === proposal.field && value !== '');
  const verdict = rivals.some((rival) => isSame(proposal, rival)) ? 'same' : rivals.length > 0 ? 'other' : 'nothing';
  const others = verdict === 'same' ? [] : rivals.map(({ value }) => value);
  return { others, verdict, letters: lettersOf(proposal, first, again) };
} // prettier-ignore

function lettersOf({ field, value, sources }: FieldProposal, first: Reading, { baseLetters }: SecondReading): Witness['letters'] {
  const stands = sources.some(({ side, line }) => side === undefined && first.lines[line] !== undefined);
  if (!stands) return undefined;
  const parts = field === 'phone' ? [digits(value).slice(-DIGITS_ALIKE)] : field === 'email' || field === 'website' ? [value] : value.split(/[\s/|·•]+/);
  const tight = baseLetters.map((line) => (field === 'phone' ? lettered(line) : foldTight(line)));
  const isReadAs = (shape: (text: string) => string) =>
    parts.every((part) => tight.some((line) => new RegExp(patternOf(part, shape)).test(shape(line))));
  if (isReadAs((text) => text)) return 'same';
  if (isReadAs(shapeOf)) return 'alike';
  // Type that it cannot read at all says nothing.
  const whole = parts.map((part) => (field === 'phone' ? part : foldTight(part)));
  return whole.every((part) => tight.some((line) => distanceWithin(part, line) <= part.length / MOST_OFF)) ? 'other' : undefined;
} // prettier-ignore

/** A letter in so many is off at most where the same words were read. */
const MOST_OFF = 3;

/** Fewest letters in which a text differs from any part of a line (P. Sellers 1980). */
function distanceWithin(text: string, line: string): number {
  let above = new Array<number>(line.length + 1).fill(0);
  for (let i = 1; i <= text.length; i++) {
    const row = [i];
    for (let j = 1; j <= line.length; j++) row.push(Math.min(above[j - 1]! + (text[i - 1] === line[j - 1] ? 0 : 1), above[j]! + 1, row[j - 1]! + 1)); // prettier-ignore
    above = row;
  }
  return Math.min(...above);
}

/** Digits of a number, those that were taken for letters among them. */
const lettered = (line: string): string => digits(line.replace(/[oO]/g, '0').replace(/(?<=\d)[lI]|[lI](?=\d)/g, '1'));

/** Letters and digits that are drawn alike are one: the head without accents takes them for each other where no word tells. */
const shapeOf = (text: string): string => text.replace(/o/g, '0').replace(/[il]/g, '1');

/** What that head takes letters for that it does not know. */
const UNKNOWN: Readonly<Record<string, string>> = { ß: '(?:b|ss)', ł: '[tl]', ü: '(?:u|i|ui|ii)', ű: '(?:u|i|ui)', ö: '[o06]', ó: '[o06]', ő: '[o06]', ø: '[o0p]', ń: '(?:n|ri|ni)', æ: '(?:ae|e|a)', œ: '(?:oe|e)' }; // prettier-ignore

const patternOf = (word: string, shape: (text: string) => string): string =>
  [...word.normalize('NFC').toLowerCase()].map((letter) => shape(UNKNOWN[letter] ?? foldTight(letter))).join('');
