/**
 * Characters that no text of a record can have: NUL, which PostgreSQL cannot keep, and half of a character beyond the basic plane
 * (a lone surrogate, Unicode 15 section 3.9), which is no text in UTF-8.
 */
const UNWRITABLE = /\0|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g;

/** Whether a text can be kept and sent as it is. */
export const isWritable = (text: string): boolean => text.search(UNWRITABLE) < 0;

/** The text without what cannot be kept; the rest stays as it is. For what a picture's code or another program says. */
export const writable = (text: string): string => text.replace(UNWRITABLE, '');

/**
 * Where in a value that came over the wire a text is that cannot be kept, its names and places joined by points; undefined when all
 * can. Keys are looked at as well as values.
 */
export function unwritablePlace(value: unknown, place = ''): string | undefined {
  if (typeof value === 'string') return isWritable(value) ? undefined : place;
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [key, part] of Object.entries(value)) {
    const within = place ? `${place}.${key}` : key;
    if (!isWritable(key)) return place;
    const found = unwritablePlace(part, within);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** A value of which every text can be kept: the same, without what cannot. */
export function writableIn<T>(value: T): T {
  if (typeof value === 'string') return writable(value) as T;
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map((part: unknown) => writableIn(part)) as T;
  return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, writableIn(part)])) as T;
}

/** A text as it stands in one line of a record: without what cannot be kept, and with single blanks. */
export const onOneLine = (text: string): string =>
  writable(text)
    .replace(/[\s\p{Cc}]+/gu, ' ')
    .trim();
