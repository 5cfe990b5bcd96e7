import { randomUUID } from 'node:crypto';
import type { Import, ImportRows, ImportState, PeoplePage, PipelineSettings } from '@dossier/contract';
import ExcelJS from 'exceljs';
import { Client } from './client';
import { until } from './services';

jest.setTimeout(180_000);

/** A word that only these tests' people have. */
const OWN = `Zennor${randomUUID()
  .replace(/[^a-f]/g, '')
  .slice(0, 6)}`;
let rep: Client;
let manager: Client;
let stranger: Client;

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
});
afterAll(async () => {
  for (const { id } of await people()) await manager.send('POST', `/people/${id}/erase`);
});

const people = async (q = OWN) =>
  (await rep.get<PeoplePage>(`/people?q=${encodeURIComponent(q)}&limit=100`)).body.items;
const names = async (q = OWN) => (await people(q)).map(({ fullName }) => fullName).sort();
const begin = async (bytes: Buffer | string, name = 'people.csv', client = rep) =>
  client.send<Import>('POST', `/imports?name=${encodeURIComponent(name)}`, Buffer.from(bytes));
const ended = (id: string, states: ImportState[] = ['done', 'failed']) =>
  until(async () => {
    const { body } = await rep.get<Import>(`/imports/${id}`);
    return states.includes(body.state) && body;
  });
const run = async (id: string, dry = false) => {
  expect((await rep.send('POST', `/imports/${id}/run${dry ? '?dry=1' : ''}`)).status).toBe(202);
  return ended(id, dry ? ['mapping'] : undefined);
};
const undo = async (id: string) => {
  expect((await rep.send('POST', `/imports/${id}/undo`)).status).toBe(202);
  return ended(id, ['undone']);
};
const rowsOf = async (id: string, outcome: string) =>
  (await rep.get<ImportRows>(`/imports/${id}/rows?outcome=${outcome}`)).body.items;

