/**
 * A workspace of many people against a server, worker and PostgreSQL of its own:
 *
 *     npm run bench:people -- [COUNT] [--no-sweep]
 *
 * Fills it with COUNT (100,000) people of a drawn register, every fifth of them there twice, then measures how soon the
 * candidates for one card are there, people are found and opened, and how long the search for duplicates takes.
 */
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { featuresOf } from '@dossier/core/matching/people';
import { displayName, searchText, sortName } from '@dossier/core/people';
import { drawRegister } from '@dossier/demo/register';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { dataFolder } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { serverEnvironment, setUpDatabase, startServer, startWorker, waitForHealth } from './services.mjs';
import { fieldsOfRow } from './src/registerCsv.ts';

const { values, positionals } = parseArgs({ allowPositionals: true, options: { 'no-sweep': { type: 'boolean' } } });
const count = Number(positionals[0] ?? 100_000);
const ASKED = 400;
const AT_ONCE = 5000;
const tell = (words) => process.stderr.isTTY && process.stderr.write(`\r${words}   `);

const running = [];
try {
  const folder = join(dataFolder, 'bench-postgres');
  const postgres = await startPostgres({ folder, port: await anyFreePort(), setting: 'PORT' });
  running.push(postgres);
  const isFilled = await filledBefore(postgres);
  if (!isFilled) await postgres.dropDatabase('people');
  await postgres.ensureDatabase('people');
  const port = await anyFreePort();
  const env = serverEnvironment({ postgres, database: 'people', port, log: 'error' });
  await setUpDatabase(env);
  const owner = new pg.Client({ connectionString: postgres.url('dossier_owner', 'people') });
  await owner.connect();
  const { rows: register } = drawRegister(count, 0.2, 1);
  const { rows: kept } = await owner.query('select id from person order by id');
  const people = register.map((row, i) => ({ id: kept[i]?.id ?? uuidv7(), fields: fieldsOfRow(row) }));
  if (!isFilled) await fill(owner, people);
  running.push(startServer(env), startWorker(env));
  const address = `http://127.0.0.1:${port}`;
  await waitForHealth(address);
  console.log(JSON.stringify(await measure(owner, address, people), null, 1));
  await owner.end();
} finally {
  for (const service of running.reverse()) await service.stop();
}

/** Whether the workspace of an earlier run is there, as large as asked: filling it takes minutes. */
async function filledBefore(postgres) {
  const owner = new pg.Client({ connectionString: postgres.url('dossier_owner', 'people') });
  const filled = await owner
    .connect()
    .then(() => owner.query('select count(*)::int as people from person where keys_version > 0'))
    .then(({ rows }) => rows[0].people === count)
    .catch(() => false);
  await owner.end().catch(() => undefined);
  return filled;
}

async function fill(owner, people) {
  const { rows } = await owner.query(
    `select w.id as workspace, a.id as account from workspace w join account a on a.workspace_id = w.id where a.email = 'ottilie@keldermoss.example'`,
  );
  const { workspace, account } = rows[0];
  const companies = new Map();
  for (const { fields } of people) if (fields.company) companies.set(fields.company, uuidv7());
  const now = new Date();
  const insert = async (table, all) => {
    for (let i = 0; i < all.length; i += AT_ONCE) {
      tell(`${table} ${i}/${all.length}`);
      const some = all.slice(i, i + AT_ONCE).map((row) => ({ workspace_id: workspace, ...row }));
      const columns = Object.keys(some[0]).join(', ');
      await owner.query(
        `insert into ${table} (${columns}) select ${columns} from jsonb_populate_recordset(null::${table}, $1) on conflict do nothing`,
        [JSON.stringify(some)],
      );
    }
  };
  await insert('company', [...companies].map(([name, id]) => ({ id, name, name_key: name, match_key: name }))); // prettier-ignore
  await insert(
    'person',
    people.map(({ id, fields }) => ({
      id,
      kind: 'contact',
      owner_id: account,
      tags: [],
      prefix: fields.prefix,
      given_name: fields.givenName,
      middle_name: fields.middleName,
      family_name: fields.familyName,
      suffix: fields.suffix,
      full_name: displayName(fields),
      sort_name: sortName(fields),
      street: fields.street,
      postal_code: fields.postalCode,
      locality: fields.locality,
      region: fields.region,
      country: fields.country,
      more: [],
      search_text: searchText(fields),
      version: 1,
      keys_version: 0,
      created_at: now,
      updated_at: now,
    })),
  );
  await insert(
    'employment',
    people.map(({ id, fields }) => ({
      id: uuidv7(),
      person_id: id,
      company_id: companies.get(fields.company) ?? null,
      title: fields.title,
      department: '',
      started_at: now,
    })),
  );
  await insert('contact_point', people.flatMap(contactPointsOf));
  await owner.query('analyze');
}

