import { randomUUID } from 'node:crypto';
import { request as httpRequest } from 'node:http';
import type { ShareMade } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { createDataSource } from '../src/dataSource';
import { eraseLongDeleted, KEPT_DAYS } from '../src/features/people/deletedPeople';
import { housekeepingTask } from '../src/housekeeping';
import { createLogger } from '../src/platform/logger';
import { Client, demoPhoto, personFields } from './client';
import { databaseOf, freePort, isUp, startRole, until, type Service } from './services';

jest.setTimeout(120_000);

/** An API of its own, and what it writes down. */
async function ownApi(more: NodeJS.ProcessEnv = {}) {
  const port = await freePort();
  const env = { ...databaseOf('api'), DOSSIER_PORT: String(port), DOSSIER_LOG: 'info', ...more };
  const service = startRole('api', env, 'pipe');
  const lines: string[] = [];
  service.process.stdout!.setEncoding('utf8').on('data', (text: string) => void lines.push(text));
  const address = `http://127.0.0.1:${port}/api/v1`;
  await until(() => isUp(address));
  return { service, port, address, log: () => lines.join('') };
}

describe('a service that is told to end', () => {
  it('takes an upload that is under way to its end, and nothing new', async () => {
    const { service, port, address } = await ownApi();
    const rep = await Client.signedIn('ottilie@keldermoss.example', 'cold-chain', address);
    const bytes = demoPhoto('skerry');
    const path = `/api/v1/photos/${randomUUID()}?takenAt=2026-11-20T10:00:00.000Z`;
    const headers = { cookie: rep.cookie, 'content-length': bytes.length, expect: '100-continue' };
    const upload = httpRequest({ port, host: '127.0.0.1', method: 'PUT', path, headers });
    const answered = new Promise<number>((resolve, reject) => {
      upload.on('response', (response) => {
        response.resume();
        resolve(response.statusCode!);
      });
      upload.on('error', reject);
    });
    upload.flushHeaders();
    // The service has the request once it asks for the rest of it.
    await new Promise((resolve) => upload.once('continue', resolve));
    upload.write(bytes.subarray(0, 1_000));
    const exit = new Promise((resolve) => service.process.once('exit', resolve));
    service.process.kill('SIGTERM');
    await until(() => isUp(address).then(() => false, () => true)); // prettier-ignore
    upload.end(bytes.subarray(1_000));
    expect(await answered).toBe(201);
    expect(await exit).toBe(0);
  });
});

describe('a service behind a proxy', () => {
  let api: Awaited<ReturnType<typeof ownApi>>;
  beforeAll(async () => {
    api = await ownApi({ DOSSIER_TRUSTED_PROXIES: '127.0.0.1', DOSSIER_SIGN_IN_LIMIT: '3' });
  });
  afterAll(() => (api.service as Service | undefined)?.stop());
  const asked = async (headers: Record<string, string>) => (await fetch(`${api.address}/health`, { headers })).headers;

  it('has browsers come over https once they did, and asks for few of a device’s abilities', async () => {
    expect((await asked({})).get('strict-transport-security')).toBeNull();
    const secure = await asked({ 'x-forwarded-proto': 'https' });
    expect(secure.get('strict-transport-security')).toMatch(/max-age=\d{8}/);
    expect(secure.get('permissions-policy')).toMatch(/camera=\(self\)/);
    expect(secure.get('permissions-policy')).toMatch(/geolocation=\(self\), payment=\(\)/);
  });

  it('counts attempts to sign in by account and address together', async () => {
    const attempt = async (email: string, from: string, password = 'guess') =>
      (await new Client(api.address).send('POST', '/session', { email, password }, { 'x-forwarded-for': from })).status;
    for (let i = 0; i < 3; i++) expect(await attempt('ottilie@keldermoss.example', '203.0.113.7')).toBe(401);
    expect(await attempt('ottilie@keldermoss.example', '203.0.113.7', 'cold-chain')).toBe(429);
    // Neither a colleague in the same office nor the same person elsewhere is kept out.
    expect(await attempt('idris@keldermoss.example', '203.0.113.7', 'cold-chain')).toBe(201);
    expect(await attempt('ottilie@keldermoss.example', '198.51.100.9', 'cold-chain')).toBe(201);
  });

  it('writes down that somebody was not let in, and not what was typed', async () => {
    const typed = `secret-${randomUUID()}@quay.example`;
    await new Client(api.address).send('POST', '/session', { email: typed, password: typed });
    await until(() => Promise.resolve(/was not signed in/.test(api.log())));
    expect(api.log()).not.toContain(typed);
  });
});

