import { cardLines } from '../cardLine';
import { isDoubt } from '../confidence/confidence';
import { proposeFields } from '../proposeFields';
import { findAddress } from './findAddress';
import { readingOf, type PrintedLine } from '../readingOf.testing';

function addressOf(lines: readonly (string | PrintedLine)[], country?: string) {
  const address = findAddress(cardLines(readingOf(lines)), country);
  const { street, postalCode, locality, region } = address;
  return [street?.value, postalCode?.value, locality?.value, region?.value];
}

describe('an address that goes on in the next line', () => {
  it.each<[string[], string, (string | undefined)[]]>([
    [['Satamakatu 5, 57130', 'Savonlinna'], 'FI', ['Satamakatu 5', '57130', 'Savonlinna', undefined]],
    [['ul. Portowa 15, 84-120', 'Władysławowo'], 'PL', ['ul. Portowa 15', '84-120', 'Władysławowo', undefined]],
    [['Pier Road, Skibbereen, Co. Cork, P81', 'AH52'], 'IE', ['Pier Road', 'P81 AH52', 'Skibbereen', 'Co. Cork']],
    [['1400 Alton Road, Miami Beach, FL', '33139'], 'US', ['1400 Alton Road', '33139', 'Miami Beach', 'FL']],
    [['Rue des', 'Moulins 15', '2000', 'Neuchâtel'], 'CH', ['Rue des Moulins 15', '2000', 'Neuchâtel', undefined]],
    [['Kirkkokatu', '17, 90100 Oulu'], 'FI', ['Kirkkokatu 17', '90100', 'Oulu', undefined]],
  ])('is read out of both: %j', (lines, country, address) => expect(addressOf(lines, country)).toEqual(address));

  it('points at both lines', () => {
    const { postalCode } = findAddress(cardLines(readingOf(['Pier Road, Skibbereen, P81', 'AH52'])), 'IE');
    expect(postalCode?.sources).toEqual([
      { line: 0, from: 23, to: 26 },
      { line: 1, from: 0, to: 4 },
    ]);
  });

  it('is none where a year ends the line, or the next line stands elsewhere', () => {
    expect(addressOf(['Growing since 1931', 'Spalding'], 'CH')).toEqual([undefined, undefined, undefined, undefined]);
    const apart = [
      { text: 'Satamakatu 5, 57130', y: 40 },
      { text: 'Savonlinna', x: 600, y: 300 },
    ];
    expect(addressOf(apart, 'FI')[1]).toBeUndefined();
  });
});

it.each([
  ['Brekkestøveien 9, 4790 Lillesand · Mob 904 40 118', 'NO'],
  ['Brekkestøveien 9, 4790 Lillesand – Tlf. 904 40 118', 'NO'],
  ['Mob 904 40 118 · Brekkestøveien 9, 4790 Lillesand · post@quayside.example', 'NO'],
])('an address shares its line with a number: %s', (text, assumedCountry) => {
  const { fields } = proposeFields(readingOf(['Hjalmar Brekke', text]), { assumedCountry });
  const at = (name: string) => fields.find((f) => f.field === name)!;
  expect(at('phone').value).toBe('+4790440118');
  for (const [name, value] of [
    ['street', 'Brekkestøveien 9'],
    ['postalCode', '4790'],
    ['locality', 'Lillesand'],
  ] as const) {
    expect(at(name).value).toBe(value);
    const [source] = at(name).sources;
    expect(text.slice(source!.from, source!.to)).toBe(value);
  }
});

it('an address goes on behind an e-mail address', () => {
  const printed = ['Tuomas Lehtoranta', 'Ostopäällikkö', 'tuomas@pohjanmarja.example 17, 90100 Oulu'];
  const { fields } = proposeFields(readingOf(printed), { assumedCountry: 'FI' });
  expect(fields.map((f) => f.value)).toEqual(expect.arrayContaining(['17', '90100', 'Oulu']));
});

