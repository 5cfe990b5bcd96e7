import { FIRM_OFFERS, PERSON_OFFERS } from '@dossier/core/exchange/directory';
import { z } from 'zod';
import { ChosenPeople } from './changes';
import { OutsideAddress } from './outsideAddress';

/** A directory of firms and people that the team may ask. */
export const DirectorySettings = z.object({
  /** Null where none is asked. */
  address: z.string().nullable(),
  /** Whether a key is kept for it. */
  hasKey: z.boolean(),
  /** Whether portraits may be taken from it. */
  portraits: z.boolean(),
});
export type DirectorySettings = z.infer<typeof DirectorySettings>;

export const DirectorySettingsChange = z.strictObject({
  address: OutsideAddress.nullable(),
  /** A new key; the one that is kept stays without. */
  key: z.string().trim().min(1).max(500).optional(),
  portraits: z.boolean(),
});
export type DirectorySettingsChange = z.infer<typeof DirectorySettingsChange>;

/** More than that are asked about on several days. */
export const MOST_LOOKED_UP = 500;
export const LookUpRequest = z.strictObject({ who: ChosenPeople });

/** Asking about several people, one after the other. */
export const LookUp = z.object({
  id: z.uuid(),
  /** `halted` after it went wrong several times in a row: it can be gone on with. */
  state: z.enum(['running', 'halted', 'done', 'stopped']),
  total: z.number().int(),
  done: z.number().int(),
  /** Of whom the directory knows something that is not here. */
  found: z.number().int(),
  failed: z.number().int(),
  problem: z.string().nullable(),
  madeAt: z.iso.datetime(),
});
export type LookUp = z.infer<typeof LookUp>;

export const LookUps = z.object({ latest: LookUp.nullable() });
export type LookUps = z.infer<typeof LookUps>;

/** Something that the directory says, to be taken or left. */
export const Finding = z.object({
  id: z.uuid(),
  /** Of the person, or of the firm they work for. */
  of: z.enum(['person', 'firm']),
  field: z.enum([...new Set([...PERSON_OFFERS, ...FIRM_OFFERS])]),
  value: z.string(),
  /** What stands here now and would be replaced; empty for nothing. */
  here: z.string(),
  source: z.string(),
  foundAt: z.iso.datetime(),
});
export type Finding = z.infer<typeof Finding>;

/** What the directory says of somebody and their firm, as far as nobody has said yes or no to it. */
export const FoundOfPerson = z.object({
  personId: z.uuid(),
  fullName: z.string(),
  company: z.string(),
  /** When it was asked last, and what went wrong then. */
  askedAt: z.iso.datetime().nullable(),
  problem: z.string().nullable(),
  findings: z.array(Finding),
});
export type FoundOfPerson = z.infer<typeof FoundOfPerson>;

export const FoundOfMany = z.object({ items: z.array(FoundOfPerson), next: z.string().nullable() });
export type FoundOfMany = z.infer<typeof FoundOfMany>;
export const FoundQuery = z.object({ cursor: z.uuid().optional() });

export const FindingsSettled = z.strictObject({
  take: z.array(z.uuid()).max(200).default([]),
  leave: z.array(z.uuid()).max(200).default([]),
});
export type FindingsSettled = z.infer<typeof FindingsSettled>;

/** What was taken of a firm, with where it is from. */
export const FirmFacts = z.object({
  items: z.array(
    z.object({
      id: z.uuid(),
      field: z.enum(FIRM_OFFERS),
      value: z.string(),
      source: z.string(),
      foundAt: z.iso.datetime(),
      takenBy: z.string(),
    }),
  ),
});
export type FirmFacts = z.infer<typeof FirmFacts>;

/** Of somebody: another id whenever the picture is another one. */
export const Portrait = z.object({ pictureId: z.uuid().nullable(), source: z.string().nullable() });
export type Portrait = z.infer<typeof Portrait>;
