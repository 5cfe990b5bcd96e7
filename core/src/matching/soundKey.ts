import { memo } from './memo';

/**
 * Rules by which the sound of a European name is spelled one way, applied in order to folded letters. After H. J. Postel,
 * "Die Kölner Phonetik" (1969) and L. Philips, "Hanging on the Metaphone" (1990), with the spellings of neighbouring languages
 * brought together, and coarser than either, since it only has to bring together what is then compared letter by letter.
 */
const RULES: readonly (readonly [RegExp, string])[] = [
  [/[^a-z]/g, ''],
  [/^(?:kn|gn)/, 'n'],
  [/^(?:wr|rh)/, 'r'],
  [/^x/, 's'],
  [/^ps/, 's'],
  [/sch|sh|sz|cz|tsch|tch|ch(?=[aeiouy]|$)/g, 'x'],
  [/ch/g, 'k'],
  [/ph|pf|bh/g, 'f'],
  [/gh(?=[^aeiouy]|$)/g, ''],
  [/th|dt/g, 't'],
  [/ck|qu|q/g, 'k'],
  [/tz|ts|dz|ds|z/g, 's'],
  [/x/g, 's'],
  [/c(?=[eiy])/g, 's'],
  [/c/g, 'k'],
  [/g(?=[eiy])/g, 'j'],
  [/[vw]/g, 'f'],
  [/[jy]/g, 'i'],
  [/d/g, 't'],
  [/b/g, 'p'],
  [/g/g, 'k'],
  [/h/g, ''],
  [/(.)\1+/g, '$1'],
];

/** How a name sounds: its first letter's class and its consonants; names of equal sound have equal keys. @param folded letters without accents */
export const soundKey = memo((folded: string): string => {
  let key = folded;
  for (const [pattern, by] of RULES) key = key.replace(pattern, by);
  const first = key[0] ?? '';
  return (/[aeiou]/.test(first) ? 'a' : first) + key.slice(1).replace(/[aeiou]/g, '');
});