function contactPointsOf({ id, fields }) {
  const { phones } = featuresOf(fields);
  const row = (kind, value, key, position) => ({ id: uuidv7(), person_id: id, kind, value, key, phone_kind: kind === 'phone' ? 'work' : null, extension: '', position }); // prettier-ignore
  return [
    ...fields.emails.map((value, i) => row('email', value, value.toLowerCase(), i)),
    ...phones.map((key, i) => row('phone', key, key, 10 + i)),
  ];
}

async function measure(owner, address, people) {
  const { headers } = await fetch(`${address}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'ottilie@keldermoss.example', password: 'cold-chain' }),
  });
  const cookie = headers.get('set-cookie').split(';')[0];
  const call = async (method, path, body) => {
    const response = await fetch(`${address}/api/v1${path}`, {
      method,
      headers: { cookie, ...(body && { 'content-type': 'application/json' }) },
      body: body && JSON.stringify(body),
    });
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
    return response.status === 204 ? undefined : response.json();
  };
  const keysBegan = performance.now();
  for (;;) {
    const { rows } = await owner.query('select count(*)::int as missing from person where keys_version = 0');
    tell(`keys to make: ${rows[0].missing}`);
    if (rows[0].missing === 0) break;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  const keysSeconds = (performance.now() - keysBegan) / 1000;
  await owner.query('analyze');

  const step = Math.max(1, Math.floor(people.length / ASKED));
  const asked = people.filter((_, i) => i % step === 0).slice(0, ASKED);
  const strangers = drawRegister(ASKED, 0, 2).rows.map((row) => ({ fields: fieldsOfRow(row) }));
  const timed = async (ask, whom = asked) => {
    for (const person of whom.slice(0, 20)) await ask(person);
    const ms = [];
    for (const person of whom) {
      const began = performance.now();
      await ask(person);
      ms.push(performance.now() - began);
    }
    ms.sort((a, b) => a - b);
    const at = (share) => Math.round(10 * ms[Math.floor(share * (ms.length - 1))]) / 10;
    return { median: at(0.5), p95: at(0.95), p99: at(0.99) };
  };
  // Lists first: the worker's own processes are still starting then, which takes both cores a while.
  const milliseconds = {
    openingAPerson: await timed(({ id }) => call('GET', `/people/${id}`)),
    duplicates: await timed(() => call('GET', '/duplicates'), asked.slice(0, 25)),
    search: await timed(({ fields }) => call('GET', `/people?q=${encodeURIComponent(fields.familyName)}`)),
    candidatesForOneCard: await timed(({ fields }) => call('POST', '/matches', { fields, cardId: null })),
    candidatesForSomebodyNew: await timed(
      ({ fields }) => call('POST', '/matches', { fields, cardId: null }),
      strangers,
    ),
  };
  const sweep = values['no-sweep'] ? undefined : await measureSweep(call);
  return { people: people.length, keysMadeSeconds: Math.round(keysSeconds), milliseconds, sweep };
}

async function measureSweep(call) {
  const sweepBegan = performance.now();
  await call('POST', '/sweeps');
  let sweep;
  do {
    await new Promise((resolve) => setTimeout(resolve, 500));
    ({ sweep } = await call('GET', '/sweeps/latest'));
    tell(`compared ${Math.round(100 * sweep.progress)} %`);
  } while (['waiting', 'running'].includes(sweep.state));
  const seconds = Math.round((performance.now() - sweepBegan) / 1000);
  const { total, certain } = await call('GET', '/duplicates');
  return { state: sweep.state, seconds, groups: total, certain };
}
