/**
 * Leads, business and figures of a large workspace, against a server and PostgreSQL of its own:
 *
 *     npm run bench:figures -- [COUNT]
 *
 * Fills it with COUNT (100,000) people of a drawn register, tells of six in ten what became of them as leads, and adds ten entries of
 * history for each, then measures how soon each list and each figure is there.
 */
import { join } from 'node:path';
import { drawRegister } from '@dossier/demo/register';
import { drawSeason, randomFrom, writeSeason } from '@dossier/demo/season';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { fillPeople } from './fillPeople.mjs';
import { dataFolder } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { waitUntil } from './processes.mjs';
import { serverEnvironment, setUpDatabase, startServer } from './services.mjs';
import { fieldsOfRow } from './src/registerCsv.ts';

const count = Number(process.argv[2] ?? 100_000);
const TIMES = 25;
const LISTED_AT_ONCE = 5_000;
const HISTORY = 10;
const tell = (words) => process.stderr.isTTY && process.stderr.write(`\r${words}   `);

const running = [];
let owner;
try {
  const postgres = await startPostgres({ folder: join(dataFolder, 'bench-postgres'), port: await anyFreePort(), setting: 'PORT' }); // prettier-ignore
  running.push(postgres);
  await postgres.dropDatabase('figures');
  await postgres.ensureDatabase('figures');
  const port = await anyFreePort();
  const env = serverEnvironment({ postgres, database: 'figures', port, log: 'error' });
  await setUpDatabase(env);
  const url = postgres.url('dossier_owner', 'figures');
  owner = new pg.Client({ connectionString: url });
  await owner.connect();
  const people = drawRegister(count, 0, 1).rows.map((row) => ({ id: uuidv7(), fields: fieldsOfRow(row) }));
  const began = performance.now();
  await fillPeople(owner, url, people, tell);
  running.push(startServer(env));
  const address = `http://127.0.0.1:${port}`;
  await waitUntil('The server', () => fetch(`${address}/api/v1/health`).then(() => true, () => false)); // prettier-ignore
  const call = await callerAt(address);
  await tellOfLeads(call);
  const filledSeconds = Math.round((performance.now() - began) / 1000);
  const { rows } = await owner.query(`select (select count(*) from person) as people, (select count(*) from person where kind = 'lead' or qualified_at is not null) as leads,
    (select count(*) from opportunity) as business, (select count(*) from message) as messages, (select count(*) from change_log) as events`); // prettier-ignore
  console.log(JSON.stringify({ filledSeconds, ...rows[0], ms: await measure(call) }, null, 1));
} catch (error) {
  console.error(error);
  process.exitCode = 1;
} finally {
  await owner?.end();
  for (const service of running.reverse()) await service.stop();
}