it.each<[string, string[], (string | undefined)[]]>([
  [
    'CA',
    ['220, rue Wellington Nord', '(Québec) J1H 5C4'],
    ['220, rue Wellington Nord', 'J1H 5C4', undefined, 'Québec'],
  ],
  ['GB', ['Menacuddle Lane, St Austell, Cornwall PL25 4AE'], ['Menacuddle Lane', 'PL25 4AE', 'St Austell', 'Cornwall']],
  [
    'IE',
    ['Gort Road Business Park', 'Ennis, Co. Clare', 'V95 E8X3'],
    ['Gort Road Business Park', 'V95 E8X3', 'Ennis', 'Co. Clare'],
  ],
  ['GB', ['Catering Supervisor', '5 Trim Street, Bath BA1 1UN'], ['5 Trim Street', 'BA1 1UN', 'Bath', undefined]],
  ['AU', ['A: 12 Victoria Street, Bunbury WA 6230'], ['12 Victoria Street', '6230', 'Bunbury', 'WA']],
  [
    'PT',
    ['Queijaria da Serra, Lda. – Rua Nova, 15, 6300-654 Guarda'],
    ['Rua Nova, 15', '6300-654', 'Guarda', undefined],
  ],
  ['NZ', ['47 Haven Road', 'Nelson 7010, New Zealand'], ['47 Haven Road', '7010', 'Nelson', undefined]],
  ['NZ', ['47 Haven Road', 'Nelson 7010'], ['47 Haven Road', '7010', 'Nelson', undefined]],
  ['BR', ['Diretor industrial', 'Rua Sinimbu, 1200', '95010-000 Caxias do Sul'], ['Rua Sinimbu, 1200', '95010-000', 'Caxias do Sul', undefined]], // prettier-ignore
  ['ES', ['Rúa do Porto, 2', '15114 Corme (A Coruña)'], ['Rúa do Porto, 2', '15114', 'Corme', 'A Coruña']],
  ['FR', ['ll allées Riquet', '34500 Béziers'], ['11 allées Riquet', '34500', 'Béziers', undefined]],
  ['NL', ['Hoofdstraat l, Postbus 44', '8401 AB Gorredijk'], ['Hoofdstraat 1, Postbus 44', '8401 AB', 'Gorredijk', undefined]], // prettier-ignore
  ['DE', ['Hauptstr.', '18', '55288 Armsheim'], ['Hauptstr. 18', '55288', 'Armsheim', undefined]],
  [
    'PT',
    ['Zona Industrial, bloco II', '4590-536 Ferreira'],
    ['Zona Industrial, bloco II', '4590-536', 'Ferreira', undefined],
  ],
  ['AT', ['Landstraße 49/III', '4020 Linz'], ['Landstraße 49/III', '4020', 'Linz', undefined]],
  ['US', ['1200 2nd Ave SE', 'Cedar Rapids, IA 52401'], ['1200 2nd Ave SE', '52401', 'Cedar Rapids', 'IA']],
  ['DE', ['Werk 2: Im Schleeke 77, 38642 Goslar'], ['Im Schleeke 77', '38642', 'Goslar', undefined]],
  ['FR', ['Lauréat du prix 2018', '9 bis, allées Riquet', '65000 Tarbes'], ['9 bis, allées Riquet', '65000', 'Tarbes', undefined]], // prettier-ignore
  ['PL', ['upr. nr 4418', 'ul. Winna 18', '20-001 Lublin'], ['ul. Winna 18', '20-001', 'Lublin', undefined]],
  ['NL', ['Projectleider restauratie', 'Hemdijk 21', '8601 XH Sneek'], ['Hemdijk 21', '8601 XH', 'Sneek', undefined]],
  ['IT', ['Fratelli Bonfadini s.n.c.', '25065 Lumezzane (BS)'], [undefined, '25065', 'Lumezzane', 'BS']],
  ['IT', ['C.da Scurati s.n.c.', '91015 Custonaci (TP)'], ['C.da Scurati s.n.c.', '91015', 'Custonaci', 'TP']],
  ['ES', ['Paraje Las Canteras, s/n', '02630 La Roda - Albacete'], ['Paraje Las Canteras, s/n', '02630', 'La Roda', 'Albacete']], // prettier-ignore
  ['ES', ['Polígono industrial', 'Nave 4', '48001 Bilbao'], ['Polígono industrial, Nave 4', '48001', 'Bilbao', undefined]], // prettier-ignore
])('in %s: %j', (country, lines, address) => expect(addressOf(lines, country)).toEqual(address));

it('a town and its code alone share a line with a number', () => {
  const { fields } = proposeFields(readingOf(['Rosalind Thorpe', '3 Mill Lane', 'Norwich NR1 2AB · T 01632 960142']));
  const values = fields.map((f) => f.value);
  expect(values).toEqual(expect.arrayContaining(['3 Mill Lane', 'Norwich', 'NR1 2AB', '+441632960142']));
});

