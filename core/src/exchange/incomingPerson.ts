import type { PersonFields } from '../people';

/** A person as a file tells of them, before anybody has said whether they are known. */
export interface IncomingPerson {
  fields: PersonFields;
  tags: string[];
  note: string;
  /** As the file names them; what this application has written begins with urn:uuid: and is a person's id. */
  uid: string;
  kind?: 'contact' | 'lead';
  rating?: string;
  /** Name of the colleague whose person it is. */
  owner?: string;
  /** Pictures within the file, the front first. */
  pictures: { type: string; base64: string }[];
}

/**
 * Characters of a name or an address that are taken apart. What is longer is none (a table whose quotes do not close is one cell of a
 * million), is kept as it is, and refused for its length by whoever files it.
 */
export const LONGEST_TAKEN_APART = 1_000;
