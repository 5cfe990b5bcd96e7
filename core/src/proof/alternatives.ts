import { CHARACTER_DOUBT_BELOW, type ReadCharacter, type Reading } from '../reading/fields';
import { fold } from '../text';
import type { DraftField } from './draft';

/** A value with one or two of its doubtful characters read otherwise. */
export interface Alternative {
  value: string;
  /** The characters that differ, as printed and as offered. */
  from: string;
  to: string;
  /** The engine's probability of it against the reading that stands, 0–1. */
  probability: number;
}

const OFFERED = 4;
/** Two characters that are both doubtful are often wrong together. */
const DOUBTFUL_TOGETHER = 3;

/**
 * What a doubtful field could be in the eyes of the engine, likeliest first: each doubtful character replaced by what
 * else it looks like, alone and, for the most doubtful ones, two at a time. Nothing where the value is not the printed
 * text.
 */
export function alternativesOf(field: DraftField, reading: Reading): Alternative[] {
  const printed = printedCharacters(field, reading);
  if (!printed) return [];
  const changes = printed.flatMap((character, at) =>
    character.probability >= CHARACTER_DOUBT_BELOW
      ? []
      : character.alternatives
          .filter((other) => other.text !== character.text)
          .map((other) => ({ at, character, other: other.text, odds: other.probability / character.probability })),
  );
  const single = changes.map((change) => [change]);
  const most = [...changes].sort((a, b) => b.odds - a.odds).slice(0, DOUBTFUL_TOGETHER);
  const double = most.flatMap((a, i) => most.slice(i + 1).flatMap((b) => (a.at === b.at ? [] : [[a, b]])));
  const found = new Map<string, Alternative>();
  for (const together of [...single, ...double]) {
    const odds = together.reduce((product, change) => product * change.odds, 1);
    const texts = printed.map((character, at) => together.find((change) => change.at === at)?.other ?? character.text);
    const value = withPrintedCase(texts.join(''), field.value);
    const known = found.get(value);
    if (value === field.value || (known && known.probability >= odds / (1 + odds))) continue;
    const places = [...together].sort((a, b) => a.at - b.at);
    found.set(value, {
      value,
      from: places.map((change) => change.character.text).join(' … '),
      to: places.map((change) => change.other).join(' … '),
      probability: odds / (1 + odds),
    });
  }
  return [...found.values()].sort((a, b) => b.probability - a.probability).slice(0, OFFERED);
}

/** The characters a value was read from, when it is the printed text itself, whatever its case. */
function printedCharacters({ sources, value }: DraftField, reading: Reading): readonly ReadCharacter[] | undefined {
  const [source] = sources;
  if (!source || sources.length > 1) return undefined;
  const characters = reading.lines[source.line]?.characters.slice(source.from, source.to) ?? [];
  const printed = characters.map((c) => c.text).join('');
  return characters.length > 0 && printed.length === value.length && fold(printed) === fold(value)
    ? characters
    : undefined;
}

/** Capitals on the card that the value has in natural case stay so. */
function withPrintedCase(text: string, value: string): string {
  if (text.length !== value.length) return text;
  return [...text]
    .map((character, i) => (value[i] !== value[i]!.toUpperCase() ? character.toLowerCase() : character))
    .join('');
}