describe('an address without a code', () => {
  it.each<[string, string[], (string | undefined)[]]>([
    ['US', ['44 Commercial Street, Suite 2B', 'Rockland, ME'], ['44 Commercial Street, Suite 2B', undefined, 'Rockland', 'ME']], // prettier-ignore
    ['US', ['2210 Elm Street, Portland, Oregon'], ['2210 Elm Street', undefined, 'Portland', 'Oregon']],
    ['BR', ['Rua XV de Novembro, 344 sala 12 - Blumenau/SC'], ['Rua XV de Novembro, 344 sala 12', undefined, 'Blumenau', 'SC']], // prettier-ignore
    ['AU', ['12 Wharf Road', 'Port Lincoln, SA'], ['12 Wharf Road', undefined, 'Port Lincoln', 'SA']],
  ])('is told in %s by its state: %j', (country, lines, address) => expect(addressOf(lines, country)).toEqual(address));

  it.each([
    ['letters behind a name', ['Jane Holloway, PA', 'Physician Assistant'], 'US'],
    ['a state where no street stands', ['Holloway Sculpture', 'Rockland, ME'], 'US'],
    ['letters that are no state', ['44 Commercial Street', 'Rockland, XX'], 'US'],
  ])('is not taken from %s', (_what, lines, country) =>
    expect(addressOf(lines, country).slice(1)).toEqual([undefined, undefined, undefined]),
  );
});

it('a county goes on behind its word in the next line', () => {
  expect(addressOf(['Pier Road, Skibbereen, Co.', 'Cork P81 AH52'], 'IE')).toEqual([
    'Pier Road',
    'P81 AH52',
    'Skibbereen',
    'Co. Cork',
  ]);
});

describe('a place over the code that has no word for a street', () => {
  const streetIn = (...lines: string[]) =>
    proposeFields(readingOf(['Bergbahnen Surselva AG', 'Reto Cavegn', 'Leiter Pistendienst', ...lines])).fields.find(
      (f) => f.field === 'street',
    );

  it.each([
    ['Talstation Mulania', '7130 Schluein'],
    ['Port de Lesconil', '29740 Plobannalec'],
    ['Grange Farm, Sixteen Foot Bank', 'March, Cambridgeshire PE15 0TQ'],
  ])('is proposed as a doubt: %s', (place, town) => {
    expect(streetIn(place, town)).toMatchObject({ value: place, reasons: [{ code: 'whereStreetStands' }] });
    expect(isDoubt(streetIn(place, town)!)).toBe(true);
  });

  it.each([
    'We know what grows here.',
    'Salmon · Stalking · Cottages',
    'Licensed, Insured, Bonded',
    'seit 1954',
    'Regional Sales Manager',
  ])('is not what else may stand there: %s', (line) => expect(streetIn(line, '7130 Schluein')).toBeUndefined());
});

describe('a town', () => {
  it('may be called like its county', () => {
    expect(addressOf(['Castle Street, Conwy LL32 8DD'], 'GB')).toEqual([
      'Castle Street',
      'LL32 8DD',
      'Conwy',
      undefined,
    ]);
    expect(addressOf(['Castle Street', 'Conwy LL32 8DD'], 'GB').slice(1, 3)).toEqual(['LL32 8DD', 'Conwy']);
    expect(addressOf(['Mill Lane, Taunton, Somerset TA3 6AB'], 'GB')[2]).toBe('Taunton');
    expect(addressOf(['Mill Lane, Taunton', 'Somerset TA3 6AB'], 'GB')[2]).toBe('Taunton');
  });

  it('stands behind a full stop that was a comma', () => {
    expect(addressOf(['Merchants Quay. Kilrush', 'Co. Clare, V15 D838'], 'IE')[2]).toBe('Kilrush');
  });

  it('stands before its province, in brackets that may be lost or misread', () => {
    for (const town of ['Castelvetrano (TP)', 'Castelvetrano (TP', 'Castelvetrano (TPJ'])
      expect(addressOf(['C.da Seggio 4', `91022 ${town}`], 'IT').slice(1)).toEqual(['91022', 'Castelvetrano', 'TP']);
    expect(addressOf(['4418 SE 26TH AVE', 'PORTLAND, OREGON 97202'], 'US').slice(1)).toEqual([
      '97202',
      'Portland',
      'OREGON',
    ]);
  });

  it('has no founding year on its street line', () => {
    expect(addressOf(['seit 1954 · Hauptstr. 5', '28195 Bremen'], 'DE')[0]).toBe('Hauptstr. 5');
    expect(addressOf(['Rua Augusta, 600 – cj. 42', '04532-060 São Paulo'], 'BR')[0]).toBe('Rua Augusta, 600 – cj. 42');
  });

  it('stands behind its code after a house number', () => {
    expect(addressOf(['Via Zanica, 58 24126 Bergamo'], 'IT').slice(1, 3)).toEqual(['24126', 'Bergamo']);
  });
});

