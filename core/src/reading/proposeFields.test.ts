import fc from 'fast-check';
import { proposeFields, type FieldName } from '.';
import { fieldsOf, readingOf, type PrintedLine } from './readingOf.testing';

const CARD = [
  { text: 'Harrowfield Creamery', size: 36 },
  { text: 'Dr. Nella Harrowfield-Voss, MBA', size: 48, y: 200 },
  'Head of Cold Chain & Dispatch',
  { text: 'T 01632 960 117 ext. 12', y: 400 },
  'M +44 7700 900 651',
  'E nella@harrowfield.example',
  'www.harrowfield.example',
  { text: '9 Quay Road', x: 600, y: 400 },
  { text: 'Port Ellery PE4 7QX', x: 600 },
];

describe('proposing fields', () => {
  it('reads a whole card', () => {
    const card = fieldsOf(CARD);
    expect(card.one('prefix')).toBe('Dr.');
    expect(card.one('givenName')).toBe('Nella');
    expect(card.one('familyName')).toBe('Harrowfield-Voss');
    expect(card.one('suffix')).toBe('MBA');
    expect(card.one('title')).toBe('Head of Cold Chain & Dispatch');
    expect(card.one('company')).toBe('Harrowfield Creamery');
    expect(card.all('email')).toEqual(['nella@harrowfield.example']);
    expect(card.all('phone')).toEqual(['+441632960117', '+447700900651']);
    expect(card.fields.filter((f) => f.field === 'phone').map((f) => [f.phoneKind, f.extension])).toEqual([
      ['work', '12'],
      ['mobile', undefined],
    ]);
    expect(card.all('website')).toEqual(['harrowfield.example']);
    expect([card.one('street'), card.one('postalCode'), card.one('locality')]).toEqual([
      '9 Quay Road',
      'PE4 7QX',
      'Port Ellery',
    ]);
    expect(card.looseLines).toEqual([]);
  });

  it.each([
    [
      'capitals in natural case',
      ['HORACIO MCALLISTER', 'PROJECT MANAGER', 'h.mcallister@kestwick.example'],
      { givenName: 'Horacio', familyName: 'McAllister', title: 'Project Manager' },
    ],
    [
      'the company out of the domain when none is printed',
      ['Anna Harris', 'Account Manager', 'anna@quilingen-pianos.example'],
      { company: 'Quilingen Pianos' },
    ],
    [
      'no company out of a free-mail domain',
      ['Anna Harris', 'Account Manager', 'anna.harris@gmail.com'],
      { company: undefined },
    ],
    [
      'a company in capitals in natural case',
      ['LARKSPUR FOODS PLC', 'IMOGEN THACKRAY', 'imogen.thackray@larkspurfoods.example'],
      { company: 'Larkspur Foods plc' },
    ],
    [
      'the longest form of the company',
      ['ORLAMO', 'Alberta Schneider, PMP', 'Operations Manager', 'Orlamo plc', 'schneider@orlamo.example'],
      { company: 'Orlamo plc', familyName: 'Schneider', suffix: 'PMP' },
    ],
    [
      'particles in the family name',
      ['DI Daniela von der Ahlen', 'Leiterin Einkauf', 'vonderahlen@corwick.at'],
      { prefix: 'DI', givenName: 'Daniela', familyName: 'von der Ahlen' },
    ],
    [
      'two family names where they are the rule',
      ['Carlos Fraga Saraiva', 'Diretor Comercial', '1200-453 Lisboa', 'cfragasaraiva@corbrook.pt'],
      { givenName: 'Carlos', familyName: 'Fraga Saraiva' },
    ],
    [
      'a middle initial',
      ['Logan M. Mayert', 'Veterinary Surgeon', 'mayert@ardvane.org.uk'],
      { givenName: 'Logan', middleName: 'M.', familyName: 'Mayert' },
    ],
    [
      'two positions on two lines',
      ['Walker Denesik', 'Partner', 'Stained Glass Conservator', 'walker@corelund.ie'],
      { title: 'Partner, Stained Glass Conservator' },
    ],
    [
      'a title that goes on in the next line',
      ['Kenyatta Streich', 'Executive Assistant to', 'the Managing Director', 'streich@kestiston.co'],
      { title: 'Executive Assistant to the Managing Director' },
    ],
    [
      'a look-alike letter as the address has it',
      ['Gregoria DuBugue, RN', 'Purchasing Officer', 'gregoria.dubuque@kestwick.works'],
      { familyName: 'DuBuque', suffix: 'RN' },
    ],
    [
      'name, title and company on one line',
      ['Lucie Hilpert | Chief Estimator | Ostiston Roofing Ltd', 'lucie@ostiston.co.uk'],
      { givenName: 'Lucie', familyName: 'Hilpert', title: 'Chief Estimator', company: 'Ostiston Roofing Ltd' },
    ],
    [
      'two positions whatever the surer of them',
      ['Walker Denesik', 'Founder / Boatbuilder', 'Workshop Supervisor', 'walker@corelund.ie'],
      { title: 'Founder / Boatbuilder, Workshop Supervisor' },
    ],
    [
      'a word mark cut in two on one row',
      [
        { text: 'norvane', x: 70, y: 130, size: 56 },
        { text: 'pianos', x: 310, y: 128, size: 60 },
        { text: 'Horacio Mills', x: 70, y: 300 },
        { text: 'horacio_mills@norvanepianos.co', x: 600, y: 380 },
      ],
      { company: 'Norvane Pianos', familyName: 'Mills' },
    ],
    [
      'letters after the name although they were read small',
      ['Kate R. Parisian, Mrcvs', 'Director', 'Service & Spares'],
      { familyName: 'Parisian', suffix: 'MRCVS' },
    ],
    [
      'a letter for a digit inside a word',
      ['Myles Hodkiewic3', 'Operations Manager', 'myles.hodkiewicz@kestisk-freight.com'],
      { familyName: 'Hodkiewicz' },
    ],
    [
      'a department on the line of the title',
      ['Tom O’Leary', 'Senior Project Engineer | Cold Storage Division', 'Maple Ridge Refrigeration Inc.'],
      { title: 'Senior Project Engineer', department: 'Cold Storage Division' },
    ],
    [
      'a firm, its street and its town on one line',
      [
        'Jannik Brüggemann',
        'Hafenbräu Elster KG | Speicherstraße 40 | 28195 Bremen',
        'j.brueggemann@hafenbraeu-elster.de',
      ],
      { company: 'Hafenbräu Elster KG', street: 'Speicherstraße 40', locality: 'Bremen' },
    ],
    [
      'a legal form in several words',
      ['Łukasz Wójcik-Nowak', 'Chłodnie Bałtyk Sp. z o.o.', 'l.wojcik@chlodniebaltyk.pl'],
      { company: 'Chłodnie Bałtyk Sp. z o.o.', familyName: 'Wójcik-Nowak' },
    ],
    [
      'two family names of which the address has the first',
      ['Åsa Lindqvist Berg', 'Inköpschef', 'asa.lindqvist@norrfrys.se'],
      { givenName: 'Åsa', familyName: 'Lindqvist Berg' },
    ],
    [
      'a department beside the title',
      ['Lucie Hilpert', 'Chief Estimator', 'Finance', 'lucie@ostiston.co.uk'],
      { title: 'Chief Estimator', department: 'Finance' },
    ],
  ] satisfies [string, (string | PrintedLine)[], Record<string, string | undefined>][])(
    'gives %s',
    (_what, lines, expected) => {
      const card = fieldsOf(lines);
      for (const [field, value] of Object.entries(expected))
        expect([field, card.one(field as FieldName)]).toEqual([field, value]);
    },
  );

  it.each([
    ['DE', ['Am Alten Hafen 38', 'D-60380 Frankfurt am Main'], ['Am Alten Hafen 38', '60380', 'Frankfurt am Main']],
    ['FR', ['58 rue des Tanneurs', '44000 Nantes', 'FRANCE'], ['58 rue des Tanneurs', '44000', 'Nantes']],
    ['SE', ['Östra Hamngatan 6', '411 06 Göteborg', 'Sverige'], ['Östra Hamngatan 6', '411 06', 'Göteborg']],
    ['US', ['1021 S Prospect Ave', 'Santa Fe, NM 87507'], ['1021 S Prospect Ave', '87507', 'Santa Fe']],
    ['CA', ['223 Lakeshore Rd E', 'Hamilton, ON L8P 9N1'], ['223 Lakeshore Rd E', 'L8P 9N1', 'Hamilton']],
    ['AU', ['Shed 7', '14 Station Street', 'Toowoomba QLD 4350'], ['Shed 7, 14 Station Street', '4350', 'Toowoomba']],
    ['IT', ['Via dei Conciatori 71/A', '70124 Bari (BA)', 'Italia'], ['Via dei Conciatori 71/A', '70124', 'Bari']],
    [
      'BR',
      ['Rua do Engenho, 471', 'Belo Horizonte – MG, CEP 30118-341'],
      ['Rua do Engenho, 471', '30118-341', 'Belo Horizonte'],
    ],
    ['AT', ['Mariahilfer Gasse 9', 'A-1060 Wien'], ['Mariahilfer Gasse 9', '1060', 'Wien']],
    ['CH', ['Seestrasse 14', 'CH-8002 Zürich'], ['Seestrasse 14', '8002', 'Zürich']],
    ['BE', ['Koningsplein 3', 'B-2000 Antwerpen'], ['Koningsplein 3', '2000', 'Antwerpen']],
    ['ES', ['Calle Mayor, 12', '28013 Madrid', 'España'], ['Calle Mayor, 12', '28013', 'Madrid']],
    ['PT', ['Rua da Conceição, 45', '4050-215 Porto'], ['Rua da Conceição, 45', '4050-215', 'Porto']],
    ['DK', ['Strandvejen 8', '8000 Aarhus', 'Danmark'], ['Strandvejen 8', '8000', 'Aarhus']],
    ['NO', ['Storgata 21', '9008 Tromsø', 'Norge'], ['Storgata 21', '9008', 'Tromsø']],
    ['FI', ['Mäntytie 4', 'FI-40100 Jyväskylä'], ['Mäntytie 4', '40100', 'Jyväskylä']],
    ['PL', ['ul. Długa 66/4', '80-831 Gdańsk'], ['ul. Długa 66/4', '80-831', 'Gdańsk']],
    ['IE', ['2 Quay Street', 'Galway H91 X2RD', 'Ireland'], ['2 Quay Street', 'H91 X2RD', 'Galway']],
    ['NL', ['Prinsengracht 12', '1015 DV Amsterdam', 'Nederland'], ['Prinsengracht 12', '1015 DV', 'Amsterdam']],
    [
      'GB with a code that looks like a number',
      ['48 Granby Terrace', 'Sheffield, S19 2WX'],
      ['48 Granby Terrace', 'S19 2WX', 'Sheffield'],
    ],
    [
      'GB in one line',
      ['Riverside House, 4 Saltworks Road, Newcastle upon Tyne', 'NE1 9DS, UK'],
      ['Riverside House, 4 Saltworks Road', 'NE1 9DS', 'Newcastle upon Tyne'],
    ],
  ])('takes apart an address of %s', (_country, lines, expected) => {
    const card = fieldsOf(lines);
    expect([card.one('street'), card.one('postalCode'), card.one('locality')]).toEqual(expected);
  });

  it('reads a name on into the next line, and an unusual one above its title', () => {
    const broken = fieldsOf([
      { text: 'Kestrel Cheese Company', size: 40 },
      { text: 'Annelies van der', size: 48, y: 160 },
      { text: 'Meulen', size: 48 },
      'Export Manager',
      { text: 'annelies@kestrelcheese.example', y: 400 },
    ]);
    expect([broken.one('givenName'), broken.one('familyName')]).toEqual(['Annelies', 'van der Meulen']);
    const unusual = fieldsOf(['Sefa Brack', 'Head of Purchasing', 'Tarn Valley Dairies Ltd', 'T +44 1632 960 417']);
    expect([unusual.one('givenName'), unusual.one('familyName')]).toEqual(['Sefa', 'Brack']);
    expect(fieldsOf(['Fresh From The Coast', 'Tarn Valley Dairies Ltd', 'T +44 1632 960 417']).one('familyName')).toBe(
      undefined,
    );
  });

  it('takes no register, tax or year number for a phone', () => {
    const card = fieldsOf(
      [
        'RCS Lyon 812 440 949',
        'USt-IdNr. DE318204750',
        'P. IVA 02931840478',
        'Class of 2007',
        'NPI 1004301782',
        'C.F. 02931840410',
        'St.-Nr. 21/815/08318',
        'Tel +44 117 496 0546',
      ],
      'GB',
    );
    expect(card.all('phone')).toEqual(['+441174960546']);
  });

  it.each([
    ['GB', '(0191) 498 0044', '+441914980044'],
    ['FR', '04 72 00 91 54', '+33472009154'],
    ['DK', '26 29 59 54', '+4526295954'],
    ['AU', '(07) 3010 4471', '+61730104471'],
  ])('places a number printed in the manner of %s on a card that says nothing else', (_country, printed, expected) => {
    expect(fieldsOf(['Nella Voss', `Office ${printed}`]).all('phone')).toEqual([expected]);
  });

  it('never offers a fax as another kind of number', () => {
    const { fields } = fieldsOf(['T 029 2018 0122', 'F 029 2018 0270', 'Cardiff CF14 5RN']);
    expect(fields.filter((f) => f.field === 'phone').map((f) => f.phoneKind)).toEqual(['work', 'fax']);
  });

  it('reads one address printed twice as one, from both places', () => {
    const { fields } = fieldsOf(['Marie Lundgren', 'mlundgren@yarvane.se', 'yarvane.se', 'mlundgren@yarvane.se']);
    const emails = fields.filter((f) => f.field === 'email');
    expect(emails.map((f) => f.value)).toEqual(['mlundgren@yarvane.se']);
    expect(emails[0]!.sources).toHaveLength(2);
  });

  it('puts a name in two sizes together where the mailbox is made of both', () => {
    const nameOf = (mailbox: string) => {
      const card = fieldsOf([
        { text: 'Nella', size: 60 },
        { text: 'FAIRBROOK', size: 42, y: 104 },
        { text: 'Head of Sales', size: 28, y: 170 },
        { text: 'Harrowfield Produce Ltd', size: 28, y: 300 },
        { text: `${mailbox}@harrowfield.example`, size: 28 },
        { text: '01632 960 117', size: 28 },
        { text: 'www.harrowfield.example', size: 28 },
      ]);
      return [card.one('givenName'), card.one('familyName')];
    };
    expect(nameOf('n.fairbrook')).toEqual(['Nella', 'Fairbrook']);
    expect(nameOf('fairbrook')).toEqual([undefined, 'Fairbrook']);
  });

  it('takes what stands beside an address on its line without it', () => {
    const card = fieldsOf(['Nella Voss', 'Website www.thornvane.example Thornvane Geotechnics LLP', 'Head of Sales']);
    expect(card.one('company')).toBe('Thornvane Geotechnics LLP');
    expect(card.one('website')).toBe('thornvane.example');
  });

  it('sets a look-alike in an address right by the name, only where the engine was unsure', () => {
    const emailOf = (probability: number) =>
      fieldsOf(['Nella Voss', { text: 'ne1la.voss@harrowfield.example', probability }]).fields.find(
        (f) => f.field === 'email',
      )!;
    expect(emailOf(0.8).value).toBe('nella.voss@harrowfield.example');
    expect(emailOf(0.8).runnersUp?.[0]?.value).toBe('ne1la.voss@harrowfield.example');
    expect(emailOf(0.999).value).toBe('ne1la.voss@harrowfield.example');
  });

  it('takes for the firm whom a free mailbox is called after when that is not the person', () => {
    const of = (mailbox: string) =>
      fieldsOf([
        { text: 'Prof. Neha Roberts', size: 40 },
        'General Manager',
        { text: 'Stavith', size: 44, y: 300 },
        'Borrow better',
        `${mailbox}@gmail.com`,
      ]).one('company');
    expect(of('stavith.hire')).toBe('Stavith');
    expect(of('neha.roberts')).toBeUndefined();
    expect(of('office.hire')).toBeUndefined();
    expect(fieldsOf(['Neha Roberts', 'Hamburg', 'hamburg.office@orlwick.de']).one('company')).toBe('Orlwick');
  });

  it('takes what stands by itself at the head of a card for the firm when no domain tells it', () => {
    const below = (head: string, mailbox: string) =>
      fieldsOf([
        head,
        { text: 'Silverio Moffa', size: 50, y: 200 },
        'Direttore Tecnico',
        { text: mailbox, y: 480 },
      ]).one('company');
    expect(below('NORFORD', 'silverio.moffa@libero.it')).toBe('Norford');
    expect(below('Con passione dal mattino', 'silverio.moffa@libero.it')).toBeUndefined();
    // What is printed large is likelier than what the domain is called.
    expect(below('NORFORD', 'moffa@orlwick.it')).toBe('Norford');
  });

  it.each(['Head Roaster, Alder & Ash Coffee', 'Head Roaster at Alder & Ash Coffee'])('parts %s', (line) => {
    const { one } = fieldsOf(['Nella Voss', line, 'nella@alderandash.example']);
    expect([one('title'), one('company')]).toEqual(['Head Roaster', 'Alder & Ash Coffee']);
  });

  it('takes a firm called like the domain for no house', () => {
    const { one } = fieldsOf([
      'Nella Voss',
      'VOSS STUDIO',
      '4 Patrick Street',
      'Bath BA1 1UN',
      'hello@vossstudio.example',
    ]);
    expect([one('company'), one('street')]).toEqual(['Voss Studio', '4 Patrick Street']);
  });

  const firmOf = (mark: readonly string[], domain: string) =>
    proposeFields(readingOf([...mark, { text: 'Nella Voss', size: 24 }, `nella@${domain}.example`])).fields.find(({ field }) => field === 'company')!; // prettier-ignore

  it('doubts a firm beside whose name a word stands in the same type, and offers both once', () => {
    const { value, runnersUp, confidence } = firmOf(['GLEN ARDOCH', 'SANCTUARY'], 'glenardoch');
    expect([value, ...runnersUp!.map((other) => other.value)]).toEqual(['Glen Ardoch', 'Glen Ardoch Sanctuary']);
    expect(confidence).toBeLessThan(0.8);
  });

  it('offers a part of a firm over two lines where the domain is called like that alone', () => {
    const { value, runnersUp } = firmOf(['HIGHMOOR', 'TREE WORKS'], 'treeworks');
    expect([value, ...runnersUp!.map((other) => other.value)]).toEqual(['Highmoor Tree Works', 'Tree Works']);
  });

  it('reads a firm that stands by itself in a corner in one, however it is broken', () => {
    const corner = ['QUILL &', 'ARDEN', 'BRIDGES'].map((text, i) => ({ text, x: 700, y: 250 + 42 * i }));
    const printed = [{ text: 'Nella Voss', x: 40, y: 100, size: 50 }, { text: 'Bridge Engineer', x: 40, y: 170 }, ...corner, { text: 'n.voss@quillarden.example', x: 40, y: 420 }]; // prettier-ignore
    const { one } = fieldsOf(printed.toSorted((a, b) => a.y - b.y));
    expect([one('company'), one('title'), one('familyName')]).toEqual(['Quill & Arden Bridges', 'Bridge Engineer', 'Voss']); // prettier-ignore
  });

  it('takes a word that no table knows for a position by its letters and its place, and a motto for none', () => {
    const under = (text: string) => fieldsOf([{ text: 'Ovenworks Ltd', size: 50 }, 'Nella Voss', text, 'nella.voss@ovenworks.example']).one('title'); // prettier-ignore
    expect(under('Brezelbrennerin')).toBe('Brezelbrennerin');
    expect(under('always fresh from the oven')).toBeUndefined();
  });

  it('takes the largest line of a card without addresses for the firm, and no note in small letters', () => {
    expect(fieldsOf([{ text: 'Elduna Tømrer', size: 60 }]).one('company')).toBe('Elduna Tømrer');
    expect(fieldsOf([{ text: 'offerte vrijdag', size: 60 }]).one('company')).toBeUndefined();
  });

  it('sets look-alikes right in the digits of Canadian and British postal codes', () => {
    const codeOf = (...lines: string[]) => fieldsOf(['Holly Bayer', ...lines]).one('postalCode');
    expect(codeOf('822 Barrington Lane', 'Winnipeg, MB R3C OT4', '204-555-0126')).toBe('R3C 0T4');
    expect(fieldsOf(['COL SOS', 'Room 22']).fields.map((f) => f.value)).not.toContainEqual(
      expect.stringMatching(/\d0|505/),
    );
    expect(codeOf('6 Northgate', 'Cardiff CF11 SPH', '+44 29 2018 0123')).toBe('CF11 5PH');
  });

  it('gives a shortened word in an address its space back', () => {
    expect(fieldsOf(['12 Quay Road', "St.John's, NL A1C 5M2", '709-555-0126']).one('locality')).toBe("St. John's");
  });

  it('takes no w too many into a web address', () => {
    expect(fieldsOf(['Nella Voss', 'wwww.quayside.example']).all('website')).toEqual(['quayside.example']);
  });

  it('gives a street its French article back', () => {
    expect(fieldsOf(["8 rue de 'Écluse", '69002 Lyon', 'Tél. 04 99 00 12 44']).one('street')).toBe("8 rue de l'Écluse");
  });

  it('sets look-alikes right inside numbers and at the beginning of words', () => {
    const card = fieldsOf(['ldella Block', 'Buyer', 'T 01632 96O l17', 'block@quay.example'], 'GB');
    expect(card.one('givenName')).toBe('Idella');
    expect(card.all('phone')).toEqual(['+441632960117']);
  });

  it('sets right accents that the country’s languages do not have, and gives back dots that the address spells out', () => {
    const card = fieldsOf(
      [
        { text: 'HAFENBRĂU ELSTER KG', probability: 0.8 },
        'JANNIK BRUGGEMANN',
        'Braumeister',
        'brueggemann@hafenbraeu.example',
        'Speicherstraße 40',
        '10117 Berlin',
        'Fon 030 23125 418',
      ],
      'GB',
    );
    expect(card.one('company')).toBe('Hafenbräu Elster KG');
    expect(card.one('familyName')).toBe('Brüggemann');
    expect(card.all('phone')).toEqual(['+493023125418']);
    expect(fieldsOf(['Gabriel Kiełbasa', 'Kierownik', 'ul. Długa 66', '80-823 Gdańsk']).one('familyName')).toBe(
      'Kiełbasa',
    );
  });

  it('tells the country by its calling code even when a number is kept for fiction', () => {
    const card = fieldsOf(['Nella Voss', 'T 01632 960 117', 'M +44 7700 900 651', 'Port Ellery PE4 7Qx']);
    expect(card.all('phone')).toEqual(['+441632960117', '+447700900651']);
    expect(card.one('postalCode')).toBe('PE4 7QX');
  });

  it('is less sure of what the engine was unsure of', () => {
    const emailOf = (line: PrintedLine) => fieldsOf([line]).fields.find((f) => f.field === 'email')!;
    const sure = emailOf({ text: 'nella@harrowfield.example' });
    const unsure = emailOf({ text: 'nella@harrowfield.example', probability: 0.4 });
    expect(sure.confidence).toBeGreaterThan(0.9);
    expect(unsure.confidence).toBeLessThan(0.8);
  });

  it('never throws, and points only at lines and characters that are there', () => {
    const printed = fc.array(
      fc.oneof(
        fc.string({ unit: 'grapheme' }),
        fc.constantFrom('T', '+', '@.', 'www.', 'CEP 1', '0'.repeat(40), 'Dr.', ', , ,', '12345'),
      ),
      { maxLength: 14 },
    );
    fc.assert(
      fc.property(printed, (texts) => {
        const reading = readingOf(texts.filter((t) => t.length > 0));
        for (const field of proposeFields(reading).fields) {
          expect(field.confidence).toBeGreaterThanOrEqual(0);
          expect(field.confidence).toBeLessThanOrEqual(1);
          for (const { line, from, to } of field.sources) {
            expect(reading.lines[line]).toBeDefined();
            expect(from).toBeGreaterThanOrEqual(0);
            expect(to).toBeLessThanOrEqual(reading.lines[line]!.text.length);
            expect(from).toBeLessThan(to);
          }
        }
      }),
      { numRuns: 300 },
    );
  });

  it('finds the same addresses and numbers in whatever order the lines come', () => {
    const indices = CARD.map((_, i) => i);
    fc.assert(
      fc.property(fc.shuffledSubarray(indices, { minLength: indices.length }), (order) => {
        const placed = readingOf(CARD).lines;
        const reading = { ...readingOf(CARD), lines: order.map((i) => placed[i]!) };
        const values = proposeFields(reading)
          .fields.filter((f) => f.field === 'email' || f.field === 'phone')
          .map((f) => f.value);
        expect(values.sort()).toEqual(['+441632960117', '+447700900651', 'nella@harrowfield.example']);
      }),
    );
  });
});
