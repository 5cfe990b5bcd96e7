import type { Facet } from '@dossier/contract';
import type { Grade } from '@dossier/core/people/search';

/** Columns that lists are ordered by. */
export type ListColumn = 'sort_name' | 'sort_company' | 'filed_at' | 'touched_at' | 'next_on';

/** Words of the lists for one that was asked for, by how well they fit; of a number, its digits, and those as they were written. */
export type WordSpec = Record<Grade, string[]> & { all: string[]; digits: string | null; written?: string };

/** Which people are meant, as the database's functions take it. */
export interface ListSpec {
  marks: Partial<Record<Facet, string[]>>;
  words: WordSpec[];
  filedFrom: string | null;
  filedTo: string | null;
}
