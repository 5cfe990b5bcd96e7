import { emptyPersonFields } from '../people';
import type { FieldName } from '../reading/fields';
import { draftOf, leaveOut, type Draft } from './draft';
import { recordValues, sourcesOf } from './sources';

const proposal = (field: FieldName, value: string, line: number, label?: string) => ({
  field,
  value,
  ...(label && { label }),
  sources: [{ line, from: 0, to: value.length }],
  confidence: 0.9,
  reasons: [],
});
const fields = {
  ...emptyPersonFields(),
  givenName: 'Orla',
  title: 'Buyer',
  street: '4 Quay Row',
  emails: ['orla@skerry.example'],
  phones: [{ value: '+441632960204', kind: 'work' as const, extension: '12' }],
  more: [{ label: 'Berth', value: '7' }],
};
const found = (draft: Draft) => sourcesOf(recordValues(fields), draft).map((one) => [one.field, one.value, one.sources[0]!.line]); // prettier-ignore

describe('where the values of a record were read', () => {
  it('names everything that stands in it, in the order of fields', () => {
    expect(recordValues(fields).map(({ field, label }) => label || field)).toEqual([
      'givenName',
      'title',
      'email',
      'phone',
      'street',
      'Berth',
    ]);
    expect(recordValues(emptyPersonFields())).toEqual([]);
  });

  it('finds them however they were written on the card', () => {
    const draft = draftOf([
      proposal('givenName', 'ORLA', 0),
      proposal('phone', '+44 1632 960 204', 3),
      proposal('email', 'Orla@skerry.example', 4),
      proposal('more', '7', 5, 'Berth'),
    ]);
    expect(found(draft)).toEqual([
      ['givenName', 'Orla', 0],
      ['email', 'orla@skerry.example', 4],
      ['phone', '+441632960204', 3],
      ['more', '7', 5],
    ]);
  });

  it('takes no other value, field, address or label for it, and nothing that was left out or typed', () => {
    const draft = draftOf([
      proposal('title', 'Head Buyer', 1),
      proposal('company', 'Buyer', 2),
      proposal('street', '4 Quay Row', 3, 'Address 2'),
      proposal('more', '7', 4, 'Deck'),
      { ...proposal('email', 'orla@skerry.example', 5), sources: [] },
      proposal('givenName', 'Orla', 6),
    ]);
    expect(found(leaveOut(draft, draft.fields.find((f) => f.field === 'givenName')!.id, true))).toEqual([]);
  });
});
