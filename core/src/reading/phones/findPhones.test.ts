import { findPhoneCandidates, placePhone } from './findPhones';
import { fieldsOf, readingOf, type PrintedLine } from '../readingOf.testing';
import type { LineIcon } from '../types';

const phonesIn = (text: string, country?: string) =>
  findPhoneCandidates(readingOf([text]).lines, []).flatMap((candidate) => {
    const phone = placePhone(candidate, country);
    return phone ? [[phone.value, phone.kind, phone.extension]] : [];
  });

describe('phone numbers', () => {
  it.each([
    ['T: +44.131.496.0403, Ext. 733', 'GB', ['+441314960403', 'work', '733']],
    ['Direct: 029 2018 0615 x. 303', 'GB', ['+442920180615', 'work', '303']],
    ['T. +39 080 599 6541 int. 592', 'IT', ['+390805996541', 'work', '592']],
    ['T. +39 080 599 6541int. 592', 'IT', ['+390805996541', 'work', '592']],
    ['T: 089 99998479 DW 893', 'DE', ['+498999998479', 'work', '893']],
    ['Växel +46 40 628 04 40 ankn. 262', 'SE', ['+46406280440', 'work', '262']],
    ['M: +44 (0)7400 161180', 'GB', ['+447400161180', 'mobile', undefined]],
    ['Mobil 0176/04069158', 'DE', ['+4917604069158', 'mobile', undefined]],
    ['Handy: +49 171 3920092', undefined, ['+491713920092', 'mobile', undefined]],
    ['Télécopie +33 1 99 00 23 61', 'FR', ['+33199002361', 'fax', undefined]],
    ['Telefax: +49 (0)69 90009 511', 'DE', ['+496990009511', 'fax', undefined]],
    ['07400175660', 'GB', ['+447400175660', 'mobile', undefined]],
    ['(709) 555-0114', 'CA', ['+17095550114', 'work', undefined]],
    ['C +1-505-555-0128', 'US', ['+15055550128', 'mobile', undefined]],
    ['030 / 23125 078', 'DE', ['+493023125078', 'work', undefined]],
    ['0049 30 23125 078', undefined, ['+493023125078', 'work', undefined]],
    ['T01 99 00 91 54', 'FR', ['+33199009154', 'work', undefined]],
    ['T O1632 96O l17', 'GB', ['+441632960117', 'work', undefined]],
    ['O (0191) 498 0419', 'GB', ['+441914980419', 'work', undefined]],
    ['O1 99 00 91 54', 'FR', ['+33199009154', 'work', undefined]],
    ['Tel: 028 9018 0218 (24 hrs)', 'GB', ['+442890180218', 'work', undefined]],
    ['tel./fax +48 12 344 55 10', 'PL', ['+48123445510', 'work', undefined]],
    ['Tel. e Fax 0924 440221', 'IT', ['+390924440221', 'work', undefined]],
    ['P: +44 (0)151 49%6 0938', undefined, ['+441514960938', 'work', undefined]],
  ])('in "%s"', (text, country, expected) => expect(phonesIn(text, country)).toEqual([expected]));

  it.each([
    ['26 42 89 88', 'mobile'],
    ['T 66 56 22 06', 'work'],
    ['35 26 16 99', 'work'],
    ['Tlf. 40 11 22 33', 'mobile'],
  ])('of Denmark tell by their beginning what "%s" is', (text, kind) => expect(phonesIn(text, 'DK')[0]![1]).toBe(kind));

  it('are of a mobile or a fax where its icon stands before them, unless a word says otherwise', () => {
    const kindOf = (text: string, icon: LineIcon = 'mobile') => {
      const lines = readingOf([text]).lines.map((line) => ({ ...line, icon }));
      return findPhoneCandidates(lines, []).map((candidate) => placePhone(candidate, 'CA')!.kind);
    };
    expect(kindOf('+1 709 555 0117')).toEqual(['mobile']);
    expect(kindOf('Fax 709 555 0117')).toEqual(['fax']);
    expect(kindOf('709 555 0117 | 709 555 0118')).toEqual(['mobile', 'work']);
    expect(kindOf('709 555 0117', 'fax')).toEqual(['fax']);
  });

  it('are told by labels that stand in a column of their own', () => {
    const row = (label: string, text: string, y: number) => [
      { text: label, x: 60, y },
      { text, x: 240, y: y + 4 },
    ];
    const kindsOf = (...rows: PrintedLine[][]) =>
      findPhoneCandidates(readingOf(rows.flat()).lines, []).map((candidate) => placePhone(candidate, 'GB')!.kind);
    expect(
      kindsOf(
        row('Phone', '01632 960142', 100),
        row('Mobile:', '01632 960143', 140),
        row('Fax', '01632 960144', 180),
        row('Moorings', '01632 960145', 220),
      ),
    ).toEqual(['work', 'mobile', 'fax', 'work']);
    expect(
      kindsOf([
        { text: 'Fax', x: 60, y: 100 },
        { text: '01632 960142', x: 700, y: 100 },
      ]),
    ).toEqual(['work']);
  });

  it.each<[string, string, (string | undefined)[]]>([
    ['+55 11 4077-2209 /11 98804-1207', 'BR', ['+551140772209', '+5511988041207']],
    ['GSM+32 470 44 01 18', 'BE', ['+32470440118']],
    ['tO3 9440 1188', 'AU', ['+61394401188']],
    ['Via Zanica, 58 24126 Bergamo', 'IT', []],
    ['Via Zanica, 58 - 24126', 'IT', []],
  ])('are read out of "%s"', (text, country, values) => {
    expect(phonesIn(text, country).map(([value]) => value)).toEqual(values);
  });

  it.each([
    'RCS Lyon 812 440 949',
    'USt-IdNr. DE318204750',
    'GST 81204 1117 RT0001',
    'Org.nr 556812-4460',
    'KvK 68750110',
    'IBAN DE89 3704 0044 0532 0130 00',
    'CEP 01349-468',
    'Belo Horizonte – MG, 30118-341',
    'Östra Hamngatan 95 / 411 90 Göteborg',
    'Via Zanica, 58 - 24126 Bergamo',
    'Postfach 11 02 44 · 89073 Ulm',
    'FN 203871k, ATU 61284409',
    'BE 0844.120.337',
    'EOR1 440127719000',
    'IČO: 27330442',
    'Contribuinte n.º 501 118 440',
    '12 345',
    '1234567890123456',
    'abc1234567890',
  ])('are not in "%s"', (text) => expect(phonesIn(text, 'GB')).toEqual([]));

  it('of one line are all found', () => {
    expect(phonesIn('T 01 99 00 91 54 | M +33 6 39 98 21 07', 'FR')).toEqual([
      ['+33199009154', 'work', undefined],
      ['+33639982107', 'mobile', undefined],
    ]);
  });

  it('of one line without a word between them are two where each part is long enough', () => {
    expect(phonesIn('Tél. 01 99 00 91 54 / 06 39 98 21 07', 'FR').map(([value]) => value)).toEqual([
      '+33199009154',
      '+33639982107',
    ]);
    expect(phonesIn('Handy 0171 / 39 200 92', 'DE').map(([value]) => value)).toEqual(['+491713920092']);
  });

  it('include their label and extension in the place they came from', () => {
    const [candidate] = findPhoneCandidates(readingOf(['Office: 01632 960 117 ext. 12']).lines, []);
    expect(candidate!.source).toEqual({ line: 0, from: 0, to: 29 });
  });

  it('are told from a label that was read as a sign or a digit', () => {
    expect(phonesIn('+ 01632 960142', 'GB')).toEqual([['+441632960142', 'work', undefined]]);
    expect(phonesIn('0. 602.555.0117', 'US')).toEqual([['+16025550117', 'work', undefined]]);
    expect(phonesIn('0 250-555-0121 | C 250-555-0186', 'CA').map(([value]) => value)).toEqual([
      '+12505550121',
      '+12505550186',
    ]);
  });

  it('go on in the next line where they are none without it', () => {
    const [phone] = fieldsOf(['Tél. +32 4 244 01 18 | GSM +32 470 44', '01 18', 'Nella Voss']).fields.filter(
      ({ value }) => value === '+32470440118',
    );
    expect(phone!.sources).toEqual([
      { line: 0, from: 23, to: 37 },
      { line: 1, from: 0, to: 5 },
    ]);
    expect(fieldsOf(['GSM +32 470 44 01 18', '01 18']).all('phone')).toEqual(['+32470440118']);
    expect(fieldsOf(['GSM +32 470 44', 'Bat. 01 18']).all('phone')).not.toContain('+32470440118');
  });

  it('are of a fax where the label before the bracket of its area code was cut off', () => {
    const lines = [
      { text: 'Telefax (', x: 60, y: 100 },
      { text: '(05 71) 77 05-599', x: 190, y: 102 },
    ];
    const [candidate] = findPhoneCandidates(readingOf(lines).lines, []);
    expect(placePhone(candidate!, 'DE')!.kind).toBe('fax');
  });

  it('are none where another word stands before digits that are not grouped like them', () => {
    expect(phonesIn('Ref 5588-1204-01', 'US')).toEqual([]);
    expect(phonesIn('Desk 808-555-0144', 'US')).toHaveLength(1);
  });

  it('are none where the number of a house and a postal code stand behind a name', () => {
    expect(phonesIn('Via Santo Stefano 56 – 40125', 'IT')).toEqual([]);
    expect(phonesIn('Fax 56 – 40125', 'DE')).toHaveLength(1);
  });

  it('that no country makes possible are none', () => expect(phonesIn('T 1234 5678')).toEqual([]));
});
