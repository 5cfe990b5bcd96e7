import type { RegisterRow } from './drawRegister';
import { SHORT } from './names';
import type { Random } from './random';

/** A slip of the finger: a letter left out, doubled, exchanged for a neighbour on the keyboard, or swapped with the next. */
export function mistype(text: string, random: Random): string {
  if (text.length < 3) return text;
  const at = 1 + random.below(text.length - 2);
  const kind = random.below(4);
  if (kind === 0) return text.slice(0, at) + text.slice(at + 1);
  if (kind === 1) return text.slice(0, at) + text[at] + text.slice(at);
  if (kind === 2) return text.slice(0, at) + text[at + 1] + text[at] + text.slice(at + 2);
  const row = ROWS.find((keys) => keys.includes(text[at]!.toLowerCase()));
  if (!row) return text;
  const key = row.indexOf(text[at]!.toLowerCase());
  return text.slice(0, at) + (row[key + 1] ?? row[key - 1]) + text.slice(at + 1);
}
const ROWS = ['qwertyuiop', 'asdfghjkl', 'zxcvbnm', '1234567890'];

const READ: readonly (readonly [string, string])[] = [
  ['rn', 'm'], ['m', 'rn'], ['l', '1'], ['I', 'l'], ['i', 'l'], ['o', '0'], ['O', '0'], ['cl', 'd'], ['d', 'cl'], ['S', '5'], ['B', '8'], ['e', 'c'], ['h', 'b'], ['n', 'ri'], ['vv', 'w'], ['g', 'q'], ['u', 'v'],
]; // prettier-ignore
/** A letter taken for another by a reader. */
export const misread = (text: string, random: Random): string => replaceOne(text, READ, random);

const HEARD: readonly (readonly [string, string])[] = [
  ['ei', 'ai'], ['ai', 'ay'], ['ey', 'ie'], ['ph', 'f'], ['f', 'ph'], ['ck', 'k'], ['c', 'k'], ['k', 'ck'], ['th', 't'], ['t', 'th'], ['dt', 't'], ['d', 'dt'], ['w', 'v'], ['v', 'w'], ['ss', 'z'], ['s', 'ss'], ['z', 's'], ['y', 'i'], ['i', 'y'], ['ee', 'ea'], ['ou', 'u'], ['u', 'ou'], ['ll', 'l'], ['l', 'll'], ['n', 'nn'], ['mm', 'm'], ['qu', 'kw'],
]; // prettier-ignore
/** Written as it is heard. */
export const mishear = (text: string, random: Random): string => replaceOne(text, HEARD, random);

function replaceOne(text: string, table: readonly (readonly [string, string])[], random: Random): string {
  const fitting = table.filter(([from]) => text.indexOf(from, 1) > 0);
  if (fitting.length === 0) return text;
  const [from, to] = random.pick(fitting);
  const at = text.indexOf(from, 1);
  return text.slice(0, at) + to + text.slice(at + from.length);
}

const withoutAccents = (text: string): string => text.replace(/ß/g, 'ss').replace(/ø/g, 'o').replace(/Ø/g, 'O').replace(/ł/g, 'l').replace(/Ł/g, 'L').normalize('NFD').replace(/\p{M}/gu, ''); // prettier-ignore
const spelledOut = (text: string): string => text.replace(/ä/g, 'ae').replace(/ö/g, 'oe').replace(/ü/g, 'ue').replace(/Ö/g, 'Oe').replace(/Ü/g, 'Ue').replace(/ø/g, 'oe').replace(/å/g, 'aa').replace(/ß/g, 'ss'); // prettier-ignore

type Corruption = (row: RegisterRow, random: Random) => void;
const NAME = ['given_name', 'family_name'] as const;

/** Everything that happens to a record between one card and the next, and how often in relation to each other. */
const CORRUPTIONS: readonly (readonly [often: number, corruption: Corruption])[] = [
  [3, (row, random) => { const f = random.pick(NAME); row[f] = mistype(row[f], random); }],
  [3, (row, random) => { const f = random.pick(NAME); row[f] = misread(row[f], random); }],
  [2, (row, random) => { const f = random.pick(NAME); row[f] = mishear(row[f], random); }],
  [3, (row, random) => { const [given = '', ...rest] = row.given_name.split(' '); const short = SHORT[given]; if (short) row.given_name = [random.pick(short), ...rest].join(' '); }],
  [1, (row) => { [row.given_name, row.family_name] = [row.family_name, row.given_name]; }],
  [1.5, (row) => { row.given_name = `${row.given_name[0] ?? ''}.`; }],
  [1, (row) => { row.given_name = row.given_name.split(' ')[0]!; }],
  [1.5, (row) => { for (const f of NAME) row[f] = withoutAccents(row[f]); }],
  [1, (row) => { for (const f of NAME) row[f] = spelledOut(row[f]); }],
  [1, (row) => { for (const f of NAME) row[f] = row[f].toUpperCase(); }],
  [2, (row) => { row.emails = ''; }],
  [2, (row) => { row.phones = ''; }],
  [1.5, (row) => { row.company = ''; }],
  [1.5, (row) => { row.street = row.locality = row.postal_code = ''; }],
  [1.5, (row) => { row.title = ''; }],
  [2, (row, random) => { row.emails = row.emails.split(';').map((email) => (random.chance(0.5) ? mistype(email, random) : misread(email, random))).join(';'); }],
  [1.5, (row, random) => { row.phones = row.phones.split(';').map((phone) => (random.chance(0.5) ? mistype(phone, random) : phone)).join(';'); }],
  [2, (row) => { row.phones = row.phones.split(';').map((phone) => phone.replace(/^\+44 ?/, '0')).join(';'); }],
  [2, (row, random) => { row.company = random.chance(0.5) ? row.company.replace(/ (?:Ltd|GmbH|plc|& Co\. KG|AB|Inc\.|S\.A\.)$/, '') : mistype(row.company, random); }],
  [1, (row, random) => { row.phones = random.pick(row.phones.split(';')); }],
]; // prettier-ignore
const ALL = CORRUPTIONS.reduce((sum, [often]) => sum + often, 0);

/** Another record of the same person: one to four things have happened to it. */
export function corrupt(row: RegisterRow, random: Random): RegisterRow {
  const copy = { ...row };
  const times = 1 + random.below(4);
  for (let i = 0; i < times; i++) {
    let at = random.next() * ALL;
    const [, corruption] = CORRUPTIONS.find(([often]) => (at -= often) < 0)!;
    corruption(copy, random);
  }
  return copy;
}
