import type { PersonFields } from '../../people';
import type { LeadClosed } from '../../people/changes';
import type { TakenPerson } from '../takenPerson';

/** A person whose cells are being read. */
export interface RowDraft {
  fields: PersonFields;
  kind: 'contact' | 'lead';
  rating: string | null;
  /** How far a lead is. */
  status: string | null;
  /** Why a lead is closed; null where it is open. */
  closed: Omit<LeadClosed, 'at'> | null;
  tags: string[];
  /** Name of a colleague; empty for whoever brings it in. */
  owner: string;
}

/** The workspace's own words, which cells are read by. */
export interface RowWords {
  /** ISO 3166, for numbers without a calling code. */
  country: string | null;
  ratings: readonly string[];
  statuses: readonly string[];
  closeReasons: readonly string[];
  owners: readonly string[];
}

/** A column of a table of people. */
export interface PeopleColumn {
  key: string;
  header: string;
  type: 'text' | 'date' | 'moment';
  /** What stands in it, for the sheet that explains the columns. */
  about: string;
  /** What stands in the cell: text; a day as 2026-03-24, a moment in ISO 8601. */
  get: (person: TakenPerson) => string;
  /** Writes a cell into a person; words about what is wrong with it where it cannot be. Missing where it is only shown. */
  set?: (draft: RowDraft, text: string, words: RowWords) => string | undefined;
}

/** How many columns repeatable fields need. */
export interface Repeats {
  emails: number;
  phones: number;
  websites: number;
  more: number;
  /** Whether further fields have addresses in parts. */
  moreAddresses: boolean;
}
