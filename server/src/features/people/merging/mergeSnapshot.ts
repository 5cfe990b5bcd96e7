import type { PersonFields } from '@dossier/core/people';

/** Rows of a person as they are in the database, whatever their columns. */
export type Row = Record<string, unknown> & { id: string; person_id: string };

/** Raised with every change of a table whose rows a merge keeps; `UPGRADES` then says what becomes of older ones. */
export const SNAPSHOT_SCHEMA = 8;

/** What a merge changed: rows as they were, and whose what was. */
export interface MergeSnapshot {
  schema: number;
  people: Row[];
  employments: Row[];
  contactPoints: Row[];
  /** Person by note, card, consent, task, shared link or receipt. */
  notes: [string, string][];
  cards: [string, string][];
  consents: [string, string][];
  tasks: [string, string][];
  shares: [string, string][];
  messages: [string, string][];
  bookings: [string, string][];
  enrolments: [string, string][];
  attachments: [string, string][];
  receipts: [string, string][];
  /** From whom the person was not kept apart before. */
  apart?: string[];
  /** Whose record which other system had. */
  handed?: [destinationId: string, personId: string][];
  /** Who had which part in which piece of business. */
  parts?: PartRow[];
  fieldsBefore: PersonFields;
  fieldsAfter: PersonFields;
}

/** Somebody's part in a piece of business. */
export interface PartRow {
  opportunity_id: string;
  person_id: string;
  part: string;
}

type AnySnapshot = Record<string, unknown> & { schema?: number };

/** From one schema to the next, by the one they begin with. */
const UPGRADES: Record<number, (before: AnySnapshot) => AnySnapshot> = {
  // Ways to reach somebody are contact points; filing without a person is a moment.
  1: ({ reach, people, ...rest }) => ({
    ...rest,
    contactPoints: reach,
    people: (people as Row[]).map(({ glance_at, ...row }) => ({ ...row, filed_by_itself_at: glance_at ?? null })),
  }),
  // Lists are kept beside the records.
  2: ({ people, ...rest }) => ({
    ...rest,
    people: (people as Row[]).map(({ search_text: _gone, ...row }) => row),
    tasks: [],
  }),
  // Links to somebody go with their record.
  3: (rest) => ({ ...rest, shares: [] }),
  // So does what was written to them and by them, and the plans that they are in.
  4: (rest) => ({ ...rest, messages: [], enrolments: [], attachments: [] }),
  // People know what became of them as leads.
  5: ({ people, ...rest }) => ({
    ...rest,
    people: (people as Row[]).map((row) => ({ ...row, lead_status: null, closed: null, qualified_at: null })),
  }),
  // And how they came to be here.
  6: ({ people, ...rest }) => ({
    ...rest,
    people: (people as Row[]).map((row) => ({ source: 'card', ...row })),
  }),
  // Talks are booked.
  7: (rest) => ({ ...rest, bookings: [] }),
};

/** A snapshot of any age as the tables are now. */
export function snapshotOf(kept: object): MergeSnapshot {
  let snapshot = kept as AnySnapshot;
  for (let schema = snapshot.schema ?? 1; schema < SNAPSHOT_SCHEMA; schema++)
    snapshot = { ...UPGRADES[schema]!(snapshot), schema: schema + 1 };
  return snapshot as unknown as MergeSnapshot;
}
