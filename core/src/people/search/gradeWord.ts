import { slipsBetween } from '../../text';

/** How a word that was asked for stands to one that is there. */
export type Grade = 'whole' | 'begins' | 'slips' | 'holds';

/** Shorter words are not forgiven anything: too many others are one slip away. */
const ONE_SLIP_FROM = 4;
const TWO_SLIPS_FROM = 7;
const HELD_FROM = 4;

export const slipsAllowed = (word: string): number =>
  word.length >= TWO_SLIPS_FROM ? 2 : word.length >= ONE_SLIP_FROM ? 1 : 0;

/** @param asked a folded word, perhaps not written to its end @returns undefined where they have nothing to do with each other */
export function gradeWord(asked: string, word: string): Grade | undefined {
  if (word === asked) return 'whole';
  if (word.startsWith(asked)) return 'begins';
  const allowed = slipsAllowed(asked);
  if (allowed > 0 && slipsAway(asked, word, allowed)) return 'slips';
  if (asked.length >= HELD_FROM && word.includes(asked)) return 'holds';
  return undefined;
}

/** Also of a word that is still being written: its beginning counts then, with one slip. */
function slipsAway(asked: string, word: string, allowed: number): boolean {
  // Hardly anybody gets the first letter wrong, and what begins otherwise is mostly another word.
  if (asked[0] !== word[0] && asked[1] !== word[0] && asked[0] !== word[1]) return false;
  if (slipsBetween(asked, word, allowed) <= allowed) return true;
  if (word.length <= asked.length) return false;
  return [-1, 0, 1].some((more) => slipsBetween(asked, word.slice(0, asked.length + more), 1) <= 1);
}
