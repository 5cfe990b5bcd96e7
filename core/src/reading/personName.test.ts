import { inSpellingOf, naturalCompany, naturalName, naturalPlace, naturalTitle } from './naturalCase';
import { localPartAgreement, splitName } from './personName';

describe('splitting a printed name', () => {
  it.each([
    [
      'Dr. Nella Harrowfield-Voss, MBA',
      {},
      { prefix: 'Dr.', givenName: 'Nella', familyName: 'Harrowfield-Voss', suffix: 'MBA' },
    ],
    ['TIM LYNCH, MBA, PMP', {}, { givenName: 'Tim', familyName: 'Lynch', suffix: 'MBA, PMP' }],
    ['Dipl.-Ing. Jens FIETZ', {}, { prefix: 'Dipl.-Ing.', givenName: 'Jens', familyName: 'Fietz' }],
    ['Dott.ssa Raffaella Basile', {}, { prefix: 'Dott.ssa', givenName: 'Raffaella', familyName: 'Basile' }],
    ['Stuart A. Friesen', {}, { givenName: 'Stuart', middleName: 'A.', familyName: 'Friesen' }],
    ['Gilbert de Plessis', { country: 'FR' }, { givenName: 'Gilbert', familyName: 'de Plessis' }],
    ['Natália Reis Martins', { country: 'BR' }, { givenName: 'Natália', familyName: 'Reis Martins' }],
    ['Emmalee James Von', { country: 'US' }, { givenName: 'Emmalee', middleName: 'James', familyName: 'Von' }],
    ['Ada Reis Martins', { local: 'ada.reismartins' }, { givenName: 'Ada', familyName: 'Reis Martins' }],
    ['Nella Voss (she/her)', {}, { givenName: 'Nella', familyName: 'Voss' }],
    ['DI (FH) Nella Voss', {}, { prefix: 'DI (FH)', givenName: 'Nella', familyName: 'Voss' }],
    ['Dr Nella Voss MVB MRCVS', {}, { prefix: 'Dr', givenName: 'Nella', familyName: 'Voss', suffix: 'MVB, MRCVS' }],
    ['Nella Voss LLB (Hons)', {}, { givenName: 'Nella', familyName: 'Voss', suffix: 'LLB (Hons)' }],
    ['Shelby Voss, CFRE', {}, { givenName: 'Shelby', familyName: 'Voss', suffix: 'CFRE' }],
    ['Gianluca DE SANTIS', { country: 'IT' }, { givenName: 'Gianluca', familyName: 'De Santis' }],
    ['Voss, Nella', {}, { givenName: 'Nella', familyName: 'Voss' }],
    ['Nella', {}, { familyName: 'Nella' }],
  ])('%s', (text, { country, local }: { country?: string; local?: string }, expected) => {
    const found = splitName(text, country, local ? [local] : []);
    expect(Object.fromEntries(Object.entries(found).filter(([, value]) => value))).toEqual(expected);
  });

  it.each([
    ['Nella Voss', 'nella.voss', 1],
    ['Nella Voss', 'nvoss', 1],
    ['Nella Voss', 'voss', 0.8],
    ['Wilfred Haddon', 'wilf', 0.8],
    ['Ecrin Schäning-Ostwald', 'schaeningostwald', 1],
    ['Nella Voss', 'office', 0],
  ])('%s agrees with %s as much as %d', (name, local, expected) => {
    expect(localPartAgreement(name, local)).toBeCloseTo(expected, 1);
  });
});

it.each([
  ['GB', 'Accoünt Manager', 'Account Manager'],
  ['GB', 'Chargé d’affaires', 'Chargé d’affaires'],
  ['DE', 'Verkäufer', 'Verkäufer'],
])('a title of %s, %s, is %s', (country, read, spelled) => expect(inSpellingOf(country, read)).toBe(spelled));

describe('natural case', () => {
  it.each([
    ['CHALON-SUR-SAÔNE', 'Chalon-sur-Saône'],
    ['NEWCASTLE UPON TYNE', 'Newcastle upon Tyne'],
    ["L'ISLE-JOURDAIN", "L'Isle-Jourdain"],
    ['ULM', 'ULM'],
    ['Bath', 'Bath'],
  ])('of the place %s is %s', (printed, natural) => expect(naturalPlace(printed)).toBe(natural));

  it.each([
    ['NELLA O’CONNER', 'Nella O’Conner'],
    ['JULIEN MCALLISTER', 'Julien McAllister'],
    ['VON DER AHLEN', 'Von der Ahlen'],
    ['DITTE-MARIE BRIX-HAUGAARD', 'Ditte-Marie Brix-Haugaard'],
    ['Gregoria DuBuque', 'Gregoria DuBuque'],
    ['nella voss', 'Nella Voss'],
  ])('of the name %s is %s', (printed, natural) => expect(naturalName(printed)).toBe(natural));

  it.each([
    ['PROJECT MANAGER', 'GB', 'Project Manager'],
    ['MAÎTRE VERRIER', 'FR', 'Maître verrier'],
    ['HEAD OF IT AND HR', 'GB', 'Head of IT and HR'],
    ['CEO', 'US', 'CEO'],
    ['Head of Dispatch', 'GB', 'Head of Dispatch'],
  ])('of the title %s in %s is %s', (printed, country, natural) =>
    expect(naturalTitle(printed, country)).toBe(natural),
  );

  it.each([
    ["IMPIANTI DELL'ACQUA S.p.A.", "Impianti Dell'Acqua S.p.A."],
    ['P.P.H.U. BRZEZIŃSKI', 'P.P.H.U. Brzeziński'],
    ["CEDAR CHILDREN'S MUSEUM", "Cedar Children's Museum"],
    ['STAVISTON DIAGNOSTICS, INC.', 'Staviston Diagnostics, Inc.'],
    ['LARKSPUR FOODS PLC', 'Larkspur Foods plc'],
    ['norvane pianos', 'Norvane Pianos'],
    ['BRB LIFTS LTD', 'BRB Lifts Ltd'],
    ['Kelder & Moss', 'Kelder & Moss'],
  ])('of the company %s is %s', (printed, natural) => expect(naturalCompany(printed)).toBe(natural));
});

describe('words that are always spelled with accents', () => {
  it.each([
    ['Maitre verrier', 'Maître verrier'],
    ['MAÍTRE VERRIER', 'MAÎTRE VERRIER'],
    ['Geschaftsfuhrer', 'Geschäftsführer'],
    ['Diretor de Producao', 'Diretor de Produção'],
    ['General Manager', 'General Manager'],
    ['Ingenieur', 'Ingenieur'],
    ['Værkfører', 'Værkfører'],
  ])('%s is %s', (read, spelled) => expect(inSpellingOf(undefined, read)).toBe(spelled));
});
