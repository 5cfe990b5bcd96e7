import { randomUUID } from 'node:crypto';
import type { DeviceMade, Devices } from '@dossier/contract';
import { Client } from './client';

jest.setTimeout(180_000);

let rep: Client;
let manager: Client;
let device: Device;
const origin = () => process.env.DOSSIER_TEST_ADDRESS!.replace('/api/v1', '');
/** A word that only these tests' people have. */
const OWN = `Davey${randomUUID().slice(0, 6)}`;

/** A device as it asks: only what it knows is its password. */
class Device {
  constructor(
    private readonly user: string,
    private readonly password: string,
  ) {}

  async ask(method: string, path: string, body?: string, headers: Record<string, string> = {}) {
    const authorization = `Basic ${Buffer.from(`${this.user}:${this.password}`).toString('base64')}`;
    const response = await fetch(origin() + path, { method, redirect: 'manual', headers: { authorization, ...headers }, body }); // prettier-ignore
    return { status: response.status, text: await response.text(), headers: response.headers };
  }

  propfind(path: string, properties: string, depth = '0') {
    return this.ask('PROPFIND', path, `<D:propfind xmlns:D="DAV:" xmlns:C="urn:ietf:params:xml:ns:carddav"><D:prop>${properties}</D:prop></D:propfind>`, { depth }); // prettier-ignore
  }

  async sync(book: string, token = '') {
    const body = `<D:sync-collection xmlns:D="DAV:"><D:sync-token>${token}</D:sync-token><D:sync-level>1</D:sync-level><D:prop><D:getetag/></D:prop></D:sync-collection>`; // prettier-ignore
    const { status, text } = await this.ask('REPORT', book, body);
    const next = /<D:sync-token>([^<]+)</.exec(text)?.[1] ?? '';
    return { status, token: next, there: pathsIn(text, /getetag/), gone: pathsIn(text, /404 Not Found<\/D:status><\/D:response>/) }; // prettier-ignore
  }
}

const pathsIn = (text: string, which: RegExp): string[] => text.split('<D:response>').slice(1).filter((part) => which.test(part) && (which.source !== 'getetag' || /200 OK/.test(part))).map((part) => /<D:href>([^<]+)</.exec(part)![1]!); // prettier-ignore
const ALL = '/dav/books/all/';
const pathOf = (personId: string, book = ALL): string => `${book}${personId}.vcf`;
const card = (...lines: string[]): string => ['BEGIN:VCARD', 'VERSION:3.0', ...lines, 'END:VCARD', ''].join('\r\n');

async function letIn(client: Client, name = 'A phone'): Promise<Device> {
  const { password } = (await client.send<DeviceMade>('POST', '/devices', { name })).body;
  const { user } = (await client.get<Devices>('/devices')).body;
  return new Device(user, password);
}

beforeAll(async () => {
  rep = await Client.signedIn('ottilie@keldermoss.example');
  manager = await Client.signedIn('maren@keldermoss.example');
  device = await letIn(rep);
});
afterAll(async () => {
  await manager.send('PUT', '/device-settings', { devicesDelete: false });
  for (const { id } of (await rep.get<Devices>('/devices')).body.items) await rep.send('DELETE', `/devices/${id}`);
});

