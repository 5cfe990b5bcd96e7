import { emptyPersonFields } from '../people';
import type { FieldProposal } from '../reading/fields';
import { proofFactOf } from './proofFact';

const proposal = (field: FieldProposal['field'], value: string, confidence = 0.99): FieldProposal => ({
  field,
  value,
  confidence,
  reasons: [],
  sources: [],
});
const read = [
  proposal('givenName', 'Inga'),
  proposal('familyName', 'Quav', 0.4),
  proposal('email', 'inga@quay.example'),
  proposal('phone', '01632 960 117'),
];
const filed = {
  ...emptyPersonFields(),
  givenName: 'Inga',
  familyName: 'Quay',
  emails: ['INGA@quay.example'],
  phones: [{ value: '+441632960117', kind: 'work' as const, extension: '' }],
};

it('tells what was doubtful, filed otherwise than read, and not read at all', () => {
  expect(proofFactOf(read, { ...filed, title: 'Pilot', country: 'GB' })).toEqual({ doubts: 1, corrected: ['familyName'], missed: ['title'] }); // prettier-ignore
});

it('tells of nothing where all was read right', () => {
  const right = read.map((one) => (one.field === 'familyName' ? proposal('familyName', 'Quay') : one));
  expect(proofFactOf(right, filed)).toEqual({ doubts: 0, corrected: [], missed: [] });
});

it('counts what was read and left out as corrected', () => {
  expect(proofFactOf([...read, proposal('company', 'A slogan')], filed).corrected).toEqual(['familyName', 'company']);
});
