import { centre, contains, type Point, type Quad } from '../capture/quad';
import type { Reading, SourceSpan } from '../reading/fields';
import type { Draft } from './draft';
import { spanQuad } from './sourceArea';

/** One printed word with its place on the card. */
export interface CardWord {
  span: SourceSpan;
  text: string;
  quad: Quad;
}

/** Room around a word within which a finger hits it, as a share of the line's height. */
const REACH = 0.35;

/** Every word of a reading, in the order of the lines. @param side set on the spans of a card's back */
export function wordsOf(reading: Reading, side?: 'back'): CardWord[] {
  return reading.lines.flatMap(({ text }, line) =>
    [...text.matchAll(/\S+/g)].flatMap((match): CardWord[] => {
      const span: SourceSpan = { line, from: match.index, to: match.index + match[0].length, ...(side && { side }) };
      const quad = spanQuad(reading, span, REACH);
      return quad ? [{ span, text: match[0], quad }] : [];
    }),
  );
}

/** The word under a point of the card, the nearest where several reach that far. */
export function wordAt(words: readonly CardWord[], point: Point): CardWord | undefined {
  const off = (word: CardWord) => Math.hypot(centre(word.quad)[0] - point[0], centre(word.quad)[1] - point[1]);
  return words
    .filter((word) => contains(word.quad, point))
    .reduce<CardWord | undefined>((best, word) => (best && off(best) <= off(word) ? best : word), undefined);
}

/** Words whose middle lies in an upright rectangle given by two opposite corners. */
export function wordsWithin(words: readonly CardWord[], [ax, ay]: Point, [bx, by]: Point): CardWord[] {
  const between = (value: number, a: number, b: number) => value >= Math.min(a, b) && value <= Math.max(a, b);
  return words.filter((word) => {
    const [x, y] = centre(word.quad);
    return between(x, ax, bx) && between(y, ay, by);
  });
}

/** Words as running text with the places they stand at: those of a line together, lines joined with a space. */
export function textOfWords(words: readonly CardWord[]): { text: string; sources: SourceSpan[] } {
  const byLine = new Map<string, CardWord[]>();
  for (const word of words) {
    const key = `${word.span.side ?? 'front'}:${word.span.line}`;
    byLine.set(key, [...(byLine.get(key) ?? []), word]);
  }
  const lines = [...byLine.values()].map((line) => line.sort((a, b) => a.span.from - b.span.from));
  return {
    text: lines.map((line) => line.map((word) => word.text).join(' ')).join(' '),
    sources: lines.map((line) => ({ ...line[0]!.span, to: line[line.length - 1]!.span.to })),
  };
}

/** The field of a draft that a printed word is in; undefined for a loose one. */
export function fieldOfWord(draft: Draft, { span }: CardWord): string | undefined {
  const overlaps = (source: SourceSpan) =>
    source.line === span.line && source.side === span.side && source.from < span.to && span.from < source.to;
  return draft.fields.find((field) => !field.leftOut && field.sources.some(overlaps))?.id;
}
