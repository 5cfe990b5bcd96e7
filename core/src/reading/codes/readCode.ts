import { isKnownDomain } from '../../text/domains';
import type { FieldName, PhoneKind } from '../proposal';

/** One thing a code says about its owner. */
export interface CodeValue {
  field: FieldName | 'fullName';
  value: string;
  phoneKind?: PhoneKind;
}

/**
 * What the text of a two-dimensional code says about a person: a vCard (2.1, RFC 2426, RFC 6350), a
 * MECARD, a web, mail or telephone address; nothing for any other text. Tolerant, since codes are
 * made by all sorts of programs: unknown and broken lines are passed over.
 */
export function readCode(text: string): CodeValue[] {
  const trimmed = text.replace(/^\uFEFF/, '').trim();
  if (/^BEGIN:VCARD/i.test(trimmed)) return readVcard(trimmed);
  if (/^MECARD:/i.test(trimmed)) return readMecard(trimmed.slice('MECARD:'.length));
  if (/^mailto:/i.test(trimmed)) return [value('email', decodePercent(trimmed.slice(7).split('?')[0]!))];
  if (/^tel:/i.test(trimmed)) return [value('phone', trimmed.slice(4))];
  const site = siteOf(trimmed);
  return site ? [value('website', site)] : [];
}

const value = (field: CodeValue['field'], text: string): CodeValue => ({ field, value: text.trim() });

/** `host/path` of a web address without scheme, `www.` and query; undefined for other text. */
function siteOf(text: string): string | undefined {
  if (/\s/.test(text)) return undefined;
  const match = /^(?:https?:\/\/)?(?:www\.)?(?<host>[a-z\d.-]+\.[a-z]{2,})(?<path>\/[^?#]*)?(?:[?#].*)?$/i.exec(text);
  const host = match?.groups!.host!.toLowerCase();
  if (!host || !isKnownDomain(host)) return undefined;
  return host + (match!.groups!.path ?? '').replace(/\/+$/, '');
}

function decodePercent(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

interface ContentLine {
  name: string;
  parameters: string;
  text: string;
}

function readVcard(text: string): CodeValue[] {
  const unfolded = text.replace(/=\r?\n/g, '').replace(/\r?\n[ \t]/g, '');
  const lines = unfolded.split(/\r?\n/).flatMap((line): ContentLine[] => {
    const colon = line.indexOf(':');
    if (colon < 1) return [];
    const [head = '', ...parameters] = line.slice(0, colon).toUpperCase().split(';');
    const quoted = parameters.some((p) => p.includes('QUOTED-PRINTABLE'));
    const raw = line.slice(colon + 1);
    return [
      { name: head.replace(/^.*\./, ''), parameters: parameters.join(';'), text: quoted ? decodeQuoted(raw) : raw },
    ];
  });
  return lines.flatMap(vcardValues).filter((v) => v.value !== '');
}

function vcardValues({ name, parameters, text }: ContentLine): CodeValue[] {
  const parts = splitUnescaped(text, ';');
  switch (name) {
    case 'FN':
      return [value('fullName', unescape(text))];
    case 'N':
      return (['familyName', 'givenName', 'middleName', 'prefix', 'suffix'] as const).map((field, i) =>
        value(field, parts[i] ?? ''),
      );
    case 'TITLE':
      return [value('title', unescape(text))];
    case 'ORG':
      return [value('company', parts[0] ?? ''), value('department', parts[1] ?? '')];
    case 'EMAIL':
      return [value('email', unescape(text).replace(/^mailto:/i, ''))];
    case 'TEL':
      return [{ ...value('phone', unescape(text).replace(/^tel:/i, '')), phoneKind: kindOf(parameters) }];
    case 'URL': {
      const site = siteOf(unescape(text).trim());
      return site ? [value('website', site)] : [];
    }
    case 'ADR': {
      const [, extended = '', street = '', locality = '', region = '', code = '', country = ''] = parts;
      return [
        value('street', [extended, street].filter((p) => p.trim()).join(', ')),
        value('locality', locality),
        value('region', region),
        value('postalCode', code),
        value('country', country),
      ];
    }
    default:
      return [];
  }
}

const kindOf = (parameters: string): PhoneKind | undefined => {
  if (/FAX/.test(parameters)) return 'fax';
  if (/CELL|MOBILE/.test(parameters)) return 'mobile';
  return /WORK|VOICE/.test(parameters) ? 'work' : undefined;
};

/** MECARD (the common form of telephones): fields end with `;`, family and given name stand around a comma. */
function readMecard(text: string): CodeValue[] {
  return splitUnescaped(text, ';', false).flatMap((part): CodeValue[] => {
    const colon = part.indexOf(':');
    const [name, raw] = [part.slice(0, colon).toUpperCase(), part.slice(colon + 1)];
    const content = unescape(raw);
    if (!content.trim()) return [];
    switch (name) {
      case 'N': {
        const [family = '', given = ''] = splitUnescaped(raw, ',');
        return given.trim() ? [value('familyName', family), value('givenName', given)] : [value('fullName', content)];
      }
      case 'ORG':
        return [value('company', content)];
      case 'TITLE':
        return [value('title', content)];
      case 'TEL':
        return [value('phone', content)];
      case 'EMAIL':
        return [value('email', content)];
      case 'URL': {
        const site = siteOf(content.trim());
        return site ? [value('website', site)] : [];
      }
      default:
        return [];
    }
  });
}

/** Splits at separators that no backslash stands before. */
function splitUnescaped(text: string, separator: string, unescapeParts = true): string[] {
  const parts: string[] = [];
  let part = '';
  for (let i = 0; i < text.length; i++) {
    const character = text.charAt(i);
    if (character === '\\' && i + 1 < text.length) part += character + text.charAt(++i);
    else if (character === separator) {
      parts.push(part);
      part = '';
    } else part += character;
  }
  parts.push(part);
  return unescapeParts ? parts.map(unescape) : parts;
}

const unescape = (text: string): string => text.replace(/\\n/gi, ' ').replace(/\\(.)/g, '$1');

/** Quoted-printable (RFC 2045) in UTF-8, as vCard 2.1 uses it. */
function decodeQuoted(text: string): string {
  const bytes: number[] = [];
  for (let i = 0; i < text.length; i++) {
    const hex = /^=([\dA-F]{2})/i.exec(text.slice(i, i + 3));
    if (hex) {
      bytes.push(parseInt(hex[1]!, 16));
      i += 2;
    } else bytes.push(...new TextEncoder().encode(text[i]));
  }
  return new TextDecoder().decode(Uint8Array.from(bytes));
}
