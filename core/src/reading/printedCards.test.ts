import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { proposeFields } from './proposeFields';
import type { FieldName } from './proposal';
import { readingOfText } from './readingOfText';

const FOLDER = join(__dirname, '../../fixtures/cards');

/** What a card is expected to give, by the words of the files, and how that is put together from the proposals. */
const FIELDS: Readonly<Record<string, readonly FieldName[]>> = {
  name: ['givenName', 'middleName', 'familyName'],
  title: ['title'],
  department: ['department'],
  company: ['company'],
  emails: ['email'],
  phones: ['phone'],
  postcode: ['postalCode'],
  locality: ['locality'],
};
const LISTS = new Set(['emails', 'phones']);

/** Cards of made-up people as their lines follow each other, each under what is to be read on it. */
const cards = readdirSync(FOLDER).flatMap((file) =>
  readFileSync(join(FOLDER, file), 'utf8')
    .split('\n===\n')
    .map((card) => {
      const [expected = '', lines = ''] = card.split('\n---\n');
      const fields = expected.split('\n').map((line) => line.split(/: (.*)/s) as [string, string]);
      return { group: file.replace('.txt', ''), expected: Object.fromEntries(fields), lines };
    }),
);

describe.each([...new Set(cards.map((card) => card.group))])('%s cards', (group) => {
  it.each(cards.filter((card) => card.group === group).map((card) => [card.expected.name, card] as const))(
    'of %s',
    (_name, { expected, lines }) => {
      const { fields } = proposeFields(readingOfText(lines));
      // A fax is no number to call.
      const valuesOf = (names: readonly FieldName[]) =>
        names.flatMap((name) => fields.filter((f) => f.field === name && f.phoneKind !== 'fax').map((f) => f.value));
      const read = Object.keys(expected).map((key) => {
        const values = valuesOf(FIELDS[key]!);
        return [key, LISTS.has(key) ? values.sort().join(', ') : values.join(' ')];
      });
      const sorted = (key: string, text: string) => (LISTS.has(key) ? text.split(', ').sort().join(', ') : text);
      expect(Object.fromEntries(read)).toEqual(
        Object.fromEntries(Object.entries(expected).map(([key, text]) => [key, sorted(key, text)])),
      );
    },
  );
});
