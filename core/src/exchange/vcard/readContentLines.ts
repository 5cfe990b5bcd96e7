import { decodeText } from '../decodeText';

/** One property of a vCard as it was written, its value in text with its escapes. */
export interface ContentLine {
  /** What stands before a dot: properties of one group belong together. */
  group: string;
  /** In capitals. */
  name: string;
  /** By their names in capitals; those of version 2.1 that have no name are types. */
  parameters: ReadonlyMap<string, readonly string[]>;
  value: string;
}

/** A name, perhaps with a group before and parameters behind it, up to the colon of the value. */
const HEAD = /^(?:[\w-]+\.)?[A-Za-z][\w-]*(?:;(?:[^":]|"[^"]*")*)?:/;
const BARE_ENCODINGS = new Set(['QUOTED-PRINTABLE', 'BASE64', 'B', '8BIT', '7BIT']);
/** Nothing a person has is longer; a picture that is gets lost, not the person. */
const LONGEST_VALUE = 12_000_000;

/**
 * The content lines of a file of vCards (versions 2.1, RFC 2426, RFC 6350), each in the encoding it says. Lines are put together that were
 * folded where they may be and where they may not: within a character, without a blank, behind the equals sign of quoted-printable text.
 */
export function readContentLines(bytes: Uint8Array): ContentLine[] {
  const { text, encoding } = decodeText(bytes);
  const isWide = encoding.startsWith('utf-16');
  const lines = logicalLines(bytesAsText(isWide ? new TextEncoder().encode(text) : bytes).replace(/^\xef\xbb\xbf/, ''));
  // What a file is written in can be told only where no character is folded any more.
  const usual = isWide ? 'utf-8' : decodeText(textAsBytes(lines.join('\n'))).encoding;
  return lines.flatMap((line) => contentLine(line, usual) ?? []);
}

/** @param bytes each becomes a character of the same number */
function bytesAsText(bytes: Uint8Array): string {
  const parts: string[] = [];
  for (let i = 0; i < bytes.length; i += 8192) parts.push(String.fromCharCode(...bytes.subarray(i, i + 8192)));
  return parts.join('');
}

const textAsBytes = (binary: string): Uint8Array => Uint8Array.from(binary, (character) => character.charCodeAt(0));

function logicalLines(binary: string): string[] {
  const lines: string[] = [];
  for (const line of unfolded(binary)) {
    const before = lines.at(-1);
    if (HEAD.test(line)) lines.push(line);
    // Broken without a blank: the rest of a picture, or of what somebody wrote.
    else if (before !== undefined && line !== '')
      lines[lines.length - 1] = `${before}${IN_BASE64.test(before) ? '' : '\\n'}${line}`;
  }
  return lines;
}

const IN_BASE64 = /^[^:]*(?:ENCODING=B|BASE64)/i;

/** Lines put together where a blank, or an equals sign of quoted-printable text, says that they were one. */
function unfolded(binary: string): string[] {
  const lines: string[][] = [];
  for (const line of binary.split(/\r\n|\n|\r/)) {
    const last = lines.at(-1);
    const before = last?.at(-1) ?? '';
    if (last && before.endsWith('=') && /^[^:]*QUOTED-PRINTABLE/i.test(last[0]!)) {
      last[last.length - 1] = before.slice(0, -1);
      last.push(line.replace(/^[ \t]/, ''));
    } else if (last && /^[ \t]/.test(line)) last.push(line.slice(1));
    else lines.push([line]);
  }
  return lines.map((parts) => parts.join(''));
}

function contentLine(line: string, usual: string): ContentLine | undefined {
  const head = HEAD.exec(line)?.[0];
  if (!head || line.length > LONGEST_VALUE) return undefined;
  const [, group = '', name = '', rest = ''] = /^(?:([\w-]+)\.)?([A-Za-z][\w-]*)(.*):$/s.exec(head)!;
  const parameters = readParameters(decoded(rest, usual));
  const raw = line.slice(head.length);
  const charset = parameters.get('CHARSET')?.[0] ?? usual;
  const isQuoted = parameters.get('ENCODING')?.some((encoding) => /^quoted-printable$/i.test(encoding));
  return {
    group: group.toLowerCase(),
    name: name.toUpperCase(),
    parameters,
    value: decoded(isQuoted ? unquoted(raw) : raw, charset),
  };
}

function decoded(binary: string, charset: string): string {
  if (!/[\x80-\xff]/.test(binary)) return binary;
  const bytes = textAsBytes(binary);
  try {
    return new TextDecoder(charset, { fatal: true }).decode(bytes);
  } catch {
    // An encoding that nobody knows, or that it is not.
    return decodeText(bytes).text;
  }
}

const unquoted = (text: string): string =>
  text.replace(/=([\dA-F]{2})/gi, (_, hex: string) => String.fromCharCode(Number.parseInt(hex, 16)));

const PARAMETER = /;([^=;":]*)(?:=((?:"[^"]*"|[^;"])*))?/g;

function readParameters(text: string): Map<string, string[]> {
  const parameters = new Map<string, string[]>();
  for (const [, key = '', given] of text.matchAll(PARAMETER)) {
    const name = given === undefined ? (BARE_ENCODINGS.has(key.trim().toUpperCase()) ? 'ENCODING' : 'TYPE') : key;
    const values = given === undefined ? [key] : (given.match(/"[^"]*"|[^,"]+/g) ?? []);
    const upper = name.trim().toUpperCase();
    parameters.set(upper, [...(parameters.get(upper) ?? []), ...values.map((value) => uncareted(value.trim()))]);
  }
  return parameters;
}

/** RFC 6868: what cannot stand in a parameter. */
const uncareted = (value: string): string =>
  value
    .replace(/^"(.*)"$/s, '$1')
    .replace(/\^(n|\^|')/g, (_, sign: string) => (sign === 'n' ? '\n' : sign === "'" ? '"' : '^'));
