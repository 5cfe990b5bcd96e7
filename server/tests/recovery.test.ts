import { createHash, randomUUID } from 'node:crypto';
import type { Import, PeopleChangeState, PeoplePage } from '@dossier/contract';
import { Client as Queue } from 'pg';
import { Client, demoPhoto } from './client';
import { databaseOf, freePort, isUp, startRole, until, type Service } from './services';

jest.setTimeout(300_000);

describe('a worker that is killed in the middle', () => {
  let api: Service;
  const workers: Service[] = [];
  let rep: Client;
  const env = databaseOf('recovery');
  const queue = new Queue(env.DOSSIER_DATABASE_URL);
  const begin = () => {
    const worker = startRole('worker', env);
    workers.push(worker);
    return worker;
  };

  beforeAll(async () => {
    const port = await freePort();
    api = startRole('api', { ...env, DOSSIER_PORT: String(port) });
    const address = `http://127.0.0.1:${port}/api/v1`;
    await until(() => isUp(address));
    rep = await Client.signedIn('ottilie@keldermoss.example', 'cold-chain', address);
    await queue.connect();
  });
  afterAll(async () => {
    await Promise.all([api, ...workers].map((service) => service.stop('SIGKILL')));
    await queue.end();
  });

  it('is followed by another that finishes the job, with each card once', async () => {
    const id = randomUUID();
    await rep.sendPhoto(id, demoPhoto('table'));
    const first = begin();
    await until(async () => (await rep.tray()).find((i) => i.id === id && i.state === 'reading'));
    // While it lives nobody takes its job away, however long that takes.
    await until(async () => {
      const { rowCount } = await queue.query(
        'select from graphile_worker.jobs job join worker_heartbeat beat on beat.workers ? job.locked_by',
      );
      return rowCount || undefined;
    });
    await first.stop('SIGKILL');
    expect(await rep.tray()).toHaveLength(1);
    begin();
    const cards = await rep.itemsOf(id);
    expect(cards.map((card) => card.name)).toEqual(expect.arrayContaining(['Gideon Marsh', 'Desmond Pyke']));
    expect(cards).toHaveLength(4);
    expect(new Set(cards.map((card) => card.id)).size).toBe(4);
  });

  it('each time leaves the photograph to a person in the end', async () => {
    await Promise.all(workers.splice(0).map((worker) => worker.stop('SIGKILL')));
    const id = randomUUID();
    await rep.sendPhoto(id, demoPhoto('skerry'));
    // As after four workers that did not come back.
    await queue.query(`update graphile_worker._private_jobs set attempts = 4 where key = $1`, [`read:${id}`]);
    begin();
    const [item] = await rep.itemsOf(id);
    expect(item).toMatchObject({ kind: 'photo', state: 'unreadable', message: expect.stringMatching(/Take it again/) });
  });

  it('is followed by another that goes on with a change of many where it was, and changes nobody twice', async () => {
    const MANY = 1_500;
    const owner = new Queue(env.DOSSIER_OWNER_URL);
    await owner.connect();
    const model = await rep.filed({ givenName: 'Model', familyName: 'Halfway' }, { tags: ['halfway'] });
    await owner.query(
      `insert into person select (jsonb_populate_record(p, jsonb_build_object('id', gen_random_uuid()))).*
       from person p, generate_series(2, $2) where p.id = $1`,
      [model, MANY],
    );
    const { body: started } = await rep.send<PeopleChangeState>('POST', '/people/changes', {
      who: { list: 'tag=halfway' },
      what: { rating: 'Warm', note: 'Seen halfway.' },
    });
    const state = async () => (await rep.get<PeopleChangeState>(`/people/changes/${started.id}`)).body;
    await until(async () => (await state()).done > 0);
    await Promise.all(workers.splice(0).map((worker) => worker.stop('SIGKILL')));
    const killed = await state();
    expect(killed.state).toBe('running');
    expect(killed.done).toBeLessThan(MANY);
    begin();
    await until(async () => (await state()).state === 'done');
    expect(await state()).toMatchObject({ done: MANY, changed: MANY, leftTotal: 0 });
    const { rows } = await owner.query(
      `select count(*)::int as people, max(p.version) as version, max(n.notes)::int as notes, max(l.entries)::int as entries from person p
         cross join lateral (select count(*) as notes from note where person_id = p.id) n
         cross join lateral (select count(*) as entries from change_log where person_id = p.id and action = 'edited') l
       where p.family_name = 'Halfway' and p.rating = 'Warm'`,
    );
    expect(rows).toEqual([{ people: MANY, version: 2, notes: 1, entries: 1 }]);
    await owner.end();
  });

  it('is followed by another that goes on with a file where it was, and files nobody twice', async () => {
    const MANY = 800;
    // Names that nobody would take for each other.
    const word = (what: string) => [...createHash('sha256').update(what).digest('hex').slice(0, 12)].map((digit) => 'bcdfghjkmnprstvz'[Number.parseInt(digit, 16)]! + 'aeiou'[digit.charCodeAt(0) % 5]!).join(''); // prettier-ignore
    const csv = ['First name,Last name,Title,E-mail', ...Array.from({ length: MANY }, (_, i) => `${word(`first ${i}`)},${word(`last ${i}`)},Midfile,${i}@midfile${i}.example`)]; // prettier-ignore
    const { body: file } = await rep.send<Import>('POST', '/imports?name=many.csv', Buffer.from(csv.join('\n')));
    await rep.send('POST', `/imports/${file.id}/run`);
    const state = async () => (await rep.get<Import>(`/imports/${file.id}`)).body;
    await until(async () => (await state()).done > 0);
    await Promise.all(workers.splice(0).map((worker) => worker.stop('SIGKILL')));
    const killed = await state();
    expect(killed.state).toBe('running');
    expect(killed.done).toBeLessThan(MANY);
    begin();
    const done = await until(async () => {
      const now = await state();
      return now.state === 'done' && now;
    });
    expect(done).toMatchObject({ done: MANY, counts: { created: MANY } });
    const { total } = (await rep.get<PeoplePage>('/people?q=midfile')).body;
    expect(total).toBe(MANY);
  });
});
