import type { DraftField } from '@dossier/core/proof';
import { keyFieldsOf } from './keyFields';

const field = (id: string, name: DraftField['field'], value: string, rest: Partial<DraftField> = {}) =>
  ({
    id,
    field: name,
    value,
    confidence: 1,
    leftOut: false,
    sources: [{ line: 0, from: 0, to: 4 }],
    ...rest,
  }) as DraftField;

describe('what is compared before a card is filed at a glance', () => {
  it('is name, title, firm, every e-mail and every number, each with its strip', () => {
    const fields = [
      field('1', 'phone', '+441632960417', { extension: '12' }),
      field('2', 'email', 'ingrid@tarnvalley.example'),
      field('3', 'email', 'office@tarnvalley.example', { sources: [] }),
      field('4', 'familyName', 'Halvorsen'),
      field('5', 'company', 'Tarn Valley Dairies'),
      field('6', 'title', 'Head of Purchasing'),
      field('7', 'website', 'tarnvalley.example'),
    ];
    expect(keyFieldsOf(fields).map(({ key, value, span }) => [key, value, span !== undefined])).toEqual([
      ['4', '', true],
      ['6', 'Head of Purchasing', true],
      ['5', 'Tarn Valley Dairies', true],
      ['2', 'ingrid@tarnvalley.example', true],
      ['3', 'office@tarnvalley.example', false],
      ['1', '+44 1632 960417 ext. 12', true],
    ]);
  });

  it('leaves out what will not be filed', () => {
    expect(keyFieldsOf([field('1', 'title', 'Buyer', { leftOut: true }), field('2', 'email', '')])).toEqual([]);
  });
});
