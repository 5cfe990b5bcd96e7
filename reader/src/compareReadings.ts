import type { ReadCharacter } from '@dossier/core/reading';

/** A character on which two looks at a line differ is no surer than this. */
const CONTESTED = 0.75;

/**
 * One reading of a line with the doubts that another raises: characters that the other has
 * differently lose their certainty and get the other's as an alternative.
 */
export function withDoubtsOf(chosen: readonly ReadCharacter[], other: readonly ReadCharacter[]): ReadCharacter[] {
  const partner = align(chosen, other);
  return chosen.map((character, i) => {
    const match = partner[i];
    if (match?.text === character.text) return character;
    const probability = Math.min(CONTESTED, character.probability);
    if (!match) return { ...character, probability };
    const others = character.alternatives.filter((a) => a.text !== match.text);
    const offered = { text: match.text, probability: Math.min(1 - probability, match.probability) };
    return { ...character, probability, alternatives: [offered, ...others] };
  });
}

/**
 * A reading with the accents that a look with more room above the line finds on the same letters: the line's outline ends
 * where its capitals do, and cuts their marks off.
 */
export function withMarksOf(chosen: readonly ReadCharacter[], roomier: readonly ReadCharacter[]): ReadCharacter[] {
  const partner = align(chosen, roomier);
  return chosen.map((character, i) => {
    const other = partner[i];
    if (!other || other.text === character.text || bare(other.text) !== bare(character.text)) return character;
    const isBetter = isMarked(other) && other.probability > (isMarked(character) ? character.probability : LEAST_MARK);
    if (!isBetter) return character;
    const offered = { text: character.text, probability: Math.min(1 - other.probability, character.probability) };
    const others = other.alternatives.filter((a) => a.text !== character.text);
    return { ...other, at: character.at, alternatives: [offered, ...others] };
  });
}

/** The letter in its case without marks. */
const bare = (letter: string): string => (UNDECOMPOSED[letter] ?? letter).normalize('NFD').replace(/\p{M}/gu, '');
const UNDECOMPOSED: Readonly<Record<string, string>> = { Ł: 'L', Ø: 'O', ł: 'l', ø: 'o' };
const isMarked = ({ text }: ReadCharacter): boolean => bare(text) !== text;

/** A mark that is less likely is a speck, or hangs down from the line above. */
const LEAST_MARK = 0.6;

/** For each character of `a` the one of `b` that stands for it in the cheapest alignment (Wagner and Fischer 1974). */
function align(a: readonly ReadCharacter[], b: readonly ReadCharacter[]): (ReadCharacter | undefined)[] {
  const width = b.length + 1;
  const cost = new Uint16Array((a.length + 1) * width);
  for (let i = 0; i <= a.length; i++) {
    for (let j = 0; j <= b.length; j++) {
      if (i === 0 || j === 0) cost[i * width + j] = i + j;
      else {
        const change = a[i - 1]!.text === b[j - 1]!.text ? 0 : 1;
        cost[i * width + j] = Math.min(
          cost[(i - 1) * width + j - 1]! + change,
          cost[(i - 1) * width + j]! + 1,
          cost[i * width + j - 1]! + 1,
        );
      }
    }
  }
  const partner: (ReadCharacter | undefined)[] = a.map(() => undefined);
  let i = a.length;
  let j = b.length;
  while (i > 0 && j > 0) {
    const here = cost[i * width + j]!;
    const change = a[i - 1]!.text === b[j - 1]!.text ? 0 : 1;
    if (here === cost[(i - 1) * width + j - 1]! + change) partner[--i] = b[--j];
    else if (here === cost[(i - 1) * width + j]! + 1) i--;
    else j--;
  }
  return partner;
}
