import { ADDRESS_FIELDS, emptyPersonFields, TEXT_FIELDS, type AddressParts, type PersonFields } from '../../people';
import { onOneLine, writable } from '../../text';
import type { IncomingPerson } from '../incomingPerson';

/** See docs/people-json.md. */
export const PEOPLE_JSON = { format: 'dossier-people', version: 1 } as const;

/** Entries of a list that no person has more of. */
const MOST = 100;

/**
 * The people of a file that was taken out as JSON, in whatever state it is: what is not understood is left out.
 * @returns undefined for a file of another kind, or of a version to come
 */
export function readPeopleJson(text: string): IncomingPerson[] | undefined {
  const file = parsed(text);
  if (file.format !== PEOPLE_JSON.format || file.version !== PEOPLE_JSON.version) return undefined;
  return list(file.people).map(personOf);
}

type Given = Readonly<Record<string, unknown>>;

function parsed(text: string): Given {
  try {
    return given(JSON.parse(text.replace(/^\uFEFF/, '')));
  } catch {
    return {};
  }
}

const given = (value: unknown): Given =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Given) : {};
const list = (value: unknown): Given[] => (Array.isArray(value) ? value.map(given) : []);
const words = (value: unknown): string => (typeof value === 'string' ? writable(value).trim() : '');
const line = (value: unknown): string => onOneLine(words(value));
const lines = (value: unknown): string[] =>
  Array.isArray(value) ? value.map(line).filter(Boolean).slice(0, MOST) : [];

function personOf(person: Given): IncomingPerson {
  const { kind, rating, owner, id } = person;
  const isKind = kind === 'contact' || kind === 'lead';
  return {
    fields: fieldsOf(given(person.fields)),
    tags: lines(person.tags),
    note: list(person.notes).map(({ text }) => words(text)).filter(Boolean).join('\n\n'), // prettier-ignore
    uid: typeof id === 'string' ? `urn:uuid:${id}` : '',
    ...(isKind && { kind }),
    ...(typeof rating === 'string' && { rating }),
    ...(typeof owner === 'string' && { owner }),
    pictures: picturesOf(list(person.cards)),
  };
}

function fieldsOf(from: Given): PersonFields {
  const fields = emptyPersonFields();
  for (const field of TEXT_FIELDS) fields[field] = line(from[field]);
  fields.emails = lines(from.emails);
  fields.websites = lines(from.websites);
  for (const { value, kind, extension } of list(from.phones).slice(0, MOST)) {
    const known = kind === 'mobile' || kind === 'fax' ? kind : 'work';
    if (line(value)) fields.phones.push({ value: line(value), kind: known, extension: line(extension) });
  }
  for (const { label, value, address } of list(from.more).slice(0, MOST))
    if (line(value)) fields.more.push({ label: line(label), value: line(value), ...(address !== undefined && { address: partsOf(given(address)) }) }); // prettier-ignore
  return fields;
}

const partsOf = (address: Given): AddressParts =>
  Object.fromEntries(ADDRESS_FIELDS.map((part) => [part, line(address[part])])) as unknown as AddressParts;

/** Of the latest card, its front and its back. */
function picturesOf(cards: readonly Given[]): IncomingPerson['pictures'] {
  const front = cards.find(({ side }) => side === 'front');
  return [front, cards.find((card) => front && card.side === 'back' && card.frontId === front.id)].flatMap((card) => {
    const { type, base64 } = given(card?.picture);
    return typeof base64 === 'string' && /^[A-Za-z\d+/]+=*$/.test(base64) ? { type: line(type), base64 } : [];
  });
}
