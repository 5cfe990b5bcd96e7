import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import type { CompaniesPage, Company, Problem, TableBack } from '@dossier/contract';
import { readCsv } from '@dossier/core/exchange/files';
import { Client } from './client';

jest.setTimeout(180_000);

let rep: Client;
let manager: Client;
const OWN = `Quarrelund${randomUUID().replace(/[^a-f]/g, '').slice(0, 6)}`; // prettier-ignore
const filed: string[] = [];
const file = async (familyName: string, company: string, fields: object = {}) => {
  const id = await rep.filed({ givenName: 'Ingrith', familyName, company, ...fields });
  filed.push(id);
  return id;
};
const back = (csv: string, preview = false, who = rep) =>
  who.send<TableBack & Problem>('POST', `/companies/import?preview=${preview ? 1 : 0}`, Buffer.from(csv), { 'content-type': 'text/csv' }); // prettier-ignore
const idOf = async (q: string) => (await rep.get<CompaniesPage>(`/companies?q=${encodeURIComponent(q)}`)).body.items[0]!.id; // prettier-ignore
const firm = async (id: string) => (await rep.get<Company>(`/companies/${id}`)).body;

/** The table of the firms found by a word: its first row, and each row by the name of its firm. */
async function table(q = OWN) {
  const { body } = await rep.get<string>(`/companies/export?format=csv&q=${q}`);
  const [head = [], ...rows] = readCsv(body).rows;
  const cell = (row: string[], header: string) => row[head.indexOf(header)];
  return { head, rows, of: (name: string) => rows.find((row) => cell(row, 'Company') === name)!, cell };
}
const written = (head: string[], rows: string[][]) =>
  [head, ...rows].map((row) => row.map((text) => `"${text.replace(/"/g, '""')}"`).join(',')).join('\r\n');
const changed = (head: string[], row: string[], cells: Record<string, string>) =>
  row.map((text, at) => cells[head[at]!] ?? text);

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
});
afterAll(async () => {
  for (const id of filed) await manager.send('POST', `/people/${id}/erase`);
});

