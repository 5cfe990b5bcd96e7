import { isLoneForm } from '../../text/legalForm';
import { isAllCaps } from '../../text/naturalCase';
import { tradeWords } from '../../text/tables/companyWords';
import { nameParticles } from '../../text/tables/nameWords';
import { titleJoiners } from '../../text/tables/titleWords';
import { isNextInBlock, type CardLine } from '../cardLine';
import type { Candidate } from './models';

/** A ring or accent on a capital makes a line this much taller. */
export const ACCENT_TOLERANCE = 1.4;
/** Given and family name, or a name and the position under it, in two sizes of type. */
export const MIXED_SIZES = 2;
/** Capitals over small letters of one size of type. */
const MIXED_LETTERS = 1.5;
/** Names and firms are set over three lines at most, a word mark of a word a line over four. */
const MOST_LINES = 3;
const MOST_WORDS = 4;
/** Type that is clearly larger than most of the card, and type that is not smaller. */
const DISPLAY = 1.1;
const NOT_SMALLER = 1;

/** Lines read as one text; a word that was divided at its hyphen is whole again. */
export function groupOf(lines: readonly CardLine[]): Candidate {
  const text = lines
    .map((line) => line.text)
    .reduce((before, next) => (/\p{L}[-–]$/u.test(before) ? before.slice(0, -1) + '-' + next : `${before} ${next}`));
  return { text, lines };
}

/** Lines that stand right under each other, by two and by three. */
export function stacksOf(lines: readonly CardLine[], sizeTolerance: number = ACCENT_TOLERANCE): Candidate[] {
  const under = (upper: CardLine) =>
    lines.filter((lower) => lower !== upper && isNextInBlock(upper, lower, sizeTolerance));
  const grow = (stack: readonly CardLine[]): CardLine[][] =>
    stack.length >= (stack.every(({ text }) => !/\s/.test(text)) ? MOST_WORDS : MOST_LINES)
      ? []
      : under(stack[stack.length - 1]!).flatMap((lower) => [[...stack, lower], ...grow([...stack, lower])]);
  return lines.flatMap((line) => grow([line])).map(groupOf);
}

/** Two neighbours on one row, as wide-set names and word marks are cut apart. */
export function rowsOf(lines: readonly CardLine[]): Candidate[] {
  return lines.flatMap((left) =>
    lines
      .filter((right) => {
        const height = Math.max(left.height, right.height);
        const level = Math.abs(left.top + left.bottom - right.top - right.bottom) / 2 < 0.4 * height;
        const gap = right.left - left.right;
        return right.left > left.left && level && gap > -0.3 * height && gap < 1.6 * height;
      })
      .filter((right) => Math.max(left.height, right.height) < 1.6 * Math.min(left.height, right.height))
      .map((right) => groupOf([left, right])),
  );
}

export const isRow = ({ lines: [a, b] }: Candidate): boolean =>
  b!.top < a!.bottom && b!.left > a!.left && b!.left >= a!.right - a!.height;

/** Whether the lines are set in type of about one size. */
export const sameSize = ({ lines }: Candidate, tolerance = 1.3): boolean => {
  const heights = lines.map((line) => line.height);
  return Math.max(...heights) / Math.min(...heights) < tolerance;
};

/** All but the first line, each with the one above. */
export const stepsOf = ({ lines }: Candidate): { upper: CardLine; lower: CardLine }[] =>
  lines.slice(1).map((lower, i) => ({ upper: lines[i]!, lower }));

/** A line that ends in a hyphen or a word that joins, or the next one beginning so, says that it goes on. */
export function goesOn(upper: CardLine, lower: CardLine): boolean {
  const last = upper.text.split(/\s+/).pop()!;
  const first = lower.text.split(/\s+/)[0]!;
  const joins = (word: string) => nameParticles.has(word) || titleJoiners.has(word);
  return (
    /\p{L}[-–]$/u.test(last) ||
    joins(last) ||
    // Catalan and Portuguese family names, and Irish offices.
    last === 'i' ||
    last === 'na' ||
    /^(?:neto|filho|j[úu]nior|sobrinho)$/iu.test(lower.text) ||
    // "Fromagerie du Val" over "d'Amblève".
    /^[dl]['’]\p{L}/iu.test(lower.text) ||
    (joins(first) && (!/^\p{Lu}/u.test(first) || (isAllCaps(upper.text) && isAllCaps(lower.text)))) ||
    isLoneForm(lower.text)
  );
}

/** "Group" under the firm's name. */
const isLoneTrade = (text: string): boolean => !/\s/.test(text) && tradeWords.has(text);

/** How two lines are set: in one type larger than most, as word marks are, in one not smaller, capitals over small letters, or neither. */
export function settingOf(upper: CardLine, lower: CardLine): 'display' | 'even' | 'small' | 'mixed' {
  const smaller = Math.min(upper.relativeHeight, lower.relativeHeight);
  const sizes = sameSize(groupOf([upper, lower]));
  // "Construcciones" over "ARRIETA": the trade stands above as well, in its own letters.
  if (sameSize(groupOf([upper, lower]), MIXED_LETTERS) && isLoneTrade(upper.text) && !/\s/.test(lower.text))
    return 'display';
  const isUnderCapitals = isAllCaps(upper.text) && !isAllCaps(lower.text);
  if (isUnderCapitals && (/^\p{Ll}/u.test(lower.text) || lower.text.split(/\s+/).length > 2)) return 'mixed';
  const isOneType = sizes && isAllCaps(upper.text) === isAllCaps(lower.text);
  if (isOneType && (smaller > DISPLAY || isLoneTrade(lower.text))) return 'display';
  return isOneType && smaller > NOT_SMALLER ? 'even' : 'small';
}
