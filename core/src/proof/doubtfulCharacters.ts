import { CHARACTER_DOUBT_BELOW, type ReadCharacter, type Reading } from '../reading/fields';
import { fold } from '../text';
import { isDoubtful, type DraftField } from './draft';

/** Characters `from` (included) to `to` (excluded) of a field's value. */
export interface Range {
  from: number;
  to: number;
}

/**
 * The characters of a doubtful field that the engine was unsure of. Where the value is not the
 * printed text itself (a number in another form, an inferred company) the whole value is in doubt.
 */
export function doubtfulCharacters(field: DraftField, reading: Reading): Range[] {
  if (!isDoubtful(field) || field.value === '') return [];
  const whole = [{ from: 0, to: field.value.length }];
  const [source] = field.sources;
  if (!source || field.sources.length > 1) return whole;
  const characters = reading.lines[source.line]?.characters.slice(source.from, source.to) ?? [];
  const printed = characters.map((c) => c.text).join('');
  if (printed.length !== field.value.length || fold(printed) !== fold(field.value)) return whole;
  const ranges = rangesOf(characters);
  return ranges.length > 0 ? ranges : whole;
}

function rangesOf(characters: readonly ReadCharacter[]): Range[] {
  const ranges: Range[] = [];
  let at = 0;
  for (const { text, probability } of characters) {
    const to = at + text.length;
    if (probability < CHARACTER_DOUBT_BELOW && text !== ' ') {
      const last = ranges[ranges.length - 1];
      if (last?.to === at) last.to = to;
      else ranges.push({ from: at, to });
    }
    at = to;
  }
  return ranges;
}
