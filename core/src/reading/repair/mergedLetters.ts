import { foldTight } from '../../text';

/** Pairs of letters that print and engine run together into one. */
const MERGED: readonly (readonly [one: string, two: string])[] = [
  ['m', 'rn'],
  ['d', 'cl'],
  ['w', 'vv'],
];

/**
 * A text in which one letter was read for two that stand close, set right by what it should say: "thometteventilation"
 * beside the firm Thornette Ventilation.
 * @param key what it should say, folded to letters and digits
 * @returns undefined where no such letter makes it say that
 */
export function splitMerged(text: string, key: string): string | undefined {
  if (foldTight(text).length + 1 !== key.length) return undefined;
  return MERGED.flatMap(([one, two]) =>
    [...text.matchAll(new RegExp(one, 'gi'))].map(({ index }) => text.slice(0, index) + two + text.slice(index + 1)),
  ).find((split) => foldTight(split) === key);
}
