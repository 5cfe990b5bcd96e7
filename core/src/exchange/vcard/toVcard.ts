import {
  ADDRESS_FIELDS,
  displayName,
  isNumberAlone,
  type AddressParts,
  type MoreEntry,
  type PersonFields,
  type PhoneEntry,
} from '../../people';
import { fold, isWritable } from '../../text';
import { addressOnOneLine, siteOf } from '../asFiled';
import { countryCode } from '../countryCode';
import { vcardLine, vcardList, type VcardParameters } from './vcardLine';

export type VcardVersion = '3.0' | '4.0';

export interface VcardOptions {
  version: VcardVersion;
  /** Stable identifier of the record, a UUID. */
  uid: string;
  /** When the record last changed. */
  revision: Date;
  note?: string;
  tags?: readonly string[];
  kind?: 'contact' | 'lead';
  rating?: string | null;
  /** Stable identifier of the firm, a UUID. */
  companyId?: string | null;
  /** Base64 of JPEGs, the front first. */
  photos?: readonly string[];
}

/** Phone kinds as TYPE values: RFC 6350 section 6.4.1 and RFC 2426 section 3.3.1 share them. */
const PHONE_TYPES: Record<PhoneEntry['kind'], string[]> = {
  work: ['work', 'voice'],
  mobile: ['cell', 'voice'],
  fax: ['work', 'fax'],
};

/**
 * What a telephone dials: sign and digits, the extension apart (RFC 3966 section 5.3). The number is undefined where letters stand in
 * it ("0800 FLOWERS", "ask for Ann"): other digits would be dialled, and it goes out as it is written.
 */
function dialled({ value, extension }: PhoneEntry): { number: string | undefined; extension: string } {
  const [written = '', own] = value.split(/;ext=/i);
  const inside = own ?? extension;
  const isDialled = isNumberAlone(written) && /\d/.test(written) && /^[\d\s.-]*$/.test(inside);
  const zero = written.replace(/\(0\)/, written.trim().startsWith('+') ? '' : '0');
  return { number: isDialled ? zero.replace(/[^\d+]/g, '') : undefined, extension: inside.replace(/\D/g, '') };
}

type Line = (name: string, value: string | readonly string[], parameters?: VcardParameters) => void;

/**
 * One person as a vCard: version 4.0 (RFC 6350) or 3.0 (RFC 2426). What these have no place for stands in properties and parameters of our
 * own (X-DOSSIER-…), and own fields in the note too: whoever reads the card back has the same person, whoever knows nothing of them misses
 * nothing.
 */
export function toVcard(fields: PersonFields, options: VcardOptions): string {
  const { version, uid, revision, note, tags = [], kind, rating, companyId, photos = [] } = options;
  const isFour = version === '4.0';
  const lines: string[] = ['BEGIN:VCARD\r\n'];
  const line: Line = (name, value, parameters) => lines.push(vcardLine(name, value, version, parameters));

  line('VERSION', version);
  line('PRODID', ['-//Dossier//EN']);
  line('UID', `urn:uuid:${uid}`);
  line('REV', revision.toISOString().replace(/[-:]|\.\d+/g, ''));
  line('FN', [displayName(fields) || 'Unknown']);
  line('N', [fields.familyName, fields.givenName, fields.middleName, fields.prefix, fields.suffix]);
  if (fields.company || fields.department)
    line('ORG', [fields.company, ...(fields.department ? [fields.department] : [])]);
  if (companyId && isFour) line('RELATED', `urn:uuid:${companyId}`);
  if (fields.title) line('TITLE', [fields.title]);
  for (const email of fields.emails) line('EMAIL', [email], { TYPE: isFour ? ['work'] : ['internet', 'work'] });
  for (const phone of fields.phones) writePhone(line, phone, isFour);
  for (const site of fields.websites) line('URL', urlOf(site), asWritten(site, siteOf(urlOf(site))));
  if (isAddress(fields)) writeAddress(line, fields, { TYPE: ['work'] });
  for (const entry of fields.more) writeMore(line, entry);
  if (tags.length > 0) lines.push(vcardList('CATEGORIES', tags, version));
  if (kind) line('X-DOSSIER-KIND', kind);
  if (rating) line('X-DOSSIER-RATING', [rating]);
  const own = fields.more.filter((entry) => !entry.address && !isUri(entry.value)).map(({ label, value }) => `${label}: ${value}`); // prettier-ignore
  const words = [note, ...own].filter(Boolean).join('\n');
  if (words) line('NOTE', [words]);
  for (const photo of photos)
    if (isFour) line('PHOTO', `data:image/jpeg;base64,${photo}`);
    else line('PHOTO', photo, { ENCODING: ['b'], TYPE: ['JPEG'] });
  lines.push('END:VCARD\r\n');
  return lines.join('');
}

/** How it was written, where reading the standard's form back would not tell. */
const asWritten = (text: string, readBack: string): VcardParameters =>
  readBack === text ? {} : { 'X-DOSSIER-TEXT': [text] };

function writePhone(line: Line, phone: PhoneEntry, isFour: boolean): void {
  const { number, extension } = dialled(phone);
  const isPlain = phone.value === number && number.startsWith('+') && phone.extension === extension;
  const parameters: VcardParameters = {
    TYPE: PHONE_TYPES[phone.kind],
    ...(!isPlain && { 'X-DOSSIER-TEXT': [phone.value], 'X-DOSSIER-EXTENSION': [phone.extension] }),
  };
  if (number === undefined) line('TEL', [[phone.value, phone.extension].filter(Boolean).join(' ext. ')], parameters);
  else if (isFour)
    line('TEL', `tel:${number}${extension ? `;ext=${extension}` : ''}`, { VALUE: ['uri'], ...parameters });
  else line('TEL', [extension ? `${number} ext. ${extension}` : number], parameters);
}

const urlOf = (site: string): string => {
  const url = /^https?:/i.test(site) ? site : `https://${site}`;
  try {
    return encodeURI(url);
  } catch {
    // Half a character cannot be encoded.
    return url;
  }
};

const isAddress = (parts: AddressParts): boolean => ADDRESS_FIELDS.some((field) => parts[field] !== '');

function writeAddress(line: Line, parts: AddressParts, parameters: VcardParameters): void {
  const { street, locality, region, postalCode, country } = parts;
  const land = countryCode(country) ?? country;
  line('ADR', ['', '', street, locality, region, postalCode, country], {
    ...parameters,
    ...(land !== country && { 'X-DOSSIER-COUNTRY': [country] }),
  });
}

function writeMore(line: Line, { label, value, address }: MoreEntry): void {
  const ours = { 'X-DOSSIER-LABEL': [label] };
  const type = fold(label).replace(/[^a-z\d]+/g, '-').replace(/^-|-$/g, ''); // prettier-ignore
  const typed = { ...(type && { TYPE: [type] }), ...ours };
  if (address) writeAddress(line, address, { TYPE: ['home'], ...ours, ...asWritten(value, addressOnOneLine(address)) });
  else if (!isUri(value)) line('X-DOSSIER-FIELD', [value], ours);
  else if (/^https?:/i.test(value)) line('URL', urlOf(value), { ...typed, ...asWritten(value, urlOf(value)) });
  else line('IMPP', encodeURI(value), { ...typed, ...asWritten(value, encodeURI(value)) });
}

/** An address elsewhere: of a page, or in another network. */
const isUri = (value: string): boolean =>
  /^(?:https?:\/\/|(?!tel:|mailto:|data:|javascript:)[a-z][a-z\d+.-]+:(?=\S*[@/]))[^\s"<>^`{|}\\]+$/i.test(value) &&
  isWritable(value);
