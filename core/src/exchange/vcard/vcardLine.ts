export type VcardParameters = Readonly<Record<string, readonly string[]>>;

/** Content lines are folded after this many octets (RFC 6350 section 3.2, RFC 2425 section 5.8.1). */
const LINE_OCTETS = 75;

/** Properties whose value has parts with semicolons between them. */
const IN_PARTS = new Set(['N', 'ORG', 'ADR']);

/**
 * One content line, folded and ended with CRLF. A list of values is written as the components of a
 * text value, escaped (RFC 6350 section 3.4), so that nothing in them can begin a line or component
 * of its own; a plain string is a URI, date or token and goes out as it is, without control characters.
 */
export function vcardLine(
  name: string,
  value: string | readonly string[],
  version: '3.0' | '4.0',
  parameters: VcardParameters = {},
): string {
  const head = Object.entries(parameters).map(([key, values]) => `;${key}=${values.map(parameterText).join(',')}`);
  const escape = IN_PARTS.has(name) ? escapeText : escapeWhole(version);
  const tail = typeof value === 'string' ? value.replace(/\p{Cc}/gu, '') : value.map((part) => escape(part)).join(';');
  return `${fold(`${name}${head.join('')}:${tail}`)}\r\n`;
}

/** A property whose value is a list (RFC 6350 section 4). */
export const vcardList = (name: string, values: readonly string[], version: '3.0' | '4.0'): string =>
  `${fold(`${name}:${values.map(escapeWhole(version)).join(',')}`)}\r\n`;

/**
 * Of a value without parts: version 3.0 asks that semicolons be escaped there too, 4.0 leaves it open, and there are readers of 4.0 that
 * then keep the backslash.
 */
const escapeWhole = (version: '3.0' | '4.0') => (value: string) =>
  version === '4.0' ? escapeText(value, /[\\,]/g) : escapeText(value);

/** What is no plain word stands in quotation marks, with what cannot stand there encoded (RFC 6868). */
const parameterText = (value: string): string =>
  /^[\w-]+$/.test(value)
    ? value
    : `"${value
        .replace(/\^/g, '^^')
        .replace(/\n/g, '^n')
        .replace(/"/g, "^'")
        .replace(/\p{Cc}/gu, '')}"`;

const escapeText = (value: string, signs = /[\\;,]/g): string =>
  value
    .replace(/\r\n?/g, '\n')
    .replace(/[^\P{Cc}\n\t]/gu, '')
    .replace(signs, '\\$&')
    .replace(/\n/g, '\\n');

/** Never breaks inside a character, although the limit counts octets. */
function fold(line: string): string {
  let out = '';
  let octets = 0;
  for (const character of line) {
    const size = utf8Length(character.codePointAt(0)!);
    if (octets + size > LINE_OCTETS) {
      out += '\r\n ';
      octets = 1;
    }
    out += character;
    octets += size;
  }
  return out;
}

const utf8Length = (codePoint: number): number =>
  codePoint < 0x80 ? 1 : codePoint < 0x800 ? 2 : codePoint < 0x10000 ? 3 : 4;
