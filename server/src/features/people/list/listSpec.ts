import { FACET_NAMES, type ListOrder, type Narrowing } from '@dossier/contract';
import { gradeWord, searchTerms, withoutTrunk, type Grade, type SearchTerms } from '@dossier/core/people/search';
import type { EntityManager } from 'typeorm';
import { wordsLike } from './queries';
import type { ListColumn, ListSpec, WordSpec } from './spec';

/** Which column an order is, and whether what is most comes first in it. */
export const ORDERS: Readonly<Record<ListOrder, { by: ListColumn; mostFirst: boolean }>> = {
  name: { by: 'sort_name', mostFirst: false },
  company: { by: 'sort_company', mostFirst: false },
  filed: { by: 'filed_at', mostFirst: true },
  touched: { by: 'touched_at', mostFirst: true },
  next: { by: 'next_on', mostFirst: false },
};

/** So many words that are a slip away, or hold it, stand for one: the nearest. */
const MOST_ALIKE = 80;
/** Of whole beginnings up to so many letters lists keep a word of its own. */
const FIRST_LETTERS = 3;
const DAY_MS = 24 * 60 * 60 * 1000;

export async function listSpecOf(
  manager: EntityManager,
  narrowing: Narrowing,
): Promise<{ spec: ListSpec; terms: SearchTerms }> {
  const terms = searchTerms(narrowing.q);
  const like = terms.words.length > 0 ? await wordsLike(manager, terms.words) : new Map<string, string[]>();
  const words = [
    ...terms.words.map((asked) => wordSpec(asked, like.get(asked) ?? [])),
    ...terms.numbers.map((written) => {
      const digits = withoutTrunk(written);
      return { ...noWords(), whole: [written], all: [written, digits], digits, written };
    }),
  ];
  // What holds neither a word nor a number is found nowhere, and not everywhere: nobody has the empty word.
  if (narrowing.q && words.length === 0) words.push({ ...noWords(), whole: [''], all: [''], digits: null });
  const marks: ListSpec['marks'] = {};
  for (const facet of FACET_NAMES) if (narrowing[facet].length > 0) marks[facet] = [...narrowing[facet]];
  const filedTo = narrowing.filedTo && new Date(Date.parse(narrowing.filedTo) + DAY_MS).toISOString();
  return { spec: { marks, words, filedFrom: narrowing.filedFrom ?? null, filedTo: filedTo ?? null }, terms };
}

/** For each word that was asked for the words of the workspace's lists that may be meant. */
export async function wordsMeant(manager: EntityManager, q: string): Promise<string[][]> {
  const { words } = searchTerms(q);
  const like = words.length > 0 ? await wordsLike(manager, words) : new Map<string, string[]>();
  return words.map((asked) => wordSpec(asked, like.get(asked) ?? []).all);
}

const noWords = (): Record<Grade, string[]> => ({ whole: [], begins: [], slips: [], holds: [] });

function wordSpec(asked: string, known: readonly string[]): WordSpec {
  const by = noWords();
  by.whole.push(asked);
  if (asked.length <= FIRST_LETTERS) by.begins.push(`${asked}*`);
  for (const word of known) {
    const grade = gradeWord(asked, word);
    if (grade && grade !== 'whole') by[grade].push(word);
  }
  for (const grade of ['slips', 'holds'] as const)
    by[grade] = by[grade]
      .sort((a, b) => Math.abs(a.length - asked.length) - Math.abs(b.length - asked.length) || (a < b ? -1 : 1))
      .slice(0, MOST_ALIKE);
  return { ...by, all: Object.values(by).flat(), digits: null };
}
