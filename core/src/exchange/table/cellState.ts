/** What a cell said when it went out, in seven characters: whether it was changed is told by them. Line ends and outer blanks do not count. */
export function cellMark(text: string): string {
  const plain = text.replace(/\r\n?/g, '\n').trim();
  let high = 0x811c9dc5;
  let low = 0x01000193;
  for (let i = 0; i < plain.length; i++) {
    high = Math.imul(high ^ plain.charCodeAt(i), 0x01000193);
    low = Math.imul(low ^ plain.charCodeAt(i), 0x85ebca6b);
    low ^= low >>> 13;
  }
  const bits = ((high >>> 0) % 2 ** 18) * 2 ** 18 + ((low >>> 0) % 2 ** 18);
  return bits.toString(36).padStart(7, '0');
}

/** The marks of a row's cells in one text. @param cells by the keys of their columns */
export const rowState = (cells: Iterable<readonly [key: string, text: string]>): string =>
  Array.from(cells, ([key, text]) => `${key}:${cellMark(text)}`).join(' ');

/** Marks by the keys of columns; none where the text is not one that `rowState` made. */
export const marksOf = (state: string): Map<string, string> =>
  new Map(
    [...state.matchAll(/(?:^| )([A-Za-z]\w*):([\da-z]{7})(?= |$)/g)].map(([, key, mark]) => [key!, mark!] as const),
  );
