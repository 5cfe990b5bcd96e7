import { findWebsites } from './findWebsites';
import { fieldsOf, readingOf } from '../readingOf.testing';

const found = (text: string) => findWebsites(readingOf([text]).lines, []).map(({ value }) => value);

it.each([
  ['www.keldermoss.example', 'keldermoss.example'],
  ['Web: https://keldermoss.example/team/', 'keldermoss.example/team'],
  ['www,keldermoss.example', 'keldermoss.example'],
  ['https://www.ravelund.fr/contact/', 'ravelund.fr/contact'],
  ['ravisk-freight.uk/en', 'ravisk-freight.uk/en'],
  ['www . quay . example', 'quay.example'],
  ['keldermoss.example | +44 1632 960142', 'keldermoss.example'],
])('%s holds %s', (text, value) => expect(found(text)).toEqual([value]));

it.each([
  'B.Ag.Sc.',
  'Tamsin Okeover B.Agr.Sc.',
  'Maderas del Norte S.A.',
  'Ctra.de Vitoria 12',
  'Ph.D.',
  '14.30',
  'Yarbrook S.A.R.L.',
  'St. John’s, NL',
  'Dott.ssa Raffaella',
])('%s holds none', (text) => expect(found(text)).toEqual([]));

it('leaves out what belongs to an e-mail address', () => {
  const { lines } = readingOf(['ada@keldermoss.example']);
  expect(findWebsites(lines, [{ line: 0, from: 0, to: 22 }])).toEqual([]);
  expect(findWebsites(lines, [])).toEqual([]);
});

test('an address that is divided at its hyphen is one', () => {
  expect(fieldsOf(['www.savonnerie-', 'alpilles.example']).all('website')).toEqual(['savonnerie-alpilles.example']);
  expect(fieldsOf(['savonnerie–', 'alpilles.example/soap']).all('website')).toEqual([
    'savonnerie-alpilles.example/soap',
  ]);
  expect(fieldsOf(['We make soap and can-', 'alpilles.example']).all('website')).toEqual(['alpilles.example']);
});
