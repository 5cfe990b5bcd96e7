import type { ReadLine } from './types';

const DIGIT_FOR: Record<string, string> = { o: '0', O: '0', l: '1', I: '1', s: '5', S: '5' };

/** A run of digits and letters that look like digits, with at least two true digits. */
const NUMBER_LIKE = /(?<![\p{L}\d])(?=(?:[oOlIsS]*\d){2})[\doOlIsS]{3,}(?![\p{L}\d])/gu;

/** A word that begins with l before a consonant that cannot follow it: a capital I. */
const L_FOR_I = /(?<![\p{L}\d@._-])l(?=[bcdfghjkmnpqrstvwxz]\p{Ll}*(?![\p{L}\d@._-]))/gu;

/**
 * Sets right what is beyond doubt a look-alike: letters inside numbers, and l for I at the beginning
 * of words. Every character keeps its place.
 */
export function repairLine(line: ReadLine): ReadLine {
  const text = line.text
    .replace(NUMBER_LIKE, (run) => [...run].map((c) => DIGIT_FOR[c] ?? c).join(''))
    .replace(L_FOR_I, 'I');
  return text === line.text ? line : { ...line, text };
}