describe('a table is brought in', () => {
  it('as its columns say, after a look at what would become of it, and can be taken back', async () => {
    const csv = [
      'Vorname;Nachname;Firma;E-Mail;Telefon;Bemerkung;Schuhgröße',
      `Ada;${OWN} Aldred;${OWN} Mills;ada@${OWN}.example;01632 960117;"First\nSecond";38`,
      `Ben;${OWN} Bright;${OWN} Mills;ben@${OWN}.example;;;`,
      `;;;;;only a note;`,
      `Cy;${OWN} Crane;"=cmd|' /C calc'!A0";not an address;;;`,
    ].join('\r\n');
    const { status, body } = await begin(csv);
    expect(status).toBe(201);
    expect(body).toMatchObject({ state: 'mapping', format: 'csv', head: true, rows: 4, rule: 'fill' });
    expect(body.mapping).toEqual(['givenName', 'familyName', 'company', 'email', 'phone', 'note', null]);
    expect(body.columns[6]).toEqual({ header: 'Schuhgröße', target: null, samples: ['38'] });
    expect(body.preview[0]).toMatchObject({ fullName: `Ada ${OWN} Aldred`, phone: '+441632960117' });
    const mapping = [...body.mapping.slice(0, 6), 'own'];
    expect((await rep.send('PUT', `/imports/${body.id}/mapping`, { mapping: ['shoe'] })).status).toBe(400);
    expect((await rep.send('PUT', `/imports/${body.id}/mapping`, { mapping, rule: 'file' })).status).toBe(200);
    const looked = await run(body.id, true);
    expect(looked.counts).toMatchObject({ created: 3, refused: 1, perhaps: 0 });
    expect(await names()).toEqual([]);
    const done = await run(body.id);
    expect(done).toMatchObject({ state: 'done', done: 4, counts: { created: 3, updated: 0, refused: 1 } });
    expect(await names()).toEqual([`Ada ${OWN} Aldred`, `Ben ${OWN} Bright`, `Cy ${OWN} Crane`]);
    const [ada] = await people(`${OWN} Aldred`);
    const dossier = await rep.person(ada!.id);
    expect(dossier.notes[0]!.text).toBe('First\nSecond');
    expect(dossier.fields.more).toEqual([{ label: 'Schuhgröße', value: '38' }]);
    expect((await rowsOf(body.id, 'refused'))[0]!.faults[0]!.fault).toMatch(/nothing to find this person by/);
    expect((await rep.send('POST', `/imports/${body.id}/run`)).status).toBe(409);
    // The same head is read the same way the next time, and who is there already is not made again.
    const again = (await begin(csv)).body;
    expect(again.mapping).toEqual(mapping);
    expect((await run(again.id)).counts).toMatchObject({ created: 0, unchanged: 3, refused: 1 });
    // Somebody who was worked on since stays.
    await rep.send('POST', `/people/${ada!.id}/notes`, { kind: 'call', text: 'Rang back' });
    const back = await undo(body.id);
    expect(back).toMatchObject({ state: 'undone', kept: 1 });
    expect(await names()).toEqual([`Ada ${OWN} Aldred`]);
  });

  it('into who is known, by the rule that was chosen, and asks about who is perhaps somebody', async () => {
    const known = await rep.filed({ givenName: 'Dora', familyName: `${OWN} Dunn`, title: 'Buyer', emails: [`dora@${OWN}.example`] }); // prettier-ignore
    const csv = (title: string) =>
      `First name,Last name,Title,Department,E-mail\nDora,${OWN} Dunn,${title},Dispatch,dora@${OWN}.example\n`;
    const titles: string[] = [];
    for (const rule of ['fill', 'ask', 'file']) {
      const { body } = await begin(csv('Head buyer'));
      await rep.send('PUT', `/imports/${body.id}/mapping`, { mapping: body.mapping, rule });
      const done = await run(body.id);
      expect(done.counts).toMatchObject({ created: 0, conflicts: rule === 'ask' ? 1 : 0 });
      titles.push((await rep.person(known)).fields.title);
      if (rule === 'ask') {
        const [row] = await rowsOf(body.id, 'conflicts');
        expect(row!.conflicts).toEqual([{ key: 'title', label: 'Title', here: 'Buyer', file: 'Head buyer' }]);
      }
      if (rule === 'file') await undo(body.id);
    }
    expect(titles).toEqual(['Buyer', 'Buyer', 'Head buyer']);
    expect((await rep.person(known)).fields).toMatchObject({ title: 'Buyer', department: 'Dispatch' });
    // The same name at another firm and nothing else in common.
    const unsure = (await begin(`Name,Company\nDora ${OWN} Dunn,${OWN} Elsewhere\n`)).body;
    const done = await run(unsure.id);
    if (done.counts.perhaps === 1) {
      const [row] = await rowsOf(unsure.id, 'perhaps');
      expect(row!.candidates[0]!.id).toBe(known);
      expect((await rep.send('POST', `/imports/${unsure.id}/rows/${row!.number}`, { as: 'new' })).status).toBe(204);
      expect((await rep.send('POST', `/imports/${unsure.id}/rows/${row!.number}`, { as: 'new' })).status).toBe(409);
    }
    expect((await names(`${OWN} Dunn`)).length).toBe(2);
  });

  it('who is there twice, is one person, and goes with all that both rows said', async () => {
    const csv = `First name,Last name,Title,E-mail,Note\nKay,${OWN} Kettle,,kay@${OWN}.example,First\nKay,${OWN} Kettle,Buyer,kay@${OWN}.example,Second\n`;
    const { body } = await begin(csv);
    expect((await run(body.id)).counts).toMatchObject({ created: 1, updated: 1 });
    const [kay] = await people(`${OWN} Kettle`);
    const dossier = await rep.person(kay!.id);
    expect([dossier.fields.title, dossier.notes.length]).toEqual(['Buyer', 2]);
    expect(await undo(body.id)).toMatchObject({ kept: 0 });
    expect(await names(`${OWN} Kettle`)).toEqual([]);
  });

  it('twice at the same time files nobody twice', async () => {
    const rows = Array.from({ length: 120 }, (_, i) => `Ned,${OWN} Nook,ned${i}@${OWN}${i}.example,${OWN} Works ${i}`);
    const csv = ['First name,Last name,E-mail,Company', ...rows].join('\n');
    const files = await Promise.all([begin(csv, 'one.csv'), begin(csv, 'two.csv', manager)]);
    const done = await Promise.all(files.map(({ body }) => run(body.id)));
    const sum = (what: 'created' | 'unchanged' | 'perhaps') => done.reduce((all, { counts }) => all + counts[what], 0);
    const made = (await rep.get<PeoplePage>(`/people?q=${OWN}+Nook`)).body.total;
    expect([sum('created'), sum('created') + sum('unchanged') + sum('perhaps')]).toEqual([made, 240]);
    expect(made).toBeLessThanOrEqual(120);
    for (const { body } of files) await undo(body.id);
  });

  it('who is perhaps somebody of a row before is not made once more', async () => {
    const csv = `First name,Last name,Company\nLou,${OWN} Lambert,${OWN} Yard\nLou,${OWN} Lambret,${OWN} Yard\nMay,${OWN} Other,\n`;
    const { body } = await begin(csv);
    const { counts } = await run(body.id);
    expect([counts.created, counts.perhaps + counts.unchanged + counts.updated]).toEqual([2, 1]);
    await undo(body.id);
  });

  it('as vCards and workbooks too; and what is none is refused with what to do', async () => {
    const vcards = (await begin(`BEGIN:VCARD\nVERSION:2.1\nN;CHARSET=ISO-8859-1;ENCODING=QUOTED-PRINTABLE:${OWN} H=E4rr;Emil\nEND:VCARD`, 'a.vcf')).body; // prettier-ignore
    expect(vcards).toMatchObject({ format: 'vcard', rows: 1, columns: [] });
    expect((await run(vcards.id)).counts.created).toBe(1);
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('Anything');
    sheet.addRows([['Name', 'Phone', 'Since'], [{ richText: [{ text: 'Fay ' }, { text: `${OWN} Frost` }] }, 1632960118, new Date(Date.UTC(2024, 1, 3))]]); // prettier-ignore
    const workbook = (await begin(Buffer.from(await book.xlsx.writeBuffer()), 'a.xlsx')).body;
    expect(workbook).toMatchObject({ format: 'xlsx', rows: 1, mapping: ['fullName', 'phone', null] });
    expect(workbook.columns[2]!.samples).toEqual(['2024-02-03']);
    expect((await run(workbook.id)).counts.created).toBe(1);
    expect(await names()).toEqual(expect.arrayContaining([`Emil ${OWN} Härr`, `Fay ${OWN} Frost`]));
    for (const bytes of ['', 'PK\x03\x04 no workbook', '\x89PNG\0\0\0', '\n\n', 'Name;Firm\n"Ada;Mills\nBo;Mills\n'])
      expect([bytes, (await begin(bytes)).status]).toEqual([bytes, 422]);
    const long = (await begin(`Name;Firm\n${'Lund '.repeat(200_000)};Mills\n`)).body;
    expect(long.preview[0]!.fullName.length).toBeLessThan(400);
    expect((await run(long.id, true)).counts.refused).toBe(1);
  });

  it('by one workspace only', async () => {
    const { body } = await begin('Name\nNobody Else\n');
    for (const [method, path] of [['GET', ''], ['POST', '/run'], ['POST', '/undo'], ['GET', '/rows?outcome=created']] as const)
      expect((await stranger.send(method, `/imports/${body.id}${path}`)).status).toBe(404); // prettier-ignore
  });
});

