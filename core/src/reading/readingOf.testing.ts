import { rectangle } from '../capture';
import type { FieldName } from './proposal';
import { proposeFields } from './proposeFields';
import type { Reading } from './types';

/** A line for a reading made by hand: its text, and where it stands when that matters. */
export interface PrintedLine {
  text: string;
  x?: number;
  y?: number;
  /** Type size in pixels. */
  size?: number;
  /** Probability of every character. */
  probability?: number;
}

/** A reading as the engine would give it for lines set one under the other; for tests. */
export function readingOf(lines: readonly (string | PrintedLine)[]): Reading {
  let below = 40;
  const read = lines.map((given) => {
    const {
      text,
      x = 60,
      size = 30,
      probability = 0.999,
      ...rest
    } = typeof given === 'string' ? { text: given } : given;
    const y = rest.y ?? below;
    below = y + size * 1.4;
    const characters = [...text].map((character, i) => ({
      text: character,
      probability,
      alternatives: [],
      at: (i + 0.5) / text.length,
    }));
    return { text, quad: rectangle(x, y, text.length * size * 0.55, size), characters, confidence: probability };
  });
  return { width: 1000, height: 600, lines: read };
}

/** What is proposed for such lines: the first and all values of a field, all fields, and the lines that are left. */
export function fieldsOf(lines: readonly (string | PrintedLine)[], assumedCountry?: string) {
  const { fields, looseLines } = proposeFields(readingOf(lines), { assumedCountry });
  const all = (field: FieldName) => fields.filter((f) => f.field === field && f.value !== '').map((f) => f.value);
  return { one: (field: FieldName) => all(field)[0], all, fields, looseLines };
}