/** Lines set flush right in a narrow column, upwards of one width. */
const narrow = (...lines: string[]): PrintedLine[] =>
  lines.map((text, i) => ({ text, x: 1000 - text.length * 16.5, y: 100 + i * 48 }));

describe('a narrow column', () => {
  it.each<[string, string[], (string | undefined)[]]>([
    ['CH', ['Via', 'Franscini', '10', 'CH-6850', 'Mendrisio'], ['Via Franscini 10', '6850', 'Mendrisio', undefined]],
    ['NL', ['Plesmanweg', '14', '7607 GX', 'Almelo'], ['Plesmanweg 14', '7607 GX', 'Almelo', undefined]],
    ['IT', ['Via Santo', 'Stefano 56 –', '40125 Bologna'], ['Via Santo Stefano 56', '40125', 'Bologna', undefined]],
    ['ES', ['C/ Cervantes, 8, 1.º', 'B', '13210 Villarta de', 'San Juan (Ciudad', 'Real)'], ['C/ Cervantes, 8, 1.º B', '13210', 'Villarta de San Juan', 'Ciudad Real']], // prettier-ignore
    ['ES', ['Muelle de Xufre,', 's/n', '36626 Arousa', '(Pontevedra)'], ['Muelle de Xufre, s/n', '36626', 'Arousa', 'Pontevedra']], // prettier-ignore
    ['GB', ['Market', 'Square,', 'Lisburn, Co.', 'Antrim BT28', '1XP'], ['Market Square', 'BT28 1XP', 'Lisburn', 'Co. Antrim']], // prettier-ignore
    ['DE', ['Rosenheimer Str.', '31', '83098', 'Brannenburg'], ['Rosenheimer Str. 31', '83098', 'Brannenburg', undefined]], // prettier-ignore
    ['FR', ['Lieu-dit Peyrat', '33480 Castelnau-de-', 'Médoc'], ['Lieu-dit Peyrat', '33480', 'Castelnau-de-Médoc', undefined]], // prettier-ignore
    ['IT', ['C.da Torricella, 18', '87064 Corigliano', 'Calabro (CS)'], ['C.da Torricella, 18', '87064', 'Corigliano Calabro', 'CS']], // prettier-ignore
    ['CA', ['88, rue McGill', 'Montréal', '(Québec)', 'H2Y 1C6'], ['88, rue McGill', 'H2Y 1C6', 'Montréal', 'Québec']],
    ['US', ['3401 1st Avenue', 'South', 'Seattle, WA 98134'], ['3401 1st Avenue South', '98134', 'Seattle', 'WA']],
    ['CA', ['88, rue Saint–', 'Germain Ouest', 'Rimouski QC G5L 1P8'], ['88, rue Saint-Germain Ouest', 'G5L 1P8', 'Rimouski', 'QC']], // prettier-ignore
  ])('in %s breaks an address: %j', (country, lines, address) =>
    expect(addressOf(narrow(...lines), country)).toEqual(address),
  );
});

describe('a street', () => {
  const streetOf = (...lines: string[]) => addressOf(['Skagen Kutterlag', ...lines])[0];
  it.each([
    ['what is said above it', ['24 h service', 'Bernstrasse 12', '3076 Worb'], 'Bernstrasse 12'],
    ['a motto above it, though one of its words may be a road', ['Kvalitet hele vejen', 'Havnegade 18', '9990 Skagen'], 'Havnegade 18'],
    ['what parts it from the next', ['Lange Straße 41 ·', '27472 Cuxhaven'], 'Lange Straße 41'],
  ])('is without %s', (_, lines, street) => expect(streetOf(...lines)).toBe(street)); // prettier-ignore

  it('ends before a dotted line, however long that is', () =>
    expect(streetOf(`Strand 4${' ·'.repeat(400)}`, `27472 Cuxhaven${' ·'.repeat(40)} x`)).toBe('Strand 4'));

  it('keeps a house above it', () =>
    expect(streetOf('Merchants Quay', '12 Main Street', 'Kilrush V15 X4K2')).toBe('Merchants Quay, 12 Main Street')); // prettier-ignore
});
