import { proposeFields } from '../proposeFields';
import { readingOfText } from '../readingOfText';

const countryOf = (...lines: string[]) => proposeFields(readingOfText(lines.join('\n'))).country;

/** Each with what another country's cards have as well: five digits, four digits, a number that fits several plans. */
test.each([
  ['a town', 'FI', ['Tuulikki Kallio', '90100 OULU', '050 440 1188']],
  [
    'a Swiss legal form and grouping',
    'CH',
    ['Lavaux Réceptions Sàrl', 'Place du Temple 3', '1096 Cully', 'T. 021 770 55 66'],
  ],
  ['a street without ß', 'CH', ['Sägerei Waldvogel GmbH', 'Industriestrasse 9', '8262 Ramsen', 'Tel. 052 770 55 17']],
  ['a tax number', 'DE', ['Kanzlei Abt', '87435 Immenau', '0831 440917', 'USt-IdNr. DE123456789']],
  ['a chamber', 'BR', ['Arquiteta', 'CAU A118842-7', 'Florianópolis - SC, 88015-200', '48 99100-5518']],
  ['a province in full', 'CA', ['Airport Road', 'Peace River, Alberta T8S 1M7', '780-555-0146']],
  [
    'a South African legal form',
    'ZA',
    ['Umhlanga Packaging (Pty) Ltd', '12 Lagoon Drive', 'Umhlanga 4319', '031 555 0144'],
  ],
  ['a code behind its town, and how a number is grouped', 'NZ', ['31 Medway Street, Gore 9710', '027 555 0144']],
  [
    'a code and its town on a line by themselves',
    'CH',
    ['Atelier Bellerive', 'Rue du Lac 4', '1096 Cully', '021 770 55 66'],
  ],
  [
    'a code with its letters at the end of a narrow line',
    'CH',
    ['Via', 'Franscini 10', 'CH-6850', 'Mendrisio', '091 644 18 44'],
  ],
  ['a number behind the 1 that is dialled there', 'US', ['Phone: 1-541-555-0172']],
  ['a code alone on a narrow line', 'NL', ['Plesmanweg', '14', '7607 GX', 'Almelo', '0546 555 012']],
  [
    'a state and its code on two lines',
    'US',
    ['74-380 Kealakehe', 'Pkwy, Slip J-8', 'Kailua-Kona, HI', '96740', '808-555-0144'],
  ],
  ['an Irish county', 'IE', ['Castle Drumlin, Navan, Co. Meath', '046 955 5012']],
  ['an Italian mobile number', 'IT', ['Mastro birraio', 'Via Rolando 22 | 10059 Susa (TO)', '347 550 0148']],
] as const)('the country is told by %s', (_, country, lines) => expect(countryOf(...lines)).toBe(country));

test('digits behind a word are no code of a country: "Since 1931"', () => {
  expect(countryOf('Growing since 1931', 'Nobody Inparticular')).toBeUndefined();
});

test('a number that two countries have is a doubt where the card hardly tells which, with the other to choose', () => {
  const phoneOf = (...lines: string[]) =>
    proposeFields(readingOfText(lines.join('\n'))).fields.find(({ field }) => field === 'phone')!;
  const untold = phoneOf('Atelier Bellerive', 'Rue du Lac 4', 'Cully', '021 770 55 66');
  expect(untold.confidence).toBeLessThan(0.8);
  expect(untold.runnersUp?.length).toBeGreaterThan(0);
  const told = phoneOf('Atelier Bellerive', 'Rue du Lac 4', 'CH-1096 Cully', '021 770 55 66');
  expect(told.value).toBe('+41217705566');
  expect(told.confidence).toBeGreaterThan(0.8);
  expect(told.runnersUp).toBeUndefined();
});