/** What became of them is written as it was, and listed once. */
async function tellOfLeads(call) {
  const settings = await call('/pipeline-settings');
  const now = new Date();
  const workspace = (await owner.query(`select workspace_id as id from account where email = 'ottilie@keldermoss.example'`)).rows[0].id; // prettier-ignore
  await owner.query(`select set_config('dossier.list_later', 'on', false), set_config('dossier.feed', 'off', false)`);
  await owner.query(`update person set kind = 'lead' where ('x' || right(id::text, 1))::bit(4)::int < 10`);
  // Filed within the last year.
  await owner.query(`update card set taken_at = now() - (random() * interval '360 days') where workspace_id = $1`, [workspace]); // prettier-ignore
  const { rows } = await owner.query(
    `select p.id, p.owner_id, p.full_name, e.company_id, c.name as company, k.occasion_id, coalesce(k.taken_at, now() - random() * interval '360 days') as taken_at,
       (select value from contact_point t where t.person_id = p.id and t.kind = 'email' limit 1) as email
     from person p left join employment e on e.person_id = p.id and e.ended_at is null left join company c on c.id = e.company_id
     left join lateral (select occasion_id, taken_at from card k where k.person_id = p.id limit 1) k on true where p.kind = 'lead'`,
  );
  const random = randomFrom(7);
  const leads = rows.map((row) => ({ id: row.id, ownerId: row.owner_id, companyId: row.company_id, occasionId: row.occasion_id, fullName: row.full_name, company: row.company ?? '', email: row.email ?? 'nobody@quay.example', takenAt: row.taken_at, yield: random.next() })); // prettier-ignore
  tell('season …');
  const season = drawSeason(leads, { random, uuid: uuidv7, now, team: { ...settings, statuses: settings.leadStatuses, senders: {} } }); // prettier-ignore
  await writeSeason((sql, values) => owner.query(sql, values), workspace, season);
  tell('history …');
  await owner.query('alter table change_log disable trigger user');
  await owner.query(
    `insert into change_log (id, workspace_id, person_id, actor_id, action, changes, at)
     select gen_random_uuid(), p.workspace_id, p.id, p.owner_id, 'edited', '[]', p.created_at + random() * (now() - p.created_at) from person p, generate_series(1, $1)`,
    [HISTORY],
  );
  await owner.query('alter table change_log enable trigger user');
  await owner.query(`select set_config('dossier.list_later', 'off', false)`);
  const { rows: all } = await owner.query('select id from person order by id');
  for (let i = 0; i < all.length; i += LISTED_AT_ONCE) {
    tell(`listing ${i}/${all.length}`);
    await owner.query('select list_people_now($1)', [all.slice(i, i + LISTED_AT_ONCE).map(({ id }) => id)]);
  }
  await owner.query('vacuum analyze');
}

async function callerAt(address) {
  const { headers } = await fetch(`${address}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'ottilie@keldermoss.example', password: 'cold-chain' }),
  });
  const cookie = headers.get('set-cookie').split(';')[0];
  return async (path) => {
    const response = await fetch(`${address}/api/v1${path}`, { headers: { cookie } });
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
    return response.json();
  };
}

async function measure(call) {
  const day = (ago) => new Date(Date.now() - ago * 86_400_000).toISOString().slice(0, 10);
  const { id: me } = (await call('/session')).user;
  const { items } = await call('/occasions');
  const range = `from=${day(252)}&to=${day(0)}`;
  const year = `from=${day(364)}&to=${day(0)}`;
  const occasion = items[0].id;
  const stages = (await call('/pipeline-settings')).stages;
  const asked = {
    'leads, longest untouched': '/leads',
    'my leads, next step first': `/leads?owner=${me}&sort=next`,
    'leads of an occasion': `/leads?occasion=${occasion}`,
    'the board': '/board',
    'my board': `/board?owner=${me}`,
    'business by day': '/opportunities',
    'won, most first': '/opportunities?state=won&sort=value',
    'a stage, by words': `/opportunities?stage=${stages[1].id}&q=seals`,
    'an occasion': `/insight/occasions/${occasion}`,
    'how fast, 36 weeks': `/insight/speed?${range}`,
    'how fast, a year': `/insight/speed?${year}`,
    'where leads stay, 36 weeks': `/insight/leads?${range}`,
    'where leads stay, a year': `/insight/leads?${year}`,
    'where my leads stay': `/insight/leads?${year}&owner=${me}`,
    'how well cards are read': `/insight/reading?${year}`,
    'who is owed an answer': `/insight/owed?day=${day(0)}`,
    'what is coming': `/insight/coming?day=${day(0)}`,
    'the list behind a number': `/people?lead=open&lead=closed&lead=qualified&reached=business&reached=won&filedFrom=${day(252)}`,
  };
  const told = {};
  for (const [name, path] of Object.entries(asked)) {
    tell(name);
    for (let i = 0; i < 3; i++) await call(path);
    const ms = [];
    for (let i = 0; i < TIMES; i++) {
      const began = performance.now();
      await call(path);
      ms.push(performance.now() - began);
    }
    ms.sort((a, b) => a - b);
    told[name] = { p50: Math.round(ms[Math.floor(TIMES / 2)]), p95: Math.round(ms[Math.ceil(0.95 * TIMES) - 1]) };
  }
  return told;
}
