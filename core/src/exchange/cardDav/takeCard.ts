import type { MoreEntry, PersonFields } from '../../people';
import { siteOf } from '../asFiled';
import { countryCode } from '../countryCode';
import { propertiesOf, type Property } from '../vcard/propertiesOf';
import { readVcards } from '../vcard/readVcards';
import type { Further } from './giveCard';

/** What has a place in a record here; all else is kept for the device. */
const OURS = new Set(['VERSION', 'N', 'FN', 'ORG', 'TITLE', 'EMAIL', 'TEL', 'ADR', 'URL', 'NOTE', 'CATEGORIES']);
const FRAME = new Set(['BEGIN', 'END', 'VERSION', 'PRODID', 'REV', 'UID']);
/** Names of others: they belong to the property of their group. */
const LABEL = /^X-\w*LABEL$/;

export interface CardTaken {
  fields: PersonFields;
  tags: string[];
  further: Further;
}

interface Before {
  fields: PersonFields;
  tags: readonly string[];
}

/**
 * A card as a device wrote it, as a record here. What only we write, and a device that knows nothing of it has dropped, stays as it was.
 * @param before what the device had; undefined for somebody new @param country ISO 3166, of numbers without a code
 * @returns undefined for what says nothing of anybody
 */
export function takeCard(text: string, before: Before | undefined, country: string): CardTaken | undefined {
  const properties = propertiesOf(text);
  const groups = new Set(properties.filter(isOurs).map(({ group }) => group));
  const own = properties.filter((one) => isOurs(one) || (LABEL.test(one.name) && groups.has(one.group)));
  const plain = ['BEGIN:VCARD', ...own.map(({ lines }) => lines), 'END:VCARD', ''].join('\r\n');
  const [person] = readVcards(new TextEncoder().encode(plain), { country });
  if (!person) return undefined;
  const lines = properties.filter((one) => !own.includes(one) && !FRAME.has(one.name)).map((one) => one.lines);
  const uid = properties.find(({ name }) => name === 'UID')?.value ?? null;
  const hasTags = properties.some(({ name }) => name === 'CATEGORIES');
  return {
    fields: before ? withWhatWasDropped(person.fields, before.fields, properties) : person.fields,
    // A device that knows no categories has not taken them away.
    tags: hasTags || !before ? person.tags : [...before.tags],
    further: { uid, note: before ? withoutOwn(person.note, before.fields.more) : person.note, lines },
  };
}

const isOurs = ({ name, lines }: Property): boolean =>
  OURS.has(name) || name.startsWith('X-DOSSIER-') || (name === 'IMPP' && /X-DOSSIER-LABEL/i.test(lines));

function withWhatWasDropped(fields: PersonFields, before: PersonFields, properties: readonly Property[]): PersonFields {
  const country = fields.country && countryCode(before.country) === countryCode(fields.country) ? before.country : fields.country; // prettier-ignore
  if (before.more.length === 0 || properties.some(({ lines }) => /X-DOSSIER-(?:FIELD|LABEL)/i.test(lines)))
    return { ...fields, country };
  const theirs = new Set(before.more.map(({ value }) => siteOf(value)));
  return { ...fields, country, more: before.more, websites: fields.websites.filter((site) => !theirs.has(site)) };
}

/** Own fields stand in the note as well, for readers who know nothing of them. */
function withoutOwn(note: string, more: readonly MoreEntry[]): string {
  const own = new Set(more.map(({ label, value }) => `${label}: ${value}`));
  return note.split('\n').filter((line) => !own.has(line)).join('\n').trim(); // prettier-ignore
}
