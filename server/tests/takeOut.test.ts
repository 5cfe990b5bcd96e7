import { randomUUID } from 'node:crypto';
import { readVcards, readCsv } from '@dossier/core/exchange/files';
import ExcelJS from 'exceljs';
import { unzipSync } from 'fflate';
import { Client, personFields } from './client';

jest.setTimeout(180_000);

/** A word that only these tests' people have. */
const OWN = `Exmoor${randomUUID()
  .replace(/[^a-f]/g, '')
  .slice(0, 6)}`;
let rep: Client;
let manager: Client;
let stranger: Client;
const filed: string[] = [];

const hostile = {
  givenName: '=HYPERLINK("http://evil.example")',
  familyName: `${OWN} Aa; "Quoted", née\\`,
  company: `${OWN} Packers, Ltd`,
  title: '@cmd|calc',
  emails: ['a@exmoor.example', 'b@exmoor.example'],
  phones: [
    { value: '+441632960117', kind: 'work' as const, extension: '004' },
    { value: '0800 FLOWERS', kind: 'mobile' as const, extension: '' },
  ],
  more: [{ label: 'Sizes', value: '2.5 m, 3 m' }],
};
const plain = { givenName: 'Ingrith', familyName: `${OWN} Zett`, company: `${OWN} Packers, Ltd`, country: 'GB' };

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
  filed.push(
    await rep.filed(hostile, { tags: ['=fish', 'cold chain'], note: 'First\nSecond' }),
    await rep.filed(plain),
  );
});
afterAll(async () => {
  for (const id of filed) await manager.send('POST', `/people/${id}/erase`);
});

