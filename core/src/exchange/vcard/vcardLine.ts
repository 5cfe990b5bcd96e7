export type VcardParameters = Readonly<Record<string, readonly string[]>>;

/** Content lines are folded after this many octets (RFC 6350 section 3.2, RFC 2425 section 5.8.1). */
const LINE_OCTETS = 75;

/**
 * One content line, folded and ended with CRLF. A list of values is written as the components of a
 * text value, escaped (RFC 6350 section 3.4), so that nothing in them can begin a line or component
 * of its own; a plain string is a URI, date or token and goes out as it is, without control characters.
 */
export function vcardLine(name: string, value: string | readonly string[], parameters: VcardParameters = {}): string {
  const head = Object.entries(parameters).map(([key, values]) => `;${key}=${values.map(parameterText).join(',')}`);
  const tail = typeof value === 'string' ? value.replace(/\p{Cc}/gu, '') : value.map(escapeText).join(';');
  return `${fold(`${name}${head.join('')}:${tail}`)}\r\n`;
}

/** A property whose value is a list (RFC 6350 section 4). */
export const vcardList = (name: string, values: readonly string[]): string =>
  `${fold(`${name}:${values.map(escapeText).join(',')}`)}\r\n`;

/** What is no plain word stands in quotation marks, with what cannot stand there encoded (RFC 6868). */
const parameterText = (value: string): string =>
  /^[\w-]+$/.test(value)
    ? value
    : `"${value
        .replace(/\^/g, '^^')
        .replace(/\n/g, '^n')
        .replace(/"/g, "^'")
        .replace(/\p{Cc}/gu, '')}"`;

const escapeText = (value: string): string =>
  value
    .replace(/\r\n?/g, '\n')
    .replace(/[^\P{Cc}\n\t]/gu, '')
    .replace(/[\\;,]/g, '\\$&')
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
