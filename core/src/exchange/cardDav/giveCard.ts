import type { PersonFields } from '../../people';
import { toVcard } from '../vcard/toVcard';

/** What a device wrote that has no place here: it is given back as it came. */
export interface Further {
  /** What the device calls the record; null for what was not made there. */
  uid: string | null;
  note: string;
  /** Content lines, folded as they came, without their last line break. */
  lines: readonly string[];
}

export interface CardGiven {
  personId: string;
  fields: PersonFields;
  tags: readonly string[];
  kind: 'contact' | 'lead';
  rating: string | null;
  changedAt: Date;
  further?: Further;
}

/** Somebody as an address book on a device has them (vCard 3.0, which all of these read). */
export function giveCard({ personId, fields, tags, kind, rating, changedAt, further }: CardGiven): string {
  const card = toVcard(fields, {
    version: '3.0', uid: personId, revision: changedAt, note: further?.note || undefined, tags, kind, rating,
  }); // prettier-ignore
  if (!further) return card;
  const { uid, lines } = further;
  const named = uid ? card.replace(/^UID:.*\r\n/m, () => `UID:${uid}\r\n`) : card;
  const more = lines.map((line) => `${line}\r\n`).join('');
  return named.replace(/END:VCARD\r\n$/, () => `${more}END:VCARD\r\n`);
}
