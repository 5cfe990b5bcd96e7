import { displayName, isNumberAlone, type PersonFields, type PhoneEntry } from '../people';
import { vcardLine, type VcardParameters } from './vcardLine';

export type VcardVersion = '3.0' | '4.0';

export interface VcardOptions {
  version: VcardVersion;
  /** Stable identifier of the record, a UUID. */
  uid: string;
  /** When the record last changed. */
  revision: Date;
  note?: string;
  /** Base64 of a JPEG. */
  photo?: string;
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

/** One person as a vCard: version 4.0 (RFC 6350) or 3.0 (RFC 2426). */
export function toVcard(fields: PersonFields, { version, uid, revision, note, photo }: VcardOptions): string {
  const isFour = version === '4.0';
  const lines: string[] = ['BEGIN:VCARD\r\n'];
  const text = (name: string, value: string, parameters?: VcardParameters) =>
    lines.push(vcardLine(name, [value], parameters));
  const parts = (name: string, values: string[], parameters?: VcardParameters) =>
    lines.push(vcardLine(name, values, parameters));
  const raw = (name: string, value: string, parameters?: VcardParameters) =>
    lines.push(vcardLine(name, value, parameters));

  raw('VERSION', version);
  text('PRODID', '-//Dossier//EN');
  raw('UID', `urn:uuid:${uid}`);
  raw('REV', revision.toISOString().replace(/[-:]|\.\d+/g, ''));
  text('FN', displayName(fields) || 'Unknown');
  parts('N', [fields.familyName, fields.givenName, fields.middleName, fields.prefix, fields.suffix]);
  if (fields.company || fields.department)
    parts('ORG', [fields.company, ...(fields.department ? [fields.department] : [])]);
  if (fields.title) text('TITLE', fields.title);
  fields.emails.forEach((email) => text('EMAIL', email, { TYPE: isFour ? ['work'] : ['internet', 'work'] }));
  fields.phones.forEach((phone) => {
    const { number, extension } = dialled(phone);
    const TYPE = PHONE_TYPES[phone.kind];
    if (number === undefined) text('TEL', [phone.value, phone.extension].filter(Boolean).join(' ext. '), { TYPE });
    else if (isFour) raw('TEL', `tel:${number}${extension ? `;ext=${extension}` : ''}`, { VALUE: ['uri'], TYPE });
    else text('TEL', extension ? `${number} ext. ${extension}` : number, { TYPE });
  });
  fields.websites.forEach((site) => raw('URL', encodeURI(/^https?:/.test(site) ? site : `https://${site}`)));
  if (fields.street || fields.locality || fields.postalCode || fields.country) {
    const place = [fields.street, fields.locality, fields.region, fields.postalCode, fields.country];
    parts('ADR', ['', '', ...place], { TYPE: ['work'] });
  }
  for (const { address } of fields.more)
    if (address)
      parts('ADR', ['', '', address.street, address.locality, address.region, address.postalCode, address.country]);
  const more = fields.more.filter((entry) => !entry.address).map(({ label, value }) => `${label}: ${value}`);
  const words = [note, ...more].filter(Boolean).join('\n');
  if (words) text('NOTE', words);
  if (photo && isFour) raw('PHOTO', `data:image/jpeg;base64,${photo}`);
  if (photo && !isFour) raw('PHOTO', photo, { ENCODING: ['b'], TYPE: ['JPEG'] });
  lines.push('END:VCARD\r\n');
  return lines.join('');
}
