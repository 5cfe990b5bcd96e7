import { randomUUID } from 'node:crypto';
import { mkdtempSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { DeviceMade, Devices } from '@dossier/contract';
import { Client } from '../tests/client';
import { ended } from '../tests/services';

jest.setTimeout(300_000);

/** Address books as other programs keep them in step: vdirsyncer both ways, and khard that lists what it fetched. */
const folder = mkdtempSync(join(tmpdir(), 'dossier-books-'));
const OWN = `Vdir${randomUUID().slice(0, 6)}`;
const book = join(folder, 'local/mine');
let rep: Client;

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  const { password } = (await rep.send<DeviceMade>('POST', '/devices', { name: 'A desk' })).body;
  const { user } = (await rep.get<Devices>('/devices')).body;
  const url = process.env.DOSSIER_TEST_ADDRESS!.replace('/api/v1', '/dav/');
  mkdirSync(join(folder, 'local'));
  const config = `
[general]
status_path = "${folder}/status/"
[pair books]
a = "here"
b = "dossier"
collections = ["mine"]
conflict_resolution = "b wins"
[storage here]
type = "filesystem"
path = "${folder}/local/"
fileext = ".vcf"
[storage dossier]
type = "carddav"
url = "${url}"
username = "${user}"
password = "${password}"
`;
  writeFileSync(join(folder, 'config'), config);
});
afterAll(async () => {
  for (const { id } of (await rep.get<Devices>('/devices')).body.items) await rep.send('DELETE', `/devices/${id}`);
  rmSync(folder, { recursive: true, force: true });
});

const SPEAKING = { LC_ALL: 'C.UTF-8' };
async function sync(what: 'discover' | 'sync'): Promise<void> {
  const done = await ended('vdirsyncer', ['-c', join(folder, 'config'), what], { input: 'y\ny\ny\n', env: SPEAKING });
  expect([done.status, done.status ? done.stderr : '']).toEqual([0, '']);
}
const files = (): { path: string; text: string }[] => readdirSync(book).map((name) => ({ path: join(book, name), text: readFileSync(join(book, name), 'utf8') })); // prettier-ignore
const fileOf = (name: string) => files().find(({ text }) => text.includes(name))!;
const change = (name: string, from: string, to: string): void => {
  const { path, text } = fileOf(name);
  expect(text).toContain(from);
  writeFileSync(path, text.replace(from, to));
};
async function edit(id: string, title: string): Promise<void> {
  const { version, fields, tags, kind, rating } = await rep.person(id);
  await rep.send('PUT', `/people/${id}`, { version, fields: { ...fields, title }, tags, kind, rating });
}

it('is kept in step both ways, with what both have changed, what is new and what is gone', async () => {
  const [tove, nella, both] = [
    await rep.filed({ givenName: 'Tove', familyName: `${OWN}one`, title: 'Buyer', company: 'Harrow Quay' }),
    await rep.filed({ givenName: 'Nella', familyName: `${OWN}two`, title: 'Buyer' }),
    await rep.filed({ givenName: 'Ida', familyName: `${OWN}both`, title: 'Buyer' }),
  ];
  await sync('discover');
  await sync('sync');
  expect(files().filter(({ text }) => text.includes(OWN))).toHaveLength(3);

  change(`${OWN}one`, 'TITLE:Buyer', 'TITLE:Head of buying\r\nNICKNAME:Tov');
  await edit(nella, 'Owner');
  change(`${OWN}both`, 'TITLE:Buyer', 'TITLE:Said on the device');
  await edit(both, 'Said here');
  const uid = randomUUID();
  writeFileSync(join(book, `${uid}.vcf`), ['BEGIN:VCARD', 'VERSION:3.0', `UID:${uid}`, `N:${OWN}new;Uma;;;`, 'FN:Uma', 'END:VCARD', ''].join('\r\n')); // prettier-ignore
  await sync('sync');
  expect((await rep.person(tove)).fields.title).toBe('Head of buying');
  expect((await rep.person(tove)).history[0]).toMatchObject({ action: 'edited', actor: 'Ottilie Brandt' });
  expect(fileOf(`${OWN}two`).text).toContain('TITLE:Owner');
  expect((await rep.person(both)).fields.title).toBe('Said here');
  expect(fileOf(`${OWN}both`).text).toContain('TITLE:Said here');
  const found = (await rep.get<{ items: { fullName: string }[] }>(`/people?q=${OWN}new`)).body.items;
  expect(found.map(({ fullName }) => fullName)).toContain(`Uma ${OWN}new`);

  // Once more: nothing is another one, and what only the device knew is still there.
  await rep.send('DELETE', `/people/${nella}`);
  await sync('sync');
  await sync('sync');
  expect(fileOf(`${OWN}one`).text).toContain('NICKNAME:Tov');
  expect(fileOf(`${OWN}two`)).toBeUndefined();
});

it('is listed by khard', async () => {
  const config = join(folder, 'khard.conf');
  writeFileSync(config, `[addressbooks]\n[[mine]]\npath = ${book}\n[general]\ndefault_action = list\n`);
  const { stdout: listed } = await ended('khard', ['-c', config, 'list', OWN], { env: SPEAKING });
  expect(listed).toContain(`Tove ${OWN}one`);
  expect(listed).toContain(`Uma`);
});
