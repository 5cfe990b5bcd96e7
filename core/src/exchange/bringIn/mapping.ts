import { typedPhone } from '../../people/typedPhone';
import { countryCode } from '../countryCode';
import { peopleColumns, type PeopleColumn } from '../table';
import { targetOfHeader } from './headers';
import { TARGETS } from './targets';

/** Where a column goes: the key of a column that can be taken out, or one of `TARGETS`; null for nowhere. */
export type Mapping = readonly (string | null)[];

/** Most that a person can have of each. */
const MOST = { emails: 12, phones: 12, websites: 12, more: 30, moreAddresses: true };
/** All columns that a table can be read into. */
export const ALL_COLUMNS: readonly PeopleColumn[] = peopleColumns(MOST);
const KEYS = new Set(ALL_COLUMNS.map(({ key }) => key));

/** Columns by which a row that was taken out is known again. */
export const BACK_COLUMNS = { id: 'Dossier id', version: 'Dossier version', state: 'Dossier state' } as const;
type BackColumn = keyof typeof BACK_COLUMNS;

const several = new Set<string>(TARGETS.filter((target) => target.several).map(({ key }) => key));

/** Whether a column can go there. */
export const isTarget = (key: string): boolean =>
  KEYS.has(key) || key in BACK_COLUMNS || TARGETS.some((target) => target.key === key);

/**
 * What the columns of a table are: by their headers, as they are taken out here or are called elsewhere; where those say nothing, by what
 * stands in them.
 * @param head null where the first row is somebody already
 */
export function proposeMapping(head: readonly string[] | null, rows: readonly (readonly string[])[]): Mapping {
  const width = Math.max(head?.length ?? 0, ...rows.map((row) => row.length));
  const isOurs = head?.includes(BACK_COLUMNS.id) ?? false;
  const taken = new Set<string>();
  return Array.from({ length: width }, (_, i) => {
    const cells = rows.map((row) => row[i]?.trim() ?? '').filter(Boolean);
    const header = head?.[i]?.trim() ?? '';
    const target = targetOf(header, cells, isOurs);
    if (!target || (taken.has(target) && !several.has(target))) return null;
    taken.add(target);
    return target;
  });
}

function targetOf(header: string, cells: readonly string[], isOurs: boolean): string | undefined {
  const back = (Object.keys(BACK_COLUMNS) as BackColumn[]).find((key) => BACK_COLUMNS[key] === header);
  if (back) return back;
  if (isOurs) return ALL_COLUMNS.find((column) => column.header === header && column.set)?.key;
  const named = targetOfHeader(header);
  if (named === 'address' || named === 'street') return cells.some(isWholeAddress) ? 'address' : 'street';
  // Some call by one word what others do by two.
  if (named === 'title' && mostly(cells, (cell) => FORMS.test(cell))) return 'prefix';
  return named ?? byContents(cells);
}

const FORMS = /^(?:dr|prof|mr|mrs|ms|herr|frau|ing|dipl|mag)\b\.?/i;
const EMAIL = /^[^\s@]+@[^\s@]+\.[a-z]{2,}$/i;
const WEBSITE = /^(?:https?:\/\/|www\.)\S+$/i;

const isWholeAddress = (cell: string): boolean => /[,\n]/.test(cell) && /\d/.test(cell) && cell.length > 15;
const DAY = /^\d{4}-\d\d-\d\d|^\d{1,2}([./-])\d{1,2}\1\d{2,4}$/;
const isPhone = (cell: string): boolean =>
  !DAY.test(cell) && /^[+(\d][\d\s()/.-]{6,}$/.test(cell) && /^\+\d{7,15}$|^[\d\s()/.-]{7,}$/.test(typedPhone(cell, null).value); // prettier-ignore

/** So large a part of the cells tells what a column is. */
const MOSTLY = 0.7;
const mostly = (cells: readonly string[], is: (cell: string) => boolean): boolean =>
  cells.length > 0 && cells.filter(is).length >= MOSTLY * cells.length;

function byContents(cells: readonly string[]): string | undefined {
  if (mostly(cells, (cell) => EMAIL.test(cell))) return 'email';
  if (mostly(cells, (cell) => WEBSITE.test(cell))) return 'website';
  if (mostly(cells, isPhone)) return 'phone';
  if (mostly(cells, (cell) => cell.length > 3 && countryCode(cell) !== undefined)) return 'country';
  return undefined;
}

/** Whether the first row of a table says what stands under it, and is nobody. */
export function hasHead(rows: readonly (readonly string[])[]): boolean {
  const [first = [], ...rest] = rows;
  // Whatever else its columns are called by now.
  if (Object.values(BACK_COLUMNS).every((name) => first.includes(name))) return true;
  if (first.some((cell) => EMAIL.test(cell.trim()) || isPhone(cell.trim()))) return false;
  if (first.filter((cell) => targetOfHeader(cell)).length >= Math.min(2, first.length)) return true;
  // Words over columns of numbers and addresses.
  return rest.length > 0 && first.every((cell) => !/\d/.test(cell)) && first.some((_, i) => byContents(rest.map((row) => row[i]?.trim() ?? '').filter(Boolean))); // prettier-ignore
}
