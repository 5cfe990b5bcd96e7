import { inSpellingOf, naturalCompany, naturalName, naturalPlace, naturalStreet, naturalTitle } from './naturalCase';

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
    ["KERROC'H", "Kerroc'h"],
    ['Bath', 'Bath'],
  ])('of the place %s is %s', (printed, natural) => expect(naturalPlace(printed)).toBe(natural));

  it.each([
    ['3RD FLOOR, CASTLEMEAD, LOWER CASTLE STREET', '3rd Floor, Castlemead, Lower Castle Street'],
    ["44A RUE DE L'ÉGLISE, BP 118", "44A Rue de l'Église, BP 118"],
    ['1200 2ND AVE SE', '1200 2nd Ave SE'],
    ['P.O. BOX 118', 'P.O. Box 118'],
    ['KARL-MARX-STRASSE 18', 'Karl-Marx-Strasse 18'],
    ['RUA XV DE NOVEMBRO, 44', 'Rua XV de Novembro, 44'],
    ['Old Mill, BACK LANE', 'Old Mill, BACK LANE'],
  ])('of the street %s is %s', (printed, natural) => expect(naturalStreet(printed)).toBe(natural));

  it.each([
    ['NELLA O’CONNER', 'Nella O’Conner'],
    ['JULIEN MCALLISTER', 'Julien McAllister'],
    ['VON DER AHLEN', 'Von der Ahlen'],
    ['DITTE-MARIE BRIX-HAUGAARD', 'Ditte-Marie Brix-Haugaard'],
    ['Gregoria DuBuque', 'Gregoria DuBuque'],
    ['nella voss', 'Nella Voss'],
    ["Yves-Marie LE FLOC'H", "Yves-Marie Le Floc'h"],
    ['JEAN DE LA FONTAINE', 'Jean de la Fontaine'],
    ["SEAN O'DEA", "Sean O'Dea"],
  ])('of the name %s is %s', (printed, natural) => expect(naturalName(printed)).toBe(natural));

  it.each([
    ['PROJECT MANAGER', 'GB', 'Project Manager'],
    ['MAÎTRE VERRIER', 'FR', 'Maître verrier'],
    ['HEAD OF IT AND HR', 'GB', 'Head of IT and HR'],
    ['CEO', 'US', 'CEO'],
    ['SALES MANAGER', 'PT', 'Sales Manager'],
    ['DIRETOR DE VENDAS', 'PT', 'Diretor de vendas'],
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
    ["ENTREPÔTS DE L'OUEST", "Entrepôts de l'Ouest"],
    ["L'ATELIER DU PORT", "L'Atelier du Port"],
    ['KEROUANTON & LE BIHAN', 'Kerouanton & Le Bihan'],
    ['DARLING GRAIN CO-OP', 'Darling Grain Co-op'],
    ['PEKÁRNA VLTAVA S.R.O.', 'Pekárna Vltava s.r.o.'],
    ['MLECZARNIA WARTA SP. Z O.O.', 'Mleczarnia Warta Sp. z o.o.'],
    ['Mleczarnia Warta Sp.z o.o.', 'Mleczarnia Warta Sp. z o.o.'],
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
