import type { FieldName, SourceSpan } from './proposal';
import type { ReadLine } from './types';

/**
 * The engine is far too sure of single characters (measured on phone photographs: most wrong ones
 * have a probability between 0.9 and 0.99); its odds are flattened with this exponent.
 */
const FLATTEN = 0.8;

/** A field with a confidence below this is shown as a doubt. */
export const DOUBT_BELOW = 0.8;
/** A character with a probability below this is marked in its field. */
export const CHARACTER_DOUBT_BELOW = 0.9;

/** Fields whose every character must be right to be of use. */
const EXACT_FIELDS: readonly FieldName[] = ['email', 'phone', 'website', 'postalCode'];

/**
 * Probability 0–1 that a value is right: that the characters it came from are right and that the
 * role is. The least sure character decides the first, since errors on a line go together.
 * @param trust log-odds of the role
 */
export function confidenceOf(
  lines: readonly ReadLine[],
  sources: readonly SourceSpan[],
  field: FieldName,
  trust: number,
): number {
  const role = 1 / (1 + Math.exp(-trust));
  if (sources.length === 0) return 0.7 * role;
  // Each printed place alone would do: the surest counts.
  const read = Math.max(...sources.map((span) => spanCertainty(lines, span)));
  const all = Math.min(...sources.map((span) => spanCertainty(lines, span)));
  return role * (EXACT_FIELDS.includes(field) ? read : all);
}

function spanCertainty(lines: readonly ReadLine[], { line, from, to }: SourceSpan): number {
  const characters = lines[line]?.characters.slice(from, to).filter((c) => c.text !== ' ') ?? [];
  return characters.reduce((least, c) => Math.min(least, flatten(c.probability)), 1);
}

function flatten(probability: number): number {
  const p = Math.min(0.9999, Math.max(0.0001, probability));
  const odds = (p / (1 - p)) ** FLATTEN;
  return odds / (1 + odds);
}
