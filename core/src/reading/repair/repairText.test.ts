import { proposeFields } from '../proposeFields';
import { readingOf } from '../readingOf.testing';
import { repairLine } from './repairText';
import type { ReadLine } from '../types';

/** A line in which the engine also saw `others` in place of single characters. */
function lineWith(text: string, others: Record<number, string>, probability = 0.95): ReadLine {
  const [line] = readingOf([text]).lines;
  const characters = line!.characters.map((c, i) =>
    others[i] ? { ...c, probability, alternatives: [{ text: others[i], probability: 0.04 }] } : c,
  );
  return { ...line!, characters };
}

test.each([
  ['8 rue de I’Écluse', '8 rue de l’Écluse'],
  ["Quai de I'Est", "Quai de l'Est"],
  ["Ruth I'Anson", "Ruth I'Anson"],
])('a French article before a vowel: %s', (read, expected) =>
  expect(repairLine(readingOf([read]).lines[0]!).text).toBe(expected),
);

test.each([
  ['Julien MeAllister', 'Julien McAllister'],
  ['JULIEN MeALLISTER', 'JULIEN McALLISTER'],
  ['Menuiserie Saguenay ltée', 'Menuiserie Saguenay ltée'],
  ['Québec (Québec) G1R 2S5', 'Québec (Québec) G1R 2S5'],
  ['Mercer Street', 'Mercer Street'],
  ['Pêcheries Arsenault Itée', 'Pêcheries Arsenault ltée'],
  ['EIbtal Wärmepumpen', 'Elbtal Wärmepumpen'],
  ['BIumen Voss', 'Blumen Voss'],
  ['PIzza Voss', 'PIzza Voss'],
  ['Kaai 12-III', 'Kaai 12-III'],
  ['IIse MRICS', 'Ilse MRICS'],
  ['8ooo Aarhus C', '8000 Aarhus C'],
  ['31-0ll Kraków', '31-011 Kraków'],
  ['Québec (Québec) GiR 2S5', 'Québec (Québec) G1R 2S5'],
  ['Amqui (Québec) G5) 1K7', 'Amqui (Québec) G5J 1K7'],
  ['Kailua-Kona, Hl 96740', 'Kailua-Kona, HI 96740'],
  ['Cedar Rapids, lA 52401', 'Cedar Rapids, IA 52401'],
  ['30130-oo9 Belo Horizonte', '30130-009 Belo Horizonte'],
  ['Madison, W1 53703', 'Madison, WI 53703'],
  ['Peoria, 1L 61602', 'Peoria, IL 61602'],
  ['London W1 5TH', 'London W1 5TH'],
  ['York Y01 9RN', 'York YO1 9RN'],
  ['Oxford 0X1 2AB', 'Oxford OX1 2AB'],
  ['Ipswich 1P1 2AB', 'Ipswich IP1 2AB'],
  ['Southampton SO14 2AQ', 'Southampton SO14 2AQ'],
  ['Southampton S014 2AQ', 'Southampton SO14 2AQ'],
  ['Sheffield S10 2TN', 'Sheffield S10 2TN'],
])('%s is read as %s', (read, expected) => expect(repairLine(readingOf([read]).lines[0]!).text).toBe(expected));

test('a Canadian code stays one where the engine also saw a letter for its last digit', () => {
  expect(repairLine(lineWith('NL A1C 7G5', { 9: 'S' })).text).toBe('NL A1C 7G5');
});

describe('codes of the post', () => {
  it.each([
    ['Saint-Laurent QC GOA 4CO', 'Saint-Laurent QC G0A 4C0'],
    ['Sainte-Agathe (Québec) JoT 2No', 'Sainte-Agathe (Québec) J0T 2N0'],
    ['Launceston TAs 7250', 'Launceston TAS 7250'],
    ['Fortaleza – CE – CEP 6015O–161', 'Fortaleza – CE – CEP 60150-161'],
    ['898o1-ooo Chapecó', '89801-000 Chapecó'],
    ['Box GOA 4CO', 'Box GOA 4CO'],
    ['Portland, 0regon 97214', 'Portland, Oregon 97214'],
    ['Denver, C0 80204', 'Denver, CO 80204'],
    ['Strandveien 112, N0-9180 Skjervøy', 'Strandveien 112, NO-9180 Skjervøy'],
    ['Ravenglass, Cumbria CAl8 1sW', 'Ravenglass, Cumbria CA18 1SW'],
    ['Co. Louth, A92 K7Pl', 'Co. Louth, A92 K7P1'],
    ['Tel.: 05522 | 44018', 'Tel.: 05522 / 44018'],
    ['Dr.-lng. Nella Voss', 'Dr.-Ing. Nella Voss'],
    ['T 020 7946 0144 | 0114 496 0144', 'T 020 7946 0144 | 0114 496 0144'],
  ])('%s is %s', (read, right) => expect(repairLine(readingOf([read]).lines[0]!).text).toBe(right));
});

describe('the letters of a British code', () => {
  it('are set right where the engine saw them too', () => {
    expect(repairLine(lineWith('Saltby PE5 900', { 12: 'Q', 13: 'Q' })).text).toBe('Saltby PE5 9QQ');
    expect(repairLine(lineWith('Leith EH6 6Q0', { 12: 'Q' })).text).toBe('Leith EH6 6QQ');
  });

  it('make the line an address', () => {
    const reading = readingOf(['Nella Fairbrook', 'Dispatch Manager', 'x']);
    const lines = [...reading.lines.slice(0, 2), lineWith('Lorry Park, Saltby PE5 900', { 24: 'Q', 25: 'Q' })];
    const { fields } = proposeFields({ ...reading, lines });
    expect(fields.find(({ field }) => field === 'postalCode')?.value).toBe('PE5 9QQ');
    expect(fields.find(({ field }) => field === 'locality')?.value).toBe('Saltby');
  });

  it.each([
    ['a letter the code cannot have', 'Saltby PE5 900', { 12: 'O', 13: 'O' }],
    ['a digit nobody saw as a letter', 'Saltby PE5 900', { 12: 'Q' }],
    ['a number that goes on', 'T2 300 4567', { 4: 'D', 5: 'D' }],
  ])('are left alone: %s', (_, text, others) => expect(repairLine(lineWith(text, others)).text).toBe(text));
});

test.each([
  ['Catrin Vaughan MRlCS', 'Catrin Vaughan MRICS'],
  ['Peterborough PEll 2AB', 'Peterborough PE11 2AB'],
  ['Elland Road LSl1 0ES', 'Elland Road LS11 0ES'],
  ['Willow Lane', 'Willow Lane'],
])('look-alikes among capitals and in British codes: %s', (read, expected) =>
  expect(repairLine(readingOf([read]).lines[0]!).text).toBe(expected),
);
