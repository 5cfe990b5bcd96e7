import { readFileSync } from 'node:fs';
import { emptyPersonFields, type PersonFields } from '@dossier/core/people';
import { REGISTER_COLUMNS, type RegisterRow } from '@dossier/demo/register';
import Papa from 'papaparse';

/**
 * Rows of a register in UTF-8 CSV (RFC 4180) with the header of `REGISTER_COLUMNS`, in any order; columns that are not there are
 * empty, others are passed over.
 * @throws Error with words for the terminal: no header, no ids, the same id twice
 */
export function readRegister(file: string): RegisterRow[] {
  const text = readFileSync(file, 'utf8').replace(/^\uFEFF/, '');
  const { data, meta, errors } = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    delimiter: ',',
    transformHeader: (name) => name.trim().toLowerCase(),
  });
  if (!meta.fields?.includes('id')) {
    throw new Error(`${file} has no column "id". The first line must be: ${REGISTER_COLUMNS.join(',')}`);
  }
  const torn = errors.find(({ type }) => type === 'Quotes');
  if (torn)
    throw new Error(
      `${file}, row ${(torn.row ?? 0) + 2}: a quotation mark is not closed. Mend that row and try again.`,
    );
  const ids = new Set<string>();
  return data.map((row, i) => {
    const id = row.id?.trim() ?? '';
    if (!id) throw new Error(`${file}, row ${i + 2}: the id is missing.`);
    if (ids.has(id)) throw new Error(`${file}, row ${i + 2}: the id ${id} is there twice.`);
    ids.add(id);
    return Object.fromEntries(REGISTER_COLUMNS.map((column) => [column, row[column]?.trim() ?? ''])) as RegisterRow;
  });
}

const several = (text: string): string[] =>
  text
    .split(';')
    .map((value) => value.trim())
    .filter(Boolean);

export const fieldsOfRow = (row: RegisterRow): PersonFields => ({
  ...emptyPersonFields(),
  prefix: row.prefix,
  givenName: row.given_name,
  familyName: row.family_name,
  suffix: row.suffix,
  title: row.title,
  company: row.company,
  emails: several(row.emails),
  phones: several(row.phones).map(phoneOf),
  street: row.street,
  locality: row.locality,
  region: row.region,
  postalCode: row.postal_code,
  country: countryCodeOf(row.country),
});

function phoneOf(text: string): PersonFields['phones'][number] {
  const [, value = text, extension = ''] = /^(.*?)\s*(?:ext\.?|x|#|Durchwahl|poste)\s*(\d+)$/i.exec(text) ?? [];
  return { value, kind: 'work', extension };
}

const names = new Intl.DisplayNames('en', { type: 'region' });
const LETTERS = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
const codes = new Map(
  // Backwards, so that of two codes with one name the first stays: GB, not UK.
  LETTERS.flatMap((a) => LETTERS.map((b) => a + b))
    .reverse()
    .map((code) => [names.of(code)?.toLowerCase() ?? code, code] as const),
);

/** "United Kingdom" and "gb" are GB; what is neither a name nor a code stays as it is. */
const countryCodeOf = (text: string): string =>
  codes.get(text.toLowerCase()) ?? (text.length === 2 ? text.toUpperCase() : text);
