import { randomUUID } from 'node:crypto';
import { Problem, type ApiTokens, type CompaniesPage, type PeoplePage, type TokenMade } from '@dossier/contract';
import { API_ROUTES, isBytes } from '@dossier/contract/api';
import { SCOPES, type Scope } from '@dossier/core/account';
import { Client } from './client';
import { Sql } from './sql';

jest.setTimeout(180_000);

const NOBODY = '01900000-0000-7000-8000-0000000000ff';
let manager: Client;
let rep: Client;
beforeAll(async () => {
  manager = await Client.signedIn('maren@keldermoss.example');
  rep = await Client.signedIn('ottilie@keldermoss.example');
});

const made: string[] = [];
afterAll(async () => {
  await manager.send('PUT', '/allowed-origins', { origins: [] });
  for (const id of made) await manager.send('DELETE', `/tokens/${id}`);
});

async function tokenWith(scopes: readonly Scope[], more: object = {}): Promise<TokenMade> {
  const { status, body } = await manager.send<TokenMade>('POST', '/tokens', { name: 'A gate', scopes, ...more });
  expect(status).toBe(201);
  made.push(body.id);
  return body;
}
const program = new Client();
const ask = (token: string, method: string, path: string, body?: object, headers: Record<string, string> = {}) =>
  program.send<Problem>(method, path, body, { authorization: `Bearer ${token}`, ...headers });

describe('a token', () => {
  it('lets a program in, is told once, and lets nobody in once it is revoked', async () => {
    const { id, token } = await tokenWith(['people:read'], { name: 'Door scanner' });
    expect((await ask(token, 'GET', '/people?limit=1')).status).toBe(200);
    const { body } = await manager.get<ApiTokens>('/tokens');
    const listed = body.items.find((item) => item.id === id)!;
    expect(listed).toMatchObject({ name: 'Door scanner', scopes: ['people:read'], perMinute: 600, endsAt: null });
    expect(listed.lastUsedAt).not.toBeNull();
    expect(JSON.stringify(body)).not.toContain(token);
    expect((await manager.send('DELETE', `/tokens/${id}`)).status).toBe(204);
    const refused = await ask(token, 'GET', '/people?limit=1');
    expect([refused.status, refused.body.code, refused.headers.get('www-authenticate')]).toEqual([401, 'unknown-token', 'Bearer error="invalid_token"']); // prettier-ignore
  });

  it('ends by itself', async () => {
    expect((await manager.send('POST', '/tokens', { name: 'Late', scopes: ['export'], endsAt: '2020-01-01T00:00:00Z' })).status).toBe(400); // prettier-ignore
    const { id, token } = await tokenWith(['people:read'], { endsAt: '2999-01-01T00:00:00+01:00' });
    expect((await ask(token, 'GET', '/tags')).status).toBe(200);
    const owner = Sql.ofOwner();
    await owner.query(`update api_token set ends_at = now() where id = $1`, [id]);
    await owner.destroy();
    expect((await ask(token, 'GET', '/tags')).status).toBe(401);
  });

  it('that is none is refused, also beside a cookie that is good', async () => {
    for (const token of ['', 'x', `dossier_${'A'.repeat(43)}`, 'dossier_\u00e9', `dossier_${randomUUID()}`]) {
      const { status } = await rep.send('GET', '/people?limit=1', undefined, { authorization: `Bearer ${token}` });
      expect([token, status]).toEqual([token, token ? 401 : 200]);
    }
  });

  it('may never do more than whoever made it', async () => {
    expect((await rep.send('POST', '/tokens', { name: 'Mine', scopes: ['people:read'] })).status).toBe(403);
    const { token } = await tokenWith(SCOPES);
    expect((await ask(token, 'GET', '/backups')).body.code).toBe('not-for-your-role');
    const more = await ask(token, 'POST', '/tokens', { name: 'More', scopes: SCOPES });
    expect([more.status, more.body.code]).toEqual([403, 'not-in-scope']);
    const password = await ask(token, 'PUT', '/session/password', {
      current: 'cold-chain',
      next: 'another one that is long',
    });
    expect([password.status, password.body.code]).toEqual([403, 'not-in-scope']);
  });

  it.each(['of every scope', 'of no other scope'])('%s is let in by its scope, on every route', async (which) => {
    const all = await tokenWith(SCOPES, { perMinute: 6000 });
    const lacking = new Map<Scope, TokenMade>();
    for (const scope of SCOPES) lacking.set(scope, await tokenWith(SCOPES.filter((one) => one !== scope), { perMinute: 6000 })); // prettier-ignore
    for (const [name, { scope }] of Object.entries(API_ROUTES)) {
      const [method, path] = name.split(' ') as [string, string];
      // What ends or begins something for the whole workspace.
      if (/sweeps|duplicates\/merge|past/.test(path) && which === 'of every scope') continue;
      const { token } = which === 'of every scope' || !scope ? all : lacking.get(scope)!;
      const address = path.replace(/:[a-z]+/gi, NOBODY);
      const { body } = await ask(token, method, address, method === 'GET' || method === 'DELETE' ? undefined : { nothing: true }); // prettier-ignore
      const isRefused = body?.code === 'not-in-scope';
      expect([name, isRefused]).toEqual([name, scope === null || which !== 'of every scope']);
    }
  });

  it('has so many requests a minute', async () => {
    const { token } = await tokenWith(['people:read'], { perMinute: 2 });
    const answers = [];
    for (let i = 0; i < 3; i++) answers.push(await ask(token, 'GET', '/tags'));
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 429]);
    expect(answers[2]!.body.code).toBe('too-many-requests');
    expect(Number(answers[2]!.headers.get('retry-after'))).toBeGreaterThan(0);
    expect((await ask((await tokenWith(['people:read'])).token, 'GET', '/tags')).status).toBe(200);
  });
});

