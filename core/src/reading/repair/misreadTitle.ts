import { fold } from '../../text';
import { accentedWords } from '../../text/tables/accentedWords';
import { tradeWords } from '../../text/tables/companyWords';
import { departmentHeads, departmentTopics } from '../../text/tables/departmentWords';
import { titleHeads, titleModifiers } from '../../text/tables/titleWords';

/** Shorter words have too many neighbours. */
const SHORTEST = 6;
const KNOWN = [titleHeads, titleModifiers, departmentHeads, departmentTopics, tradeWords];

export interface MisreadWord {
  read: string;
  /** The title with the known word in its place. */
  title: string;
  known: string;
}

/**
 * A word of a title that is none, one letter away from a single word that positions are named with ("Estimattor"):
 * doubled letters are what the engine gains and loses without being unsure.
 */
export function misreadTitle(title: string): MisreadWord | undefined {
  for (const { 0: read, index } of title.matchAll(/\p{L}[\p{L}\p{M}]*/gu)) {
    if (read.length < SHORTEST || KNOWN.some((words) => words.has(read))) continue;
    const near = new Set(
      KNOWN.flatMap((words) => words.oneLetterFrom(read)).filter((word) => isDoubling(fold(read), word)),
    );
    const [word] = near;
    if (!word || near.size > 1) continue;
    const known = inCaseOf(read, accentedWords.get(word) ?? word);
    return { read, known, title: title.slice(0, index) + known + title.slice(index + read.length) };
  }
  return undefined;
}

/** Whether the two differ only in how often a letter stands beside itself. */
const isDoubling = (a: string, b: string): boolean => single(a) === single(b);
const single = (word: string): string => word.replace(/(.)\1+/gu, '$1');

function inCaseOf(model: string, word: string): string {
  if (model === model.toUpperCase()) return word.toUpperCase();
  return /^\p{Lu}/u.test(model) ? word[0]!.toUpperCase() + word.slice(1) : word;
}