async function fetched(query: string, client = rep): Promise<{ bytes: Buffer; headers: Headers; status: number }> {
  const response = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/people/export?q=${OWN}&${query}`, {
    headers: { cookie: client.cookie },
  });
  return { bytes: Buffer.from(await response.arrayBuffer()), headers: response.headers, status: response.status };
}
const unpacked = async (query: string) => unzipSync(new Uint8Array((await fetched(query)).bytes));
const text = (bytes: Uint8Array | undefined) => Buffer.from(bytes!).toString();

describe('people are taken out', () => {
  it('as vCards, in the order of the list, with what belongs to them', async () => {
    const { bytes, headers } = await fetched('format=vcard&sort=-name');
    expect(headers.get('content-type')).toBe('text/vcard; charset=utf-8');
    expect(headers.get('content-disposition')).toMatch(/attachment; filename="people-\d{4}-\d\d-\d\d\.vcf"/);
    expect(headers.get('dossier-people')).toBe('2');
    const people = readVcards(bytes, { country: null });
    expect(people.map(({ uid }) => uid)).toEqual([...filed].reverse().map((id) => `urn:uuid:${id}`));
    expect(people[1]).toMatchObject({ fields: personFields(hostile), tags: ['=fish', 'cold chain'], note: 'First\nSecond', kind: 'contact' }); // prettier-ignore
    expect(text(bytes)).toContain('VERSION:4.0');
    expect(text((await fetched('format=vcard&version=3.0')).bytes)).toContain('VERSION:3.0');
  });

  it('each in a file of their own, named after them', async () => {
    const files = await unpacked('format=vcard&zip=1');
    const names = Object.keys(files);
    expect(names).toHaveLength(2);
    for (const name of names) expect(name).toMatch(/^[a-z\d-]+\.vcf$/);
    expect(readVcards(files[names[1]!]!, { country: null })[0]!.fields).toMatchObject(plain);
  });

  it('as CSV, in which no cell is a formula, between the signs that were asked for', async () => {
    for (const [delimiter, sign] of [
      ['comma', ','],
      ['semicolon', ';'],
      ['tab', '\t'],
    ] as const) {
      const { bytes } = await fetched(`format=csv&delimiter=${delimiter}`);
      expect(bytes.subarray(0, 3)).toEqual(Buffer.from([0xef, 0xbb, 0xbf]));
      const { rows, delimiter: found } = readCsv(text(bytes));
      expect(found).toBe(sign);
      const at = (header: string, row: string[]) => row[rows[0]!.indexOf(header)];
      expect(rows).toHaveLength(3);
      expect(at('Given name', rows[1]!)).toBe(hostile.givenName);
      expect(at('Phone 1', rows[1]!)).toBe('+441632960117');
      expect(at('E-mail 2', rows[1]!)).toBe('b@exmoor.example');
      expect(at('Tags', rows[1]!)).toBe('=fish; cold chain');
      expect(at('Notes', rows[1]!)).toBe('First\nSecond');
      for (const cell of text(bytes).slice(1).split(/[,;\t\r\n]/)) expect(cell).not.toMatch(/^"?[=+@]/); // prettier-ignore
    }
    expect((await fetched('format=csv&mark=0')).bytes[0]).not.toBe(0xef);
  });

  it('with the columns that were chosen, called as somebody wishes', async () => {
    const { bytes } = await fetched('format=csv&mark=0&column=familyName%3DSurname&column=email1');
    expect(readCsv(text(bytes)).rows[0]!.slice(0, 2)).toEqual(['Surname', 'E-mail 1']);
    const { status, bytes: said } = await fetched('format=csv&column=shoeSize');
    expect([status, text(said)]).toEqual([400, expect.stringContaining('There is no column “shoeSize”')]);
  });

  it('as a workbook of typed cells, with a head that stays, hidden columns, and a sheet that explains', async () => {
    const book = new ExcelJS.Workbook();
    await book.xlsx.load((await fetched('format=xlsx')).bytes as unknown as ExcelJS.Buffer);
    const sheet = book.getWorksheet('People')!;
    const heads = (sheet.getRow(1).values as string[]).slice(1);
    const cell = (header: string, row: number) => sheet.getRow(row).getCell(heads.indexOf(header) + 1);
    expect(cell('Given name', 2).value).toBe(hostile.givenName);
    expect(cell('Given name', 2).type).toBe(ExcelJS.ValueType.String);
    expect(cell('Phone 1 extension', 2).value).toBe('004');
    expect(cell('Filed', 2).value).toBeInstanceOf(Date);
    expect(sheet.views[0]).toMatchObject({ state: 'frozen', ySplit: 1 });
    expect(sheet.autoFilter).toBeTruthy();
    for (const header of ['Dossier id', 'Dossier version', 'Dossier state']) expect(sheet.getColumn(heads.indexOf(header) + 1).hidden).toBe(true); // prettier-ignore
    expect(cell('Dossier id', 2).value).toBe(filed[0]);
    expect(book.getWorksheet('Columns')!.getColumn(2).values).toEqual(expect.arrayContaining(['familyName', 'phone1Kind'])); // prettier-ignore
  });

  it('as JSON, with what was read on their cards', async () => {
    const { bytes } = await fetched('format=json');
    const file = JSON.parse(text(bytes)) as { format: string; version: number; people: { fields: object; cards: { side: string; reading: object }[] }[] }; // prettier-ignore
    expect(file).toMatchObject({ format: 'dossier-people', version: 1 });
    expect(file.people.map(({ fields }) => fields)).toEqual([personFields(hostile), personFields(plain)]);
    expect(file.people[0]!.cards[0]).toMatchObject({ side: 'front', reading: { lines: expect.any(Array) } });
    expect(text(bytes)).toContain('"probability":1');
  });

  it('one by one with everything that is kept about them', async () => {
    await rep.send('POST', `/people/${filed[0]}/tasks`, { text: 'Ring about the curtain', dueOn: '2026-12-01' });
    await rep.send('POST', `/people/${filed[0]}/consents`, { channels: ['email'], scope: 'offers', how: 'spoken' });
    const people = [{ personId: filed[0], part: 'signs' }];
    await rep.send('POST', '/opportunities', { title: 'Curtain for the gate', currency: 'EUR', value: 90, people });
    const path = `/people/${filed[0]}/everything`;
    const response = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}${path}`, { headers: { cookie: rep.cookie } });
    const files = unzipSync(new Uint8Array(await response.arrayBuffer()));
    expect(Object.keys(files)).toEqual(['about.txt', 'everything.json', 'person.vcf']);
    const told = JSON.parse(text(files['everything.json'])) as { changes: object[]; person: object };
    expect(told).toMatchObject({
      format: 'dossier-everything',
      person: { fields: personFields(hostile), notes: [{ text: 'First\nSecond', author: 'Ottilie Brandt' }] },
      jobs: [{ company: hostile.company, title: hostile.title, endedAt: null }],
      tasks: [{ text: 'Ring about the curtain', dueOn: '2026-12-01', doneAt: null }],
      permissions: [{ channels: ['email'], scope: 'offers', withdrawnAt: null }],
      messages: [],
      business: [{ title: 'Curtain for the gate', part: 'signs', value: 90, currency: 'EUR', state: 'open' }],
      cards: [{ side: 'front', reading: { lines: expect.any(Array) as unknown } }],
    });
    expect(told.changes.at(-1)).toMatchObject({ action: 'filed', by: 'Ottilie Brandt' });
    expect(readVcards(files['person.vcf']!, { country: null })[0]!.fields).toEqual(personFields(hostile));
    expect((await stranger.get(path)).status).toBe(404);
  });

  it('who were chosen one by one, or all of a list but some', async () => {
    const post = async (who: object) =>
      readVcards(Buffer.from((await rep.send<string>('POST', '/people/export', { who, format: 'vcard' })).body), { country: null }).map(({ uid }) => uid.slice(9)); // prettier-ignore
    expect(await post({ ids: [filed[1], randomUUID()] })).toEqual([filed[1]]);
    expect(await post({ list: `q=${OWN}`, except: [filed[1]] })).toEqual([filed[0]]);
  });

  it('of one workspace only, and without those who are deleted', async () => {
    expect(readVcards((await fetched('format=vcard', stranger)).bytes, { country: null })).toEqual([]);
    await rep.send('DELETE', `/people/${filed[1]}`);
    expect(readVcards((await fetched('format=vcard')).bytes, { country: null })).toHaveLength(1);
    await rep.send('POST', `/people/${filed[1]}/restore`);
  });

  it('never with words about what is wrong within the file', async () => {
    for (const query of [
      'format=pdf',
      'format=csv&pictures=inside',
      'format=csv&shoesize=42',
      'format=vcard&sort=shoes',
    ])
      expect([query, (await fetched(query)).status]).toEqual([query, 400]);
  });
});