describe('a page of somebody else', () => {
  const origin = 'https://intranet.keldermoss.example';
  const beforehand = (from: string) =>
    program.send('OPTIONS', '/people', undefined, { origin: from, 'access-control-request-method': 'GET' });

  it('may ask with a token where an administrator lets it, and never with a cookie', async () => {
    const { token } = await tokenWith(['people:read', 'people:write']);
    const closed = await ask(token, 'GET', '/people?limit=1', undefined, { origin });
    expect([closed.status, closed.body.code]).toEqual([403, 'other-origin']);
    expect((await beforehand(origin)).headers.get('access-control-allow-origin')).toBeNull();
    expect((await manager.send('PUT', '/allowed-origins', { origins: [`${origin}/page`] })).status).toBe(400);
    expect((await manager.send('PUT', '/allowed-origins', { origins: [origin] })).status).toBe(204);
    const asked = await beforehand(origin);
    expect(asked.headers.get('access-control-allow-origin')).toBe(origin);
    expect(asked.headers.get('access-control-allow-headers')).toContain('Authorization');
    expect(asked.headers.get('access-control-allow-credentials')).toBeNull();
    const open = await ask(token, 'GET', '/people?limit=1', undefined, { origin, 'sec-fetch-site': 'cross-site' });
    expect([open.status, open.headers.get('access-control-allow-origin')]).toEqual([200, origin]);
    const written = await ask(token, 'POST', '/tags/rename', { from: 'no such tag', to: 'another' }, { origin, 'sec-fetch-site': 'cross-site' }); // prettier-ignore
    expect(written.body?.code).not.toBe('other-origin');
    expect((await ask(token, 'GET', '/tags', undefined, { origin: 'https://elsewhere.example' })).status).toBe(403);
    const cookie = await rep.send('POST', '/tags/rename', { from: 'no such tag', to: 'another' }, { origin, 'sec-fetch-site': 'cross-site' }); // prettier-ignore
    expect([cookie.status, cookie.headers.get('access-control-allow-origin')]).toEqual([403, null]);
  });

  it('of another workspace is not let in here', async () => {
    const stranger = await Client.signedIn('juno@tarnmoorpack.example', 'fruit-crate');
    expect((await stranger.send('PUT', '/allowed-origins', { origins: ['https://only.tarnmoorpack.example'] })).status).toBe(204); // prettier-ignore
    const { token } = await tokenWith(['people:read']);
    const { status } = await ask(token, 'GET', '/tags', undefined, { origin: 'https://only.tarnmoorpack.example' });
    expect(status).toBe(403);
    await stranger.send('PUT', '/allowed-origins', { origins: [] });
  });
});

describe('the description of the API', () => {
  const site = () => new URL(process.env.DOSSIER_TEST_ADDRESS!).origin;

  it('is there for everybody, with a page that fetches nothing from elsewhere', async () => {
    const description = (await (await fetch(`${site()}/api/v1/openapi.json`)).json()) as {
      openapi: string;
      paths: object;
    };
    expect(description.openapi).toBe('3.1.0');
    // What is sent as it happens is not packed, which would hold it back.
    const events = await fetch(`${site()}/api/v1/tray/events`, {
      headers: { cookie: rep.cookie, 'accept-encoding': 'gzip' },
    });
    expect([events.headers.get('content-type'), events.headers.get('content-encoding')]).toEqual([
      'text/event-stream; charset=utf-8',
      null,
    ]);
    await events.body!.cancel();
    expect(Object.keys(description.paths)).toContain('/people/{id}');
    const page = await fetch(`${site()}/api/docs`);
    expect(page.status).toBe(200);
    expect(page.headers.get('content-security-policy')).toContain("default-src 'none'");
    const parts = [...(await page.text()).matchAll(/(?:src|href)="([^"]+)"/g)].map(([, path]) => path!);
    expect(parts.length).toBeGreaterThan(2);
    for (const part of parts) expect([part, (await fetch(site() + part)).status]).toEqual([part, 200]);
  });

  it('is what is answered: everything that can be read is as it says', async () => {
    const person = await rep.filed({ familyName: 'Described', company: 'Described Moorings', emails: ['d@described.example'] }); // prettier-ignore
    await rep.typedCard('Otto Described\notto@described.example');
    const card = (await rep.tray()).find(({ kind }) => kind === 'card');
    const firm = (await rep.get<CompaniesPage>('/companies?q=described')).body.items[0]!.id;
    const ids: Record<string, string> = { people: person, companies: firm, cards: card!.id, photos: NOBODY };
    const more: Record<string, string> = { '/suggestions': '?field=title', '/photos': `?ids=${NOBODY}` };
    const { token } = await tokenWith(SCOPES, { perMinute: 6000 });
    const read: string[] = [];
    for (const [name, { answer, scope }] of Object.entries(API_ROUTES)) {
      const [method, path] = name.split(' ') as [string, string];
      if (method !== 'GET' || !scope || !answer || isBytes(answer)) continue;
      const address = path.replace(':id', ids[path.split('/')[1]!] ?? NOBODY) + (more[path] ?? '');
      const { status, body } = await ask(token, 'GET', address);
      const schema = status < 300 ? answer : Problem;
      expect([name, status, schema.safeParse(body).error?.issues]).toEqual([name, status, undefined]);
      if (status < 300) read.push(name);
    }
    expect(read.length).toBeGreaterThan(25);
    expect((await rep.get<PeoplePage>('/people?q=described')).body.total).toBeGreaterThan(0);
  });
});