describe('a table that was taken out and comes back', () => {
  const exported = async (q: string) => {
    const response = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/people/export?format=xlsx&q=${encodeURIComponent(q)}`, { headers: { cookie: rep.cookie } }); // prettier-ignore
    const book = new ExcelJS.Workbook();
    await book.xlsx.load((await response.arrayBuffer()) as unknown as ExcelJS.Buffer);
    const sheet = book.getWorksheet('People')!;
    const heads = sheet.getRow(1).values as string[];
    return { book, sheet, cell: (row: number, header: string) => sheet.getRow(row).getCell(heads.indexOf(header)) };
  };
  const back = async (book: ExcelJS.Workbook) => {
    const { body } = await begin(Buffer.from(await book.xlsx.writeBuffer()), 'people.xlsx');
    return run(body.id);
  };

  it('unchanged changes nothing; changed cells are written, and nothing else', async () => {
    const one = await rep.filed({ givenName: 'Gil', familyName: `${OWN} Garth`, title: 'Buyer', emails: [`gil@${OWN}.example`], phones: [{ value: '+441632960119', kind: 'fax', extension: '004' }] }, { tags: ['=fish'] }); // prettier-ignore
    const two = await rep.filed({ givenName: 'Hal', familyName: `${OWN} Garth`, title: 'Owner' });
    const before = await rep.person(one);
    const { book, cell } = await exported(`${OWN} Garth`);
    expect((await back(book)).counts).toMatchObject({ created: 0, updated: 0, unchanged: 2, conflicts: 0 });
    expect((await rep.person(one)).version).toBe(before.version);
    // Changed there, changed here, changed in both places.
    cell(2, 'Department').value = 'Dispatch';
    cell(2, 'Title').value = 'Head buyer';
    cell(3, 'Title').value = 'Founder';
    const { version } = await rep.person(one);
    const { fields, kind, tags, rating } = before;
    await rep.send('PUT', `/people/${one}`, { version, fields: { ...fields, title: 'Chief buyer', suffix: 'MBA' }, kind, tags, rating }); // prettier-ignore
    const done = await back(book);
    expect(done.counts).toMatchObject({ created: 0, updated: 2, conflicts: 1 });
    expect((await rep.person(one)).fields).toEqual({ ...fields, title: 'Chief buyer', suffix: 'MBA', department: 'Dispatch' }); // prettier-ignore
    expect((await rep.person(two)).fields.title).toBe('Founder');
    const [row] = await rowsOf(done.id, 'conflicts');
    expect(row!.conflicts).toEqual([{ key: 'title', label: 'Title', here: 'Chief buyer', file: 'Head buyer' }]);
    expect((await rep.send('POST', `/imports/${done.id}/rows/${row!.number}`, { take: ['title'] })).status).toBe(204);
    expect((await rep.person(one)).fields.title).toBe('Head buyer');
    expect(await undo(done.id)).toMatchObject({ kept: 0 });
    expect((await rep.person(one)).fields).toEqual({ ...fields, title: 'Chief buyer', suffix: 'MBA' });
    expect((await rep.person(two)).fields.title).toBe('Owner');
  });

  it('says how far leads are and why they are closed, which is written, told in the history, and taken back', async () => {
    const settings = (await rep.get<PipelineSettings>('/pipeline-settings')).body;
    const [status, reason] = [settings.leadStatuses.at(-1)!, settings.closeReasons[0]!];
    const [open, closed] = [await rep.filed({ givenName: 'Lou', familyName: `${OWN} Lowther` }, { kind: 'lead' }), await rep.filed({ givenName: 'Moe', familyName: `${OWN} Lowther` }, { kind: 'lead' })]; // prettier-ignore
    await rep.send('POST', '/people/changes', {
      who: { ids: [closed] },
      what: { closed: { reason, words: 'for now' } },
    });
    const before = await until(async () => { const one = await rep.person(closed); return one.closed && one; }); // prettier-ignore
    const { book, cell } = await exported(`${OWN} Lowther`);
    const row = (name: string) => [2, 3].find((at) => cell(at, 'Given name').value === name)!;
    expect(cell(row('Moe'), 'Why closed').value).toBe(`${reason}: for now`);
    cell(row('Lou'), 'Status').value = status.toUpperCase();
    cell(row('Lou'), 'Why closed').value = reason;
    cell(row('Moe'), 'Why closed').value = '';
    cell(row('Moe'), 'Status').value = 'Nowhere near';
    const done = await back(book);
    expect(done.counts).toMatchObject({ updated: 2, conflicts: 0 });
    expect(await rep.person(open)).toMatchObject({ kind: 'lead', status, closed: { reason, words: '' } });
    expect((await rep.person(closed)).closed).toBeNull();
    expect((await rep.person(open)).history.flatMap(({ changes }) => changes)).toEqual(expect.arrayContaining([{ field: 'status', before: '', after: status }, { field: 'closed', before: '', after: reason }])); // prettier-ignore
    expect(await undo(done.id)).toMatchObject({ kept: 0 });
    expect(await rep.person(open)).toMatchObject({ status: null, closed: null });
    expect((await rep.person(closed)).closed).toEqual(before!.closed);
  });

  it('under other names of its columns is read as what it is', async () => {
    const id = await rep.filed({ givenName: 'Kit', familyName: `${OWN} Keel`, title: 'Owner' });
    const response = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/people/export?format=xlsx&q=${OWN}+Keel&column=familyName%3DWho&column=title%3DWhat`, { headers: { cookie: rep.cookie } }); // prettier-ignore
    const book = new ExcelJS.Workbook();
    await book.xlsx.load((await response.arrayBuffer()) as unknown as ExcelJS.Buffer);
    book.getWorksheet('People')!.getRow(2).getCell(2).value = 'Chair';
    const { body } = await begin(Buffer.from(await book.xlsx.writeBuffer()), 'people.xlsx');
    expect(body.mapping.slice(0, 2)).toEqual(['familyName', 'title']);
    expect((await run(body.id)).counts).toMatchObject({ updated: 1, created: 0 });
    expect((await rep.person(id)).fields).toMatchObject({ familyName: `${OWN} Keel`, title: 'Chair' });
  });

  it('as JSON too, also into another workspace, with the pictures of cards', async () => {
    const { default: sharp } = await import('sharp');
    const picture = await sharp({ create: { width: 90, height: 50, channels: 3, background: '#8aa' } })
      .jpeg()
      .toBuffer();
    const vcard = `BEGIN:VCARD\nVERSION:3.0\nN:${OWN} Lark;Leo;;;\nFN:Leo ${OWN} Lark\nTITLE:Mate\nPHOTO;ENCODING=b;TYPE=JPEG:${picture.toString('base64')}\nPHOTO;ENCODING=b;TYPE=JPEG:bm90IGEgcGljdHVyZQ==\nEND:VCARD\n`; // prettier-ignore
    const first = (await begin(vcard, 'leo.vcf')).body;
    expect((await run(first.id)).counts.created).toBe(1);
    const [leo] = await people(`${OWN} Lark`);
    const [cardId] = (await rep.person(leo!.id)).cardIds;
    const { pictureId } = (await rep.card(cardId!)).body;
    const shown = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/cards/${cardId}/picture?of=${pictureId}`, { headers: { cookie: rep.cookie } }); // prettier-ignore
    expect(await sharp(Buffer.from(await shown.arrayBuffer())).metadata()).toMatchObject({ format: 'jpeg', width: 90, height: 50 }); // prettier-ignore
    const out = await fetch(`${process.env.DOSSIER_TEST_ADDRESS}/people/export?format=json&pictures=inside&q=${OWN}+Lark`, { headers: { cookie: rep.cookie } }); // prettier-ignore
    const json = Buffer.from(await out.arrayBuffer());
    // Who is here is known by their id, and nothing of them is changed.
    const again = (await begin(json, 'people.json')).body;
    expect(again).toMatchObject({ format: 'json', rows: 1, columns: [] });
    expect((await run(again.id)).counts).toMatchObject({ created: 0, unchanged: 1 });
    const other = await stranger.send<Import>('POST', '/imports?name=people.json', json);
    await stranger.send('POST', `/imports/${other.body.id}/run`);
    const there = await until(async () => {
      const { items } = (await stranger.get<PeoplePage>(`/people?q=${OWN}`)).body;
      return items.length > 0 && items;
    });
    const copied = await stranger.person(there[0]!.id);
    expect([copied.fields.title, copied.cardIds.length]).toEqual(['Mate', 1]);
    await stranger.send('POST', `/people/${copied.id}/erase`);
    // Taken back, nobody is kept for having come with a picture.
    expect(await undo(first.id)).toMatchObject({ kept: 0 });
    for (const bytes of ['{"people": []}', '{"format": "dossier-people", "version": 9, "people": []}'])
      expect((await begin(bytes, 'people.json')).status).toBe(422);
  });

  it('has rows without an id for who is new, and leaves whose row was taken away', async () => {
    const id = await rep.filed({ givenName: 'Ivo', familyName: `${OWN} Ivey` });
    const { book, sheet, cell } = await exported(`${OWN} Ivey`);
    sheet.spliceRows(2, 1);
    cell(2, 'Given name').value = 'Jan';
    cell(2, 'Family name').value = `${OWN} Jewell`;
    expect((await back(book)).counts).toMatchObject({ created: 1, updated: 0, unchanged: 0 });
    expect((await rep.person(id)).fields.givenName).toBe('Ivo');
  });
});
