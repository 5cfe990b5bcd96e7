import { foldedWords, withoutTrunk, type SearchTerms } from './searchTerms';
import { type Grade, gradeWord } from './gradeWord';

/** A text of a record in which may stand what was looked for. */
export interface Told {
  field: string;
  text: string;
}

/** Where it stands: places of letters in the text, from (inclusive) and to (exclusive). */
export interface Found extends Told {
  ranges: [from: number, to: number][];
}

const WORTH: Record<Grade, number> = { whole: 4, begins: 3, slips: 2, holds: 1 };
/** Letters shown before and after what was found in a long text. */
const AROUND = 40;
const LONG = 110;

/**
 * Where the words and numbers stand in a record, in as few of its texts as hold them all.
 * @param texts in the order in which they are preferred
 */
export function whereFound({ words, numbers }: SearchTerms, texts: readonly Told[]): Found[] {
  const found = new Map<number, [number, number][]>();
  const best = (places: (Place | undefined)[]) =>
    places.reduce<Place | undefined>((a, b) => (b && (!a || b.worth > a.worth) ? b : a), undefined);
  const note = (place: Place | undefined) =>
    place && found.set(place.text, [...(found.get(place.text) ?? []), place.range]);
  for (const word of words) note(best(texts.map(({ text }, i) => placeOfWord(word, text, i))));
  for (const number of numbers) note(best(texts.map(({ text }, i) => placeOfNumber(number, text, i))));
  return [...found]
    .sort(([a], [b]) => a - b)
    .map(([i, ranges]) => shortened({ ...texts[i]!, ranges: ranges.sort((a, b) => a[0] - b[0]) }));
}

interface Place {
  text: number;
  range: [number, number];
  worth: number;
}

function placeOfWord(asked: string, text: string, index: number): Place | undefined {
  let best: Place | undefined;
  for (const { 0: raw, index: from } of text.matchAll(/[\p{L}\p{N}\p{M}\u{1F000}-\u{1FAFF}\u2600-\u27BF]+/gu)) {
    for (const word of foldedWords(raw)) {
      const grade = gradeWord(asked, word);
      if (!grade || (best && best.worth >= WORTH[grade])) continue;
      // Letters are counted as they stand: one that folds to two is still one.
      const isPart = (grade === 'begins' || grade === 'holds') && word.length === raw.length;
      const at = isPart ? word.indexOf(asked) : 0;
      const to = isPart ? at + asked.length : raw.length;
      best = { text: index, range: [from + at, from + to], worth: WORTH[grade] };
    }
  }
  return best;
}

function placeOfNumber(number: string, text: string, index: number): Place | undefined {
  const places = [...text.matchAll(/\d/g)].map((match) => match.index);
  const digits = places.map((i) => text[i]).join('');
  for (const [asked, worth] of [
    [number, WORTH.whole],
    [withoutTrunk(number), WORTH.begins],
  ] as const) {
    const at = digits.lastIndexOf(asked);
    if (at >= 0) return { text: index, range: [places[at]!, places[at + asked.length - 1]! + 1], worth };
  }
  return undefined;
}

/** A long text as the piece around what was found first. */
function shortened(found: Found): Found {
  if (found.text.length <= LONG) return found;
  const [first, last] = [found.ranges[0]![0], found.ranges[0]![1]];
  const from = first <= AROUND ? 0 : found.text.lastIndexOf(' ', first - AROUND / 2) + 1;
  const end = found.text.indexOf(' ', last + AROUND);
  const to = end < 0 ? found.text.length : end;
  const before = from > 0 ? '… ' : '';
  const text = `${before}${found.text.slice(from, to)}${to < found.text.length ? ' …' : ''}`;
  const shift = before.length - from;
  const ranges = found.ranges
    .filter(([a, b]) => a >= from && b <= to)
    .map(([a, b]): [number, number] => [a + shift, b + shift]);
  return { field: found.field, text, ranges };
}