describe('a device', () => {
  it('is let in by its own password, and not once that is taken back', async () => {
    const other = await letIn(rep, 'To be shut out');
    expect((await other.propfind('/dav/', '<D:current-user-principal/>')).status).toBe(207);
    const { items } = (await rep.get<Devices>('/devices')).body;
    const seen = items.find(({ name }) => name === 'To be shut out')!;
    expect(seen.usedAt).not.toBeNull();
    await rep.send('DELETE', `/devices/${seen.id}`);
    const refused = await other.propfind('/dav/', '<D:current-user-principal/>');
    expect([refused.status, refused.headers.get('www-authenticate')]).toEqual([401, expect.stringContaining('Basic')]);
    // Nor by the password of the account, nor with somebody else's name.
    expect((await new Device('ottilie@keldermoss.example', 'cold-chain').ask('PROPFIND', '/dav/')).status).toBe(401);
    expect((await new Device('idris@keldermoss.example', 'x').ask('PROPFIND', '/dav/')).status).toBe(401);
  });

  it('finds its books from the well-known place on', async () => {
    const known = await device.ask('PROPFIND', '/.well-known/carddav');
    expect([known.status, known.headers.get('location')]).toEqual([301, '/dav/']);
    const root = await device.propfind('/dav/', '<D:current-user-principal/>');
    expect(root.text).toContain('<D:href>/dav/people/me/</D:href>');
    const home = await device.propfind('/dav/people/me/', '<C:addressbook-home-set/>');
    expect(home.text).toContain('<D:href>/dav/books/</D:href>');
    const view = (await rep.send<{ id: string }>('POST', '/people-views', { name: `${OWN} <leads>`, query: `q=${OWN}&kind=lead`, forTeam: false })).body.id; // prettier-ignore
    const books = await device.propfind('/dav/books/', '<D:displayname/><D:resourcetype/><D:nothing/>', '1');
    expect(books.text).toContain('<D:displayname>All</D:displayname>');
    expect(books.text).toContain('<D:displayname>Mine</D:displayname>');
    expect(books.text).toContain(`<D:displayname>${OWN} &#60;leads&#62;</D:displayname>`);
    expect(books.text).toContain('404 Not Found');
    const lead = await rep.filed({ familyName: `${OWN}lead` }, { kind: 'lead' });
    const contact = await rep.filed({ familyName: `${OWN}contact` });
    const { there } = await device.sync(`/dav/books/view-${view}/`);
    expect(there).toEqual([pathOf(lead, `/dav/books/view-${view}/`)]);
    expect(there).not.toContain(pathOf(contact, `/dav/books/view-${view}/`));
    await rep.send('DELETE', `/people-views/${view}`);
    expect((await device.sync(`/dav/books/view-${view}/`)).status).toBe(404);
  });

  it('is told once of what changed, of what is new and of what is gone', async () => {
    const one = await rep.filed({ familyName: `${OWN}first`, title: 'Buyer' });
    const first = await device.sync(ALL);
    expect(first.there).toContain(pathOf(one));
    expect(await device.sync(ALL, first.token)).toMatchObject({ token: first.token, there: [], gone: [] });
    const two = await rep.filed({ familyName: `${OWN}second` });
    const { version, fields, tags, kind, rating } = await rep.person(one);
    await rep.send('PUT', `/people/${one}`, { version, fields: { ...fields, title: 'Owner' }, tags, kind, rating });
    const second = await device.sync(ALL, first.token);
    expect(second.there.sort()).toEqual([pathOf(one), pathOf(two)].sort());
    await rep.send('DELETE', `/people/${two}`);
    const third = await device.sync(ALL, second.token);
    expect(third).toMatchObject({ there: [], gone: [pathOf(two)] });
    expect((await device.sync(ALL, 'urn:dossier:book:of-another:1')).status).toBe(403);
  });

  it('never misses what several write at once', async () => {
    let { token } = await device.sync(ALL);
    const told = new Set<string>();
    const made: string[] = [];
    const writers = Array.from({ length: 4 }, async (_, writer) => {
      for (let i = 0; i < 6; i++) made.push(await rep.filed({ familyName: `${OWN}w${writer}x${i}` }));
    });
    let isDone = false;
    const writing = Promise.all(writers).finally(() => (isDone = true));
    for (let isLast = false; !isLast;) {
      isLast = isDone;
      const next = await device.sync(ALL, token);
      for (const path of next.there) told.add(path);
      token = next.token;
    }
    await writing;
    expect(made.filter((id) => !told.has(pathOf(id)))).toEqual([]);
  });
});

