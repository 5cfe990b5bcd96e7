import { editDistance } from '../editDistance';
import { fold } from '../fold';

/**
 * A table of words written as text: blanks and line breaks separate entries, `~` stands for a blank
 * inside an entry, a leading or trailing `*` for "any letters". Matching ignores case and accents.
 */
export interface WordList {
  /** As they stand in the table, without their marks, in small letters without accents. */
  entries: readonly string[];
  has(word: string): boolean;
  /** True for a whole entry, not for one that "any letters" make. */
  holds(word: string): boolean;
  /** Whole entries that one letter more, less or other makes of the word, in small letters without accents. */
  oneLetterFrom(word: string): string[];
}

export function wordList(table: string): WordList {
  const exact = new Set<string>();
  const starts: string[] = [];
  const ends: string[] = [];
  for (const raw of table.split(/\s+/).filter(Boolean)) {
    const entry = fold(raw.replace(/~/g, ' '));
    if (entry.startsWith('*')) ends.push(entry.slice(1));
    else if (entry.endsWith('*')) starts.push(entry.slice(0, -1));
    else exact.add(entry);
  }
  return {
    entries: [...exact, ...starts, ...ends],
    has(word) {
      const key = fold(word);
      return exact.has(key) || starts.some((s) => key.startsWith(s)) || ends.some((e) => key.endsWith(e));
    },
    holds: (word) => exact.has(fold(word)),
    oneLetterFrom(word) {
      const key = fold(word);
      return [...exact].filter((entry) => editDistance(entry, key, 1) === 1);
    },
  };
}
