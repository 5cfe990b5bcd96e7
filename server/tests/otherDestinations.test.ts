import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { Deliveries, Delivery, DestinationFields, Elsewhere } from '@dossier/contract';
import { addressBook } from '@dossier/simulators/address-book';
import { Client, demoPhoto } from './client';
import { HAND_OVER_FOLDER, until } from './services';

jest.setTimeout(180_000);

let manager: Client;
let rep: Client;
const made: string[] = [];
beforeAll(async () => {
  manager = await Client.signedIn('maren@keldermoss.example');
  rep = await Client.signedIn('ottilie@keldermoss.example');
});
afterAll(async () => {
  for (const id of made) await manager.send('DELETE', `/destinations/${id}`);
});
async function destination(to: DestinationFields['to'], secret?: string): Promise<string> {
  const fields = { name: 'Elsewhere', to, secret, perMinute: 6000 };
  const { status, body } = await manager.send<{ id: string }>('POST', '/destinations', fields);
  expect(status).toBe(201);
  made.push(body.id);
  return body.id;
}
async function handedOver(id: string, personId: string, state: Delivery['state'] = 'delivered'): Promise<Delivery[]> {
  await rep.send('POST', `/destinations/${id}/people`, { ids: [personId] });
  return until(async () => {
    const { items } = (await rep.get<Deliveries>(`/deliveries?person=${personId}&destination=${id}`)).body;
    return items.length > 0 && items.every((one) => one.state === state) ? items : undefined;
  });
}
const edit = async (id: string, change: object) => {
  const { version, fields, kind, tags, rating } = await rep.person(id);
  expect((await rep.send('PUT', `/people/${id}`, { version, kind, tags, rating, fields: { ...fields, ...change } })).status).toBe(204); // prettier-ignore
};
const somebody = (mail = `${randomUUID()}@quay.example`) =>
  rep.filed({ givenName: 'Inga', familyName: 'Quayle', title: 'Pilot', company: 'Quayle Pilots', emails: [mail] });

describe('a folder', () => {
  it.each([
    ['vcard', 'vcf', 'TITLE:Head pilot'],
    ['csv', 'csv', 'Head pilot'],
  ] as const)('gets a file for each person as %s, written anew when they change', async (format, ending, words) => {
    const folder = `Out ${randomUUID().slice(0, 6)}`;
    const id = await destination({ kind: 'folder', folder, format });
    const personId = await somebody();
    await handedOver(id, personId);
    const [workspace] = readdirSync(HAND_OVER_FOLDER).filter((name) =>
      existsSync(join(HAND_OVER_FOLDER, name, folder)),
    );
    const own = join(HAND_OVER_FOLDER, workspace!, folder);
    expect(readdirSync(own)).toEqual([`${personId}.${ending}`]);
    await edit(personId, { title: 'Head pilot' });
    await until(async () => readFileSync(join(own, `${personId}.${ending}`), 'utf8').includes(words));
    expect(readdirSync(own)).toEqual([`${personId}.${ending}`]);
  });
});

describe('an address book', () => {
  const SECRET = 'harbour light';
  let server: Server;
  let base: string;
  beforeAll(async () => {
    server = createServer(addressBook({ user: 'pilot', password: SECRET }));
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(async () => {
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  });
  const authorization = `Basic ${Buffer.from(`pilot:${SECRET}`).toString('base64')}`;
  const card = async (name: string): Promise<string> => {
    const answer = await fetch(`${base}/dav/books/own/${name}`, { headers: { authorization } });
    return answer.ok ? answer.text() : '';
  };
  const put = (name: string, body: string) =>
    fetch(`${base}/dav/books/own/${name}`, { method: 'PUT', headers: { authorization, 'content-type': 'text/vcard' }, body }); // prettier-ignore
  const book = (at = base): DestinationFields['to'] => ({ kind: 'addressBook', base: at, user: 'pilot' });

  it('is found by its server, and gets a card with its picture that changes with the person', async () => {
    const id = await destination(book(), SECRET);
    const [photographed] = await rep.photograph(Buffer.concat([demoPhoto('skerry'), Buffer.from(randomUUID())]));
    const { body } = await rep.file({ cardId: photographed!.id, fields: { ...(await emptyOf()), familyName: 'Skerritt', title: 'Buyer', emails: [`${randomUUID()}@quay.example`] } }); // prettier-ignore
    const { personId } = body;
    await handedOver(id, personId);
    expect(await card(`${personId}.vcf`)).toMatch(/TITLE:Buyer\r\n[\s\S]*PHOTO/);
    await edit(personId, { title: 'Head of buying' });
    await until(async () => (await card(`${personId}.vcf`)).includes('TITLE:Head of buying'));
    expect((await card(`${personId}.vcf`)).match(/TITLE:/g)).toHaveLength(1);
  });

  it('that knows somebody keeps what only it knows, and tells what was another one there', async () => {
    const id = await destination(book(), SECRET);
    const mail = `${randomUUID()}@quay.example`;
    await put('theirs.vcf', `BEGIN:VCARD\r\nVERSION:3.0\r\nUID:theirs\r\nFN:Inga Quayle\r\nN:Quayle;Inga;;;\r\nTITLE:Rower\r\nEMAIL:${mail}\r\nBDAY:1980-01-02\r\nEND:VCARD\r\n`); // prettier-ignore
    const personId = await somebody(mail);
    await handedOver(id, personId);
    const there = await card('theirs.vcf');
    for (const line of ['TITLE:Pilot', 'BDAY:1980-01-02', 'UID:theirs']) expect(there).toContain(line);
    expect(await card(`${personId}.vcf`)).toBe('');
    const elsewhere = async () => (await rep.get<Elsewhere>(`/people/${personId}/elsewhere`)).body.items[0]!.theirs;
    expect(await elsewhere()).toEqual([{ to: 'TITLE', there: 'Rower', here: 'Pilot', field: 'title' }]);
    expect((await rep.send('PUT', `/people/${personId}/elsewhere/${id}`, { to: 'TITLE', take: true })).status).toBe(204); // prettier-ignore
    expect((await rep.person(personId)).fields.title).toBe('Rower');
    await until(async () => (await card('theirs.vcf')).includes('TITLE:Rower'));
  });

  it('that does not let us in, or is none, says so', async () => {
    const personId = await somebody();
    const locked = await destination(book(), 'another light');
    const [waiting] = await handedOver(locked, personId, 'waiting');
    await until(async () => (await manager.get<{ paused: boolean }>(`/destinations/${locked}`)).body.paused);
    expect(waiting!.state).toBe('waiting');
    const plain = createServer((_request, response) => response.writeHead(404).end());
    await new Promise<void>((resolve) => plain.listen(0, '127.0.0.1', resolve));
    const none = await destination(book(`http://127.0.0.1:${(plain.address() as AddressInfo).port}`), SECRET);
    const [held] = await handedOver(none, await somebody(), 'held');
    expect(held!.problem).toMatch(/No address book is found there/);
    expect(held!.request).not.toContain(SECRET);
    plain.close();
  });
});

async function emptyOf() {
  const { emptyPersonFields } = await import('@dossier/core/people');
  return emptyPersonFields();
}