describe('a card', () => {
  it('that is changed on a device is changed here, with its history, and only as it was seen', async () => {
    const id = await rep.filed({ givenName: 'Tove', familyName: `${OWN}edit`, title: 'Buyer', more: [{ label: 'Seals', value: 'four' }] }, { tags: ['dairy'], rating: null }); // prettier-ignore
    await device.sync(ALL);
    const { text, headers } = await device.ask('GET', pathOf(id));
    const etag = headers.get('etag')!;
    const edited = text.replace('TITLE:Buyer', 'TITLE:Head of buying').replace('END:VCARD', 'BDAY:1980-02-03\r\nEND:VCARD');
    expect((await device.ask('PUT', pathOf(id), edited, { 'if-match': '"older"' })).status).toBe(412);
    expect((await device.ask('PUT', pathOf(id), edited, { 'if-match': etag })).status).toBe(204);
    expect((await device.ask('PUT', pathOf(id), edited, { 'if-match': etag })).status).toBe(412);
    const person = await rep.person(id);
    expect(person).toMatchObject({ tags: ['dairy'], fields: { title: 'Head of buying', more: [{ label: 'Seals' }] } });
    expect(person.history[0]).toMatchObject({ action: 'edited', actor: 'Ottilie Brandt', changes: [{ field: 'title', before: 'Buyer', after: 'Head of buying' }] }); // prettier-ignore
    expect((await device.ask('GET', pathOf(id))).text).toContain('BDAY:1980-02-03\r\n');
  }); // prettier-ignore

  it('that is made on a device is here, under the name that the device gave it', async () => {
    const name = `${randomUUID().toUpperCase()}.vcf`;
    const made = card(`UID:${name}`, `N:${OWN}made;Nella;;;`, 'FN:Nella', 'EMAIL:nella@made.example', 'X-RING:bell');
    expect((await device.ask('PUT', ALL + name, made, { 'if-none-match': '*' })).status).toBe(201);
    expect((await device.ask('PUT', ALL + name, made, { 'if-none-match': '*' })).status).toBe(412);
    expect((await device.ask('PUT', `${ALL}another.vcf`, made)).status).toBe(409);
    const { text } = await device.ask('GET', ALL + name);
    expect(text).toContain(`UID:${name}\r\n`);
    expect(text).toContain('X-RING:bell\r\n');
    const found = (await rep.get<{ items: { id: string; fullName: string }[] }>(`/people?q=${OWN}made`)).body.items;
    expect(found).toMatchObject([{ fullName: `Nella ${OWN}made` }]);
    expect((await device.sync(ALL)).there).toContain(ALL + name);
  });

  it('that is deleted on a device leaves the book, and the record only where the team lets it', async () => {
    const [kept, gone] = [await rep.filed({ familyName: `${OWN}kept` }), await rep.filed({ familyName: `${OWN}gone` })];
    const { token } = await device.sync(ALL);
    expect((await device.ask('DELETE', pathOf(kept))).status).toBe(204);
    expect((await rep.person(kept)).deletedAt).toBeNull();
    expect((await device.sync(ALL, token)).gone).toEqual([pathOf(kept)]);
    expect((await device.ask('GET', pathOf(kept))).status).toBe(404);
    expect((await device.sync('/dav/books/mine/')).there).toContain(pathOf(kept, '/dav/books/mine/'));
    await manager.send('PUT', '/device-settings', { devicesDelete: true });
    expect((await device.ask('DELETE', pathOf(gone))).status).toBe(204);
    expect((await rep.person(gone)).deletedAt).not.toBeNull();
  });

  it('is found by a filter, and fetched by its name', async () => {
    const id = await rep.filed({ givenName: 'Zuzanna', familyName: `${OWN}find`, emails: ['zuza@find.example'] });
    const query = `<C:addressbook-query xmlns:D="DAV:" xmlns:C="urn:ietf:params:xml:ns:carddav"><D:prop><D:getetag/><C:address-data/></D:prop><C:filter><C:prop-filter name="EMAIL"><C:text-match match-type="equals">ZUZA@find.example</C:text-match></C:prop-filter></C:filter></C:addressbook-query>`;
    const found = await device.ask('REPORT', ALL, query);
    expect(pathsIn(found.text, /getetag/)).toEqual([pathOf(id)]);
    expect(found.text).toContain('EMAIL;TYPE=internet,work:zuza@find.example');
    const multiget = `<C:addressbook-multiget xmlns:D="DAV:" xmlns:C="urn:ietf:params:xml:ns:carddav"><D:prop><C:address-data/></D:prop><D:href>${pathOf(id)}</D:href><D:href>${pathOf(randomUUID())}</D:href></C:addressbook-multiget>`; // prettier-ignore
    const both = await device.ask('REPORT', ALL, multiget);
    expect(both.text.match(/<D:response>/g)).toHaveLength(2);
    expect(both.text).toContain('404 Not Found');
  });

  it('of another team is nowhere, and nothing hostile is believed', async () => {
    const id = await rep.filed({ familyName: `${OWN}ours` });
    await device.sync(ALL);
    const stranger = await letIn(await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate'));
    await stranger.sync(ALL);
    expect((await stranger.ask('GET', pathOf(id))).status).toBe(404);
    expect((await stranger.ask('DELETE', pathOf(id))).status).toBe(404);
    const bomb = '<!DOCTYPE a [<!ENTITY b "c"><!ENTITY d "&b;&b;">]><D:propfind xmlns:D="DAV:"><D:prop>&d;</D:prop></D:propfind>';
    expect((await device.ask('PROPFIND', ALL, bomb, { depth: '0' })).status).toBe(400);
    expect((await device.ask('PROPFIND', ALL, undefined, { depth: 'infinity' })).status).toBe(403);
    expect((await device.ask('PUT', `${ALL}no.vcf`, 'Not a card')).status).toBe(403);
    expect((await device.ask('PUT', `${ALL}large.vcf`, card(`N:${OWN};L;;;`, `PHOTO:${'x'.repeat(1_100_000)}`))).status).toBe(403);
    expect((await device.ask('MOVE', pathOf(id))).status).toBe(405);
    expect((await device.ask('GET', `${ALL}%E0%A4%A`)).status).toBe(404);
    const helper = await letIn(await Client.signedIn('pim@keldermoss.example'));
    await helper.sync(ALL);
    expect((await helper.ask('GET', pathOf(id))).status).toBe(200);
  }); // prettier-ignore
});
