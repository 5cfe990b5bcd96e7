import { differingLetters, lettersOf } from './letters';
import { memo } from './memo';
import { soundKey } from './soundKey';
import { isShortForm } from './tables/shortForms';

/** How two words of a name go together, most alike first. */
export type Likeness = 'exact' | 'shortForm' | 'close' | 'sound' | 'resembling' | 'different';

/** Groups of letters that a reader takes for one another, brought to one shape. */
const SHAPES: readonly (readonly [RegExp, string])[] = [
  [/rn|ni|in/g, 'm'],
  [/ri/g, 'n'],
  [/ii/g, 'u'],
  [/vv/g, 'w'],
  [/cl/g, 'd'],
  [/[ijl]/g, 'l'],
  [/q/g, 'g'],
];

/** How a word looks: "Fernridge" and "Femridge" look alike. */
export const readShape = memo((word: string): string =>
  SHAPES.reduce((shape, [pattern, by]) => shape.replace(pattern, by), word),
);

/**
 * Edits that turn one word into the other: letters put in, left out, exchanged, or swapped with their neighbour (optimal string
 * alignment distance; F. Damerau 1964), counted no further than `limit`.
 */
export function typingDistance(a: string, b: string, limit: number): number {
  const n = b.length;
  if (Math.abs(a.length - n) > limit || n >= LONGEST) return limit + 1;
  // One edit changes two letters at most: most pairs are told apart without looking at the order.
  if (differingLetters(lettersOf(a), lettersOf(b)) > 2 * limit) return limit + 1;
  let [before, above, row] = ROWS as [Uint16Array, Uint16Array, Uint16Array];
  for (let j = 0; j <= n; j++) above[j] = j;
  for (let i = 1; i <= a.length; i++) {
    const letter = a.charCodeAt(i - 1);
    const previous = a.charCodeAt(i - 2);
    let least = i;
    row[0] = i;
    for (let j = 1; j <= n; j++) {
      const theirs = b.charCodeAt(j - 1);
      let cost = above[j - 1]! + (letter === theirs ? 0 : 1);
      if (above[j]! + 1 < cost) cost = above[j]! + 1;
      if (row[j - 1]! + 1 < cost) cost = row[j - 1]! + 1;
      if (i > 1 && j > 1 && letter === b.charCodeAt(j - 2) && previous === theirs && before[j - 2]! + 1 < cost)
        cost = before[j - 2]! + 1;
      row[j] = cost;
      if (cost < least) least = cost;
    }
    if (least > limit) return limit + 1;
    [before, above, row] = [above, row, before];
  }
  return above[n]!;
}

const LONGEST = 512;
/** Three rows of the table at a time; nothing else runs while they are in use. */
const ROWS = Array.from({ length: 3 }, () => new Uint16Array(LONGEST));

/** How many edits a slip of the finger or of the reader may take in a word of that length. */
const slipsIn = (length: number): number => (length < 4 ? 0 : length < 8 ? 1 : 2);

/** Whether one word may be a slip of the other, typed or read. */
export function isClose(a: string, b: string): boolean {
  const limit = slipsIn(Math.min(a.length, b.length));
  if (limit > 0 && typingDistance(a, b, limit) <= limit) return true;
  const [shapeA, shapeB] = [readShape(a), readShape(b)];
  if (shapeA === shapeB) return true;
  return limit > 0 && (shapeA !== a || shapeB !== b) && typingDistance(shapeA, shapeB, 1) <= 1;
}

/** @param a @param b plain small letters, more than one each */
export function givenLikeness(a: string, b: string): Likeness {
  if (a === b) return 'exact';
  if (isShortForm(a, b) || isBeginning(a, b) || isBeginning(b, a)) return 'shortForm';
  return familyLikeness(a, b);
}

/** "Alex" and "Alexander", "Chris" and "Christian": cut off, as short forms that no table has. */
const isBeginning = (short: string, long: string): boolean =>
  short.length >= 3 && long.length >= short.length + 2 && long.startsWith(short);

export function familyLikeness(a: string, b: string): Likeness {
  if (a === b) return 'exact';
  if (isClose(a, b)) return 'close';
  const length = Math.max(a.length, b.length);
  const soundsAlike = Math.min(a.length, b.length) > 3 && soundKey(a) === soundKey(b);
  if (soundsAlike && typingDistance(a, b, Math.ceil(length / 2)) <= Math.ceil(length / 2)) return 'sound';
  const many = length < 5 ? 0 : Math.ceil(length * 0.4);
  return a[0] === b[0] && typingDistance(a, b, many) <= many ? 'resembling' : 'different';
}

/** Remembers what was compared before: a register has far fewer names than pairs of people. */
export function remembered(compare: (a: string, b: string) => Likeness): (a: string, b: string) => Likeness {
  const known = new Map<string, Map<string, Likeness>>();
  return (a, b) => {
    const [first, second] = a < b ? [a, b] : [b, a];
    let row = known.get(first);
    if (!row) known.set(first, (row = new Map<string, Likeness>()));
    let likeness = row.get(second);
    if (likeness === undefined) row.set(second, (likeness = compare(first, second)));
    return likeness;
  };
}
