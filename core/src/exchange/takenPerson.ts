import type { PersonFields } from '../people';

/** A person as they go out: their fields, and what the team keeps beside them. */
export interface TakenPerson {
  id: string;
  version: number;
  fields: PersonFields;
  kind: 'contact' | 'lead';
  rating: string | null;
  /** How far a lead is, in the team's words. */
  status: string | null;
  /** Since when, and why, a lead is closed. */
  closed: { at: string; reason: string; words: string } | null;
  /** When a lead became a contact. */
  qualifiedAt: Date | null;
  tags: readonly string[];
  /** Name of the colleague whose person it is. */
  owner: string;
  occasions: readonly string[];
  /** The latest first. */
  notes: readonly { text: string; author: string; at: Date }[];
  companyId: string | null;
  filedAt: Date;
  touchedAt: Date;
  /** Day of the next step, as 2026-03-24. */
  nextOn: string | null;
}
