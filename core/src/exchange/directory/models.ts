/** Somebody as a directory knows them. */
export interface KnownPerson {
  /** What the directory calls them. */
  ref: string;
  fullName: string;
  company: string;
  emails: string[];
  title: string;
  phones: string[];
  /** Pages about them elsewhere. */
  pages: string[];
  /** Address of a portrait, from the directory's own; empty for none. */
  portrait: string;
}

/** A firm as a directory knows it. */
export interface KnownFirm {
  ref: string;
  name: string;
  domains: string[];
  industry: string;
  /** How many work there, as the directory says it: "50 to 99". */
  size: string;
  founded: string;
  phone: string;
  address: string;
  pages: string[];
}

export const PERSON_OFFERS = ['title', 'phone', 'website', 'portrait'] as const;
export const FIRM_OFFERS = ['industry', 'size', 'founded', 'phone', 'address', 'website'] as const;
export type PersonOffer = (typeof PERSON_OFFERS)[number];
export type FirmOffer = (typeof FIRM_OFFERS)[number];

/** A value that could be taken. */
export interface Offer<Field extends string> {
  field: Field;
  value: string;
}
