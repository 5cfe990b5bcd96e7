import {
  displayName,
  emptyPersonFields,
  fullName,
  type AddressParts,
  type PersonFields,
  type PhoneEntry,
} from '../../people';
import { typedPhone } from '../../people/typedPhone';
import { splitName } from '../../reading/names/personName';
import { onOneLine, writable } from '../../text';
import { addressOnOneLine, siteOf } from '../asFiled';
import { countryCode } from '../countryCode';
import { LONGEST_TAKEN_APART, type IncomingPerson } from '../incomingPerson';
import { readContentLines, type ContentLine } from './readContentLines';
import { splitValue, unescapeValue } from './values';

export interface ReadVcardsOptions {
  /** ISO 3166, for numbers without a calling code. */
  country: string | null;
}

/**
 * The people of a file of vCards (2.1, RFC 2426, RFC 6350), in whatever state it is: what cannot be understood is left out, what stands
 * outside of cards is passed over, and one that was not ended is a card all the same.
 */
export function readVcards(bytes: Uint8Array, options: ReadVcardsOptions): IncomingPerson[] {
  const cards: ContentLine[][] = [];
  let card: ContentLine[] | undefined;
  let within = 0;
  for (const line of readContentLines(bytes)) {
    const isBorder = (line.name === 'BEGIN' || line.name === 'END') && /^\s*vcard\s*$/i.test(line.value);
    if (!isBorder) {
      if (within === 0) card?.push(line);
    } else if (line.name === 'BEGIN') {
      // An agent's card within a card is somebody else.
      if (card?.at(-1)?.name === 'AGENT') within++;
      else cards.push((card = []));
    } else if (within > 0) within--;
    else card = undefined;
  }
  return cards.map((lines) => personOf(lines, options)).filter((person) => !isEmpty(person));
}

const isEmpty = ({ fields }: IncomingPerson): boolean =>
  !displayName(fields) && !fields.company && fields.emails.length === 0 && fields.phones.length === 0;

/** A person while their card is being read. */
interface Draft extends IncomingPerson {
  wholeName: string;
  addresses: { label: string; parts: AddressParts; isWork: boolean }[];
  notes: string[];
  /** Lines that own fields have in the note. */
  own: string[];
}

/** A property with what all readers of properties ask of it. */
class Property {
  readonly types: readonly string[];
  constructor(
    readonly line: ContentLine,
    private readonly isOld: boolean,
    private readonly groupLabel: string,
    readonly country: string | null,
  ) {
    const types = line.parameters.get('TYPE') ?? [];
    this.types = types.flatMap((type) => type.split(',')).map((type) => type.trim().toUpperCase());
  }
  /** With its line breaks. */
  get words(): string {
    return writable(unescapeValue(this.line.value, this.isOld)).trim();
  }
  get text(): string {
    return onOneLine(this.words);
  }
  /** The components of a structured value. @param between what several values of a component are joined by */
  parts(between = ' '): string[] {
    return splitValue(this.line.value, ';').map((part) =>
      onOneLine(
        splitValue(part, ',')
          .map((one) => unescapeValue(one, this.isOld))
          .join(this.isOld ? ',' : between),
      ),
    );
  }
  /** The values of a list. */
  list(): string[] {
    return splitValue(this.line.value, ',').map((one) => onOneLine(unescapeValue(one, this.isOld)));
  }
  parameter(name: string): string | undefined {
    return this.line.parameters.get(name)?.[0];
  }
  /** Whether it was one of a person's further fields here. */
  get isOwn(): boolean {
    return this.parameter('X-DOSSIER-LABEL') !== undefined;
  }
  /** What it is called, by a parameter or by a property of its group. */
  label(usual: string): string {
    return this.parameter('X-DOSSIER-LABEL') ?? (this.groupLabel || usual);
  }
  /** How it was written where the standard has it written otherwise. */
  get written(): string | undefined {
    return this.parameter('X-DOSSIER-TEXT');
  }
}

const asMore = (usual: string) => (draft: Draft, property: Property) => {
  const value = property.written ?? property.text;
  if (value) draft.fields.more.push({ label: property.label(usual), value });
};

