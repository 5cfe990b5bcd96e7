import { isDoubt } from '../confidence/confidence';
import { proposeFields } from '../proposeFields';
import { readingOf, type PrintedLine } from '../readingOf.testing';
import type { FieldName } from '../proposal';

const NAME: readonly FieldName[] = ['givenName', 'middleName', 'familyName'];

/** What a card proposes as the person's whole name, the firm or the position. */
function read(lines: readonly (string | PrintedLine)[]) {
  const { fields } = proposeFields(readingOf(lines));
  const valuesOf = (names: readonly FieldName[]) =>
    names.flatMap((name) => fields.filter((f) => f.field === name).map((f) => f.value)).join(' ');
  return { name: valuesOf(NAME), company: valuesOf(['company']), title: valuesOf(['title']), fields };
}

const large = (...texts: string[]): PrintedLine[] => texts.map((text) => ({ text, size: 44 }));
const SMALL = ['Harbour Road 4', '+44 1632 960142', '+44 7700 900142'];

describe('a firm over some lines', () => {
  it.each<[string[], string]>([
    [['Registro de la', 'Propiedad de', 'Villarta'], 'Registro de la Propiedad de Villarta'],
    [['Embotits', 'Ferrerons', 'SL'], 'Embotits Ferrerons SL'],
    [['Ballinrobe', 'Building', 'Contractors'], 'Ballinrobe Building Contractors'],
    [['Meble Karpackie', 'sp. z o.o.'], 'Meble Karpackie sp. z o.o.'],
    [['Seilbahntechnik GmbH &', 'Co KG'], 'Seilbahntechnik GmbH & Co KG'],
    [['Pfrommer & Söhne', 'Feinguss KG'], 'Pfrommer & Söhne Feinguss KG'],
    [['Dakwerken Van den', 'Broeck'], 'Dakwerken Van den Broeck'],
    [['Étude la Tour–', 'Landry'], 'Étude la Tour-Landry'],
    [['Harborline Realty', 'Group'], 'Harborline Realty Group'],
    [['STOLARNIA WRONICKI', 'I SYNOWIE'], 'Stolarnia Wronicki i Synowie'],
    [['Protea Ridge Wines', '(Pty) Ltd'], 'Protea Ridge Wines (Pty) Ltd'],
  ])('%j is one', (lines, company) =>
    expect(read([...large(...lines), 'Rosalind Thorpe', 'Sales Director', ...SMALL]).company).toBe(company),
  );

  it('does not go on in what says what they do', () => {
    const lines = large('Hartnoll & Vane', 'Conservation of ceramics and glass');
    const card = [...lines, 'Rosalind Thorpe', 'Sales Director', 'studio@hartnollvane.example'];
    expect(read(card).company).toBe('Hartnoll & Vane');
  });

  it('is of one type: capitals are one thing, what stands below in small letters another', () => {
    const lines = [
      ...large('CHÂTEAU PEYRAT', 'Cru Bourgeois'),
      'Thibault Larrieu',
      'Maître de chai',
      't.larrieu@peyrat.example',
    ];
    expect(read(lines).company).toBe('Château Peyrat');
  });

  it('ends with its form, and with its partners where no form follows', () => {
    const firmOf = (...lines: string[]) => read([...lines, 'Rosalind Thorpe', 'Sales Director', ...SMALL]).company;
    expect(firmOf('Velmora Spedition e.K.', 'Transporte')).toBe('Velmora Spedition e.K.');
    expect(firmOf('Cabinet Verdurin & Associés', 'Avocats à la Cour')).toBe('Cabinet Verdurin & Associés');
  });
});

describe('a name over some lines', () => {
  it.each<[string[], string, string]>([
    [['Thiago', 'Bittencourt', 'Nogueira'], 'thiago.nogueira', 'Thiago Bittencourt Nogueira'],
    [['Duarte Falcão', 'de Noronha'], 'duarte', 'Duarte Falcão de Noronha'],
    [['Ulla-Maija Koskenkorva-', 'Niemi'], 'ulla-maija', 'Ulla-Maija Koskenkorva-Niemi'],
    [['Paulo Roberto', 'Figueiredo Neto'], 'paulo', 'Paulo Roberto Figueiredo Neto'],
  ])('%j is one', (lines, mailbox, name) =>
    expect(read([...large(...lines), 'Sales Director', ...SMALL, `${mailbox}@quayside.example`]).name).toBe(name),
  );

  it.each<[string[], string, string, string]>([
    [['Yves Perrenoud', 'Rhabilleur'], 'yves', 'Yves Perrenoud', 'Rhabilleur'],
    [['Solveig Aarrestad', 'Havbruksvokter'], 's.aarrestad', 'Solveig Aarrestad', 'Havbruksvokter'],
  ])('%j ends where its mailbox needs no more, and a position follows', (lines, mailbox, name, title) =>
    expect(read([...large(...lines), ...SMALL, `${mailbox}@quayside.example`])).toMatchObject({ name, title }),
  );

  it('has no tagline above it', () => {
    const lines = [...large('Cru Bourgeois', 'Thibault Larrieu'), ...SMALL, 't.larrieu@quayside.example'];
    expect(read(lines).name).toBe('Thibault Larrieu');
  });
});

test('a position goes on to the word that makes it one', () => {
  expect(read([...large('Ffion Prys'), 'Heritage', 'Manager', ...SMALL]).title).toBe('Heritage Manager');
});

test('an unknown word right under the name is a less certain position, what speaks to somebody is none', () => {
  const titleOf = (text: string) =>
    read([{ text: 'Rosalind Thorpe', size: 44 }, text, ...SMALL, 'r.thorpe@quayside.example']).fields.find(
      (f) => f.field === 'title',
    );
  expect(titleOf('Kellerwart')?.value).toBe('Kellerwart');
  expect(titleOf('Kellerwart')!.confidence).toBeLessThan(titleOf('Braumeister')!.confidence);
  for (const slogan of [
    'We bake what you love',
    'Wir sind für Sie da',
    '“The early bird”',
    'Frische Brote und feine Torten',
  ])
    // At most it is offered where a position is missing.
    expect(titleOf(slogan)?.value ?? '').toBe('');
});

test('a second position right under the first, in other type, is offered with it, and is a doubt', () => {
  const { fields } = read([
    { text: 'Rosalind Thorpe', size: 44 },
    { text: 'Geschäftsleitung', size: 30 },
    { text: 'Technischer Betriebsleiter', size: 24 },
    'r.thorpe@quayside.example',
  ]);
  const title = fields.find(({ field }) => field === 'title')!;
  expect(title.value).toBe('Geschäftsleitung');
  expect(isDoubt(title)).toBe(true);
  expect(title.disagreement?.said).toBe('Technischer Betriebsleiter');
  expect(title.runnersUp![0]!.value).toBe('Geschäftsleitung, Technischer Betriebsleiter');
});
