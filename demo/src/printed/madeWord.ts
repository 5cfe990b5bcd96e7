import type { Random } from '../register/random';

/** So many letters say which may come next (C. Shannon 1948). */
const ORDER = 3;
const LEAST = 4;
const MOST = 11;

/** A word in small letters that sounds like some others and is none of them. @param like words, in any case */
export function madeWord(like: readonly string[], random: Random): string {
  const words = like.map((word) => word.toLowerCase()).filter((word) => /^\p{Ll}{4,}$/u.test(word));
  if (words.length === 0) throw new Error('There are no words to make another one like.');
  const known = new Set(words);
  const next = new Map<string, string[]>();
  for (const word of words) {
    const padded = [...'^'.repeat(ORDER), ...word, '$'];
    for (let i = ORDER; i < padded.length; i++) {
      const before = padded.slice(i - ORDER, i).join('');
      next.set(before, [...(next.get(before) ?? []), padded[i]!]);
    }
  }
  for (let tries = 0; tries < 200; tries++) {
    const made = [...'^'.repeat(ORDER)];
    while (made.length < MOST + ORDER) {
      const letter = random.pick(next.get(made.slice(-ORDER).join(''))!);
      if (letter === '$') break;
      made.push(letter);
    }
    const word = made.slice(ORDER).join('');
    if (word.length >= LEAST && word.length < MOST && !known.has(word)) return word;
  }
  // Too few words to make another one of: two halves of them.
  return random.pick(words).slice(0, 3) + random.pick(words).slice(-3);
}