const READERS: Readonly<Record<string, (draft: Draft, property: Property) => void>> = {
  N: ({ fields }, property) => {
    const [familyName = '', givenName = '', middleName = '', prefix = '', suffix = ''] = property.parts();
    Object.assign(fields, { familyName, givenName, middleName, prefix, suffix });
  },
  FN: (draft, { text }) => {
    draft.wholeName ||= text;
  },
  ORG: ({ fields }, property) => {
    const [company = '', ...units] = property.parts(', ');
    fields.company ||= company;
    fields.department ||= units.filter(Boolean).join(', ');
  },
  TITLE: ({ fields }, { text }) => {
    fields.title ||= text;
  },
  ROLE: asMore('Role'),
  EMAIL: ({ fields }, { text }) => {
    const email = text.replace(/^mailto:/i, '').toLowerCase();
    if (email && !fields.emails.includes(email)) fields.emails.push(email);
  },
  TEL: ({ fields }, property) => {
    const phone = phoneOf(property);
    const isThere = fields.phones.some((one) => one.value === phone.value && one.extension === phone.extension);
    if (phone.value && !isThere) fields.phones.push(phone);
  },
  ADR: (draft, property) => {
    const [box = '', extended = '', street = '', locality = '', region = '', postalCode = '', country = ''] =
      property.parts(', ');
    const parts: AddressParts = {
      street: [street, extended, box].filter(Boolean).join(', '),
      postalCode,
      locality,
      region,
      country: property.parameter('X-DOSSIER-COUNTRY') ?? countryCode(country) ?? country,
    };
    const label = property.label(property.types.includes('HOME') ? 'Home' : 'Address');
    if (property.isOwn)
      draft.fields.more.push({ label, value: property.written ?? addressOnOneLine(parts), address: parts });
    else if (Object.values(parts).some(Boolean))
      draft.addresses.push({ label, parts, isWork: property.types.includes('WORK') });
  },
  URL: (draft, property) => {
    const site = property.written ?? siteOf(property.text);
    if (property.isOwn || property.label('')) asMore('')(draft, property);
    else if (site && !draft.fields.websites.includes(site)) draft.fields.websites.push(site);
  },
  IMPP: (draft, property) => asMore(schemeOf(property.text) || 'Address')(draft, property),
  'X-DOSSIER-FIELD': (draft, property) => {
    asMore('Field')(draft, property);
    draft.own.push(`${property.label('Field')}: ${property.text}`);
  },
  'X-DOSSIER-KIND': (draft, { text }) => {
    if (text === 'lead' || text === 'contact') draft.kind = text;
  },
  'X-DOSSIER-RATING': (draft, { text }) => {
    draft.rating = text;
  },
  BDAY: asMore('Birthday'),
  ANNIVERSARY: asMore('Anniversary'),
  NOTE: (draft, { words }) => {
    if (words) draft.notes.push(words);
  },
  CATEGORIES: ({ tags }, property) => {
    for (const tag of property.list()) if (tag && !tags.includes(tag)) tags.push(tag);
  },
  UID: (draft, { text }) => {
    draft.uid = text;
  },
  PHOTO: (draft, property) => {
    const picture = pictureOf(property);
    if (picture) draft.pictures.push(picture);
  },
};

function personOf(card: readonly ContentLine[], { country }: ReadVcardsOptions): IncomingPerson {
  const isOld = card.find(({ name }) => name === 'VERSION')?.value.trim() === '2.1';
  const labels = new Map<string, string>();
  for (const { name, group, value } of card)
    if (group && /^X-\w*LABEL$/.test(name)) labels.set(group, plainLabel(unescapeValue(value, isOld)));
  const fields = emptyPersonFields();
  const draft: Draft = {
    fields,
    tags: [],
    note: '',
    uid: '',
    pictures: [],
    wholeName: '',
    addresses: [],
    notes: [],
    own: [],
  };
  for (const line of card)
    READERS[line.name]?.(draft, new Property(line, isOld, labels.get(line.group) ?? '', country));
  const { wholeName, addresses, notes, own, ...person } = draft;
  if (!fullName(fields) && wholeName !== displayName(fields)) nameFrom(wholeName, fields);
  // Own fields stand in the note as well, for readers who know nothing of them.
  person.note = withoutOwnFields(notes.join('\n\n'), own);
  const main = addresses.find(({ isWork }) => isWork) ?? addresses[0];
  Object.assign(fields, main?.parts);
  for (const { label, parts } of addresses.filter((address) => address !== main))
    fields.more.push({ label, value: addressOnOneLine(parts), address: parts });
  return person;
}

/** Some programs put signs around the labels that they translate. */
const plainLabel = (label: string): string => onOneLine(label.replace(/^_\$!<(.*)>!\$_$/s, '$1'));

function nameFrom(whole: string, fields: PersonFields): void {
  if (!whole) return;
  if (whole.length > LONGEST_TAKEN_APART) return void (fields.familyName = whole);
  const { prefix = '', givenName = '', middleName = '', familyName = '', suffix = '' } = splitName(whole);
  if (familyName || givenName) Object.assign(fields, { prefix, givenName, middleName, familyName, suffix });
  // A single word is what somebody is called by.
  else fields.familyName = whole;
}

const MOBILE = ['CELL', 'MOBILE', 'IPHONE'];

function phoneOf(property: Property): PhoneEntry {
  const { words, written, types, country } = property;
  const kind = types.includes('FAX') ? 'fax' : types.some((type) => MOBILE.includes(type)) ? 'mobile' : 'work';
  if (written !== undefined)
    return { value: written, kind, extension: property.parameter('X-DOSSIER-EXTENSION') ?? '' };
  const [number = '', behind] = words.replace(/^tel:/i, '').split(/;ext=/i);
  const { value, extension } = typedPhone(onOneLine(number.replace(/;.*$/s, '')), country);
  return { value, kind, extension: (behind ?? extension).replace(/[;,].*$/s, '').trim() };
}

const schemeOf = (text: string): string => /^([a-z][a-z\d+.-]*):/i.exec(text)?.[1]?.toLowerCase() ?? '';

function pictureOf({ line, types }: Property): { type: string; base64: string } | undefined {
  const data = /^data:(image\/[\w.+-]+);base64,/i.exec(line.value);
  const isInside = /^(?:b|base64)$/i.test(line.parameters.get('ENCODING')?.[0] ?? '');
  if (!data && !isInside) return undefined;
  const base64 = line.value.slice(data?.[0].length ?? 0).replace(/\s/g, '');
  if (!/^[A-Za-z\d+/]+=*$/.test(base64)) return undefined;
  return { type: data?.[1]!.toLowerCase() ?? `image/${(types[0] ?? 'JPEG').toLowerCase()}`, base64 };
}

function withoutOwnFields(note: string, own: readonly string[]): string {
  const left = [...own];
  const lines = note.split('\n');
  while (left.includes(lines.at(-1)!)) left.splice(left.indexOf(lines.pop()!), 1);
  return lines.join('\n').trim();
}
