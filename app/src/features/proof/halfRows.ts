import type { DraftField } from '@dossier/core/proof';

/** Fields whose texts are short; of neighbours among them two stand beside each other on a wide screen. */
const SHORT: readonly DraftField['field'][] = [
  'prefix',
  'givenName',
  'middleName',
  'familyName',
  'suffix',
  'postalCode',
  'locality',
  'region',
  'country',
];

/** Ids of fields that take half a row: always two in a row, in the order in which they are proved. */
export function halfRows(fields: readonly Pick<DraftField, 'id' | 'field' | 'label'>[]): ReadonlySet<string> {
  const halves = new Set<string>();
  const isShort = (i: number) => fields[i] !== undefined && !fields[i].label && SHORT.includes(fields[i].field);
  for (let i = 0; i < fields.length; i++) {
    if (!isShort(i) || !isShort(i + 1)) continue;
    halves.add(fields[i]!.id).add(fields[i + 1]!.id);
    i++;
  }
  return halves;
}
