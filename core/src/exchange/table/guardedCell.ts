/** What a spreadsheet would take for a formula, or what was guarded so before. */
const GUARDED = /^'*[=+\-@\t\r]/;

/**
 * Text as it stands in a cell of a CSV file: what a spreadsheet would take for a formula has an apostrophe before it, which makes it text
 * there. `unguardedCell` takes exactly that away again.
 */
export const guardedCell = (text: string): string => (GUARDED.test(text) ? `'${text}` : text);

export const unguardedCell = (text: string): string => (/^'/.test(text) && GUARDED.test(text) ? text.slice(1) : text);