describe('what only a date keeps', () => {
  let database: DataSource;
  let owner: DataSource;
  let rep: Client;
  beforeAll(async () => {
    const { DOSSIER_DATABASE_URL, DOSSIER_OWNER_URL } = databaseOf('api');
    database = await createDataSource(DOSSIER_DATABASE_URL!, 2).initialize();
    owner = await createDataSource(DOSSIER_OWNER_URL!, 2).initialize();
    rep = await Client.signedIn('ottilie@keldermoss.example');
  });
  afterAll(() => Promise.all([database.destroy(), owner.destroy()]));
  const daysAgo = (id: string, days: number) =>
    owner.query(`update person set deleted_at = now() - make_interval(days => $2) where id = $1`, [id, days]);

  it('goes when its day has come: sessions, old signs of life, people deleted and links ended a month ago', async () => {
    const gone = await Client.signedIn('idris@keldermoss.example');
    const accountId = (await gone.get<{ user: { id: string } }>('/session')).body.user.id;
    await owner.query(`update session set expires_at = now() - interval '1 minute' where account_id = $1`, [accountId]);
    await owner.query(
      `insert into worker_heartbeat (name, seen_at, workers) values ('elsewhere:1', now() - interval '9 days', '[]')`,
    );
    const somebody = () => rep.filed(personFields({ familyName: `Gone ${randomUUID()}`, company: 'Gone Quays' }));
    const [long, lately, shown] = [await somebody(), await somebody(), await somebody()];
    for (const id of [long, lately]) await rep.send('DELETE', `/people/${id}`);
    const links = await Promise.all(
      [40, 20].map(async (days) => {
        const { body } = await rep.send<ShareMade>('POST', `/people/${shown}/shares`, { days: 1 });
        await owner.query(`update share set ends_at = now() - make_interval(days => $2) where id = $1`, [
          body.id,
          days,
        ]);
        return body.id;
      }),
    );
    await daysAgo(long, KEPT_DAYS + 1);
    await daysAgo(lately, KEPT_DAYS - 1);
    // Files that were chosen to go along: with nothing in the end, with a template, with what is still being written.
    const files = await Promise.all([9, 9, 6].map(async (days) => {
      const { body } = await rep.send<{ id: string }>('POST', '/attachments?name=doors.pdf', Buffer.from('%PDF-1.7 doors'));
      await owner.query('update attachment set made_at = now() - make_interval(days => $2) where id = $1', [body.id, days]);
      return body.id;
    })); // prettier-ignore
    const template = { name: 'With doors', texts: { en: { subject: ['Doors'], body: ['See the file.'] } }, attachmentIds: [files[1]] }; // prettier-ignore
    const manager = await Client.signedIn('maren@keldermoss.example');
    expect((await manager.send('PUT', `/templates/${randomUUID()}`, template)).status).toBe(200);
    await housekeepingTask(database, createLogger('silent', 'test'))({}, {} as never);
    expect((await gone.get('/session')).status).toBe(401);
    expect(await owner.query(`select from session where expires_at < now()`)).toEqual([]);
    expect(await owner.query(`select from worker_heartbeat where name = 'elsewhere:1'`)).toEqual([]);
    expect(await owner.query('select id from share where id = any($1)', [links])).toEqual([{ id: links[1] }]);
    expect((await rep.get(`/people/${long}`)).status).toBe(404);
    expect((await rep.send('POST', `/people/${lately}/restore`)).status).toBeLessThan(300);
    expect(await eraseLongDeleted(database)).toBe(0);
    const kept = await Promise.all(files.map(async (id) => (await rep.get(`/attachments/${id}`)).status));
    expect(kept).toEqual([404, 200, 200]);
  });

  it('takes a firm along that only that person had, and what matching has counted of them', async () => {
    const manager = await Client.signedIn('maren@keldermoss.example');
    // Only consonants: "ae" is compared as "a".
    const familyName = `Zw${randomUUID()
      .slice(0, 6)
      .replace(/./g, (digit) => 'bcdfghklmnpqrstv'[parseInt(digit, 16)]!)}`;
    const company = `Lone ${familyName} Works`;
    // A name is counted from three people on.
    const others = ['Ulf', 'Kaja'].map((givenName) => rep.filed(personFields({ familyName, givenName })));
    await Promise.all(others);
    const id = await rep.filed(personFields({ familyName, givenName: 'Ilse', company }));
    const isCounted = async () =>
      (await owner.query<unknown[]>(`select from match_model where frequencies::text ilike $1`, [`%${familyName}%`])).length > 0; // prettier-ignore
    // A search that was under way already has not seen them.
    await until(async () => {
      await rep.send('POST', '/sweeps');
      return isCounted();
    });
    expect((await manager.send('POST', `/people/${id}/erase`)).status).toBe(204);
    expect(await isCounted()).toBe(false);
    expect(await owner.query('select from company where name = $1', [company])).toEqual([]);
  });
});