describe('firms as a table', () => {
  it('go out with what is known of them, also of those that became them', async () => {
    const shared = { emails: [`a@${OWN.toLowerCase()}.example`], locality: 'Port Ellery', street: '4 Weir Lane' };
    await file('Aldermoor', `${OWN} Seals Ltd`, shared);
    await file('Bellweather', `${OWN} Seals Ltd`, { ...shared, emails: [`b@${OWN.toLowerCase()}.example`] });
    await file('Cullen', `${OWN} Sealing`);
    const [id, other] = [await idOf(`${OWN} Seals Ltd`), await idOf(`${OWN} Sealing`)];
    await rep.send('POST', '/opportunities', { title: 'Doors', currency: 'EUR', value: 120.5, companyId: id });
    await rep.send('POST', '/opportunities', { title: 'Ramps', currency: 'EUR', value: 80, companyId: other });
    await rep.send('POST', `/companies/${id}/notes`, { text: 'Has "two"\nyards' });
    await manager.send('POST', `/companies/${id}/merge`, { otherIds: [other] });
    const { rows, cell, head } = await table();
    expect(rows).toHaveLength(1);
    const told = Object.fromEntries(head.map((header) => [header, cell(rows[0]!, header)]));
    expect(told).toMatchObject({
      Company: `${OWN} Seals Ltd`, 'Also called': `${OWN} Sealing`, People: '3', Town: 'Port Ellery', 'E-mail domains': `${OWN.toLowerCase()}.example`,
      'Open business': 'EUR 200.5 (2)', 'Won business': '', Notes: 'Has "two"\nyards', 'A further note': '', 'Dossier id': id,
    }); // prettier-ignore
    expect(told.Addresses).toContain('4 Weir Lane');
    const { headers } = await rep.get<string>(`/companies/export?format=xlsx&q=${OWN}`);
    expect(headers.get('content-type')).toContain('spreadsheetml');
  });

  it('come back: names and notes are taken over once, the rest is not read', async () => {
    for (const one of ['Doors', 'Gates', 'Locks', 'Hooks']) await file(one, `${OWN}x ${one}`);
    const { head, of } = await table(`${OWN}x`);
    const ids = Object.fromEntries(await Promise.all(['Doors', 'Gates', 'Locks', 'Hooks'].map(async (one) => [one, await idOf(`${OWN}x ${one}`)] as const))); // prettier-ignore
    const row = (one: string, cells: Record<string, string> = {}) => changed(head, of(`${OWN}x ${one}`), cells);
    await rep.send('PUT', `/companies/${ids.Locks}`, { name: `${OWN}x Locks here`, version: 1 });
    const csv = written(head, [
      row('Doors', { Company: `${OWN}x Doorways`, People: '99', 'A further note': 'Moves in March' }),
      row('Gates', { Company: `${OWN}x Hooks` }),
      row('Locks', { Company: `${OWN}x Locks there`, 'A further note': 'Rings back' }),
      row('Hooks', { Company: ' ' }),
      row('Hooks', { Company: 'Twice' }),
      changed(head, row('Hooks'), { Company: `${OWN}x New`, 'Dossier id': '' }),
      changed(head, row('Hooks'), { Company: `${OWN}x Gone`, 'Dossier id': randomUUID() }),
    ]);
    const looked = (await back(csv, true)).body;
    expect(looked).toMatchObject({ made: 0, changed: 2, same: 2 });
    expect(looked.conflicts).toEqual([{ row: 3, title: `${OWN}x Locks there`, field: 'Company', here: `${OWN}x Locks here`, there: `${OWN}x Locks there` }]); // prettier-ignore
    expect(looked.faults.map(({ row: number, field }) => [number, field])).toEqual([[2, 'Company'], [4, 'Company'], [5, ''], [6, ''], [7, '']]); // prettier-ignore
    expect(looked.faults[0]!.fault).toContain(`There is a firm “${OWN}x Hooks” already`);
    expect((await firm(ids.Doors!)).name).toBe(`${OWN}x Doors`);
    expect((await back(csv)).body).toEqual(looked);
    const doors = await firm(ids.Doors!);
    expect(doors).toMatchObject({ name: `${OWN}x Doorways`, otherNames: [`${OWN}x Doors`], presentTotal: 1, notes: [{ text: 'Moves in March' }] }); // prettier-ignore
    expect((await firm(ids.Locks!)).notes).toMatchObject([{ text: 'Rings back' }]);
    // Once more: nothing is renamed or noted twice.
    expect((await back(csv)).body).toMatchObject({ changed: 0 });
    expect((await firm(ids.Doors!)).notes).toHaveLength(1);
    expect((await rep.person(filed.at(-4)!)).fields.company).toBe(`${OWN}x Doorways`);
  });

  it('are said to have become others, and are not those of another team', async () => {
    for (const one of ['North', 'South']) await file(one, `${OWN}y ${one}`);
    const { head, of } = await table(`${OWN}y`);
    const [north, south] = [await idOf(`${OWN}y North`), await idOf(`${OWN}y South`)];
    await manager.send('POST', `/companies/${north}/merge`, { otherIds: [south] });
    const csv = written(head, [changed(head, of(`${OWN}y South`), { Company: 'Else', 'A further note': 'Lost?' })]);
    expect((await back(csv)).body).toMatchObject({ changed: 0, faults: [{ fault: `This firm has become “${OWN}y North”.` }] }); // prettier-ignore
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    const own = written(head, [changed(head, of(`${OWN}y North`), { Company: 'Mine now', 'A further note': 'Mine' })]);
    expect((await back(own, false, stranger)).body).toMatchObject({ changed: 0, faults: [{ fault: 'This firm is not here any more.' }] }); // prettier-ignore
    expect(await firm(north)).toMatchObject({ name: `${OWN}y North`, notes: [] });
  });

  it('are refused where it is no table of them, and to whoever may not', async () => {
    for (const wrong of ['', 'Opportunity,Firm\r\nA,B', '\u0000\u0001\u0002'])
      expect([wrong, (await back(wrong)).status]).toEqual([wrong, 422]);
    const assistant = await Client.signedIn('pim@keldermoss.example');
    expect((await back('Company\r\nA', false, assistant)).status).toBe(403);
    expect((await assistant.get('/companies/export?format=csv')).status).toBe(403);
  });
});
