/**
 * A workspace of many people against a server, worker and PostgreSQL of its own:
 *
 *     npm run bench:people -- [COUNT] [--lists] [--no-sweep] [--plans] [--change LIST]
 *
 * Fills it with COUNT (100,000) people of a drawn register, every fifth of them there twice, then measures how soon people are found,
 * narrowed, ordered and opened, how soon the candidates for one card are there, and how long the search for duplicates takes.
 * `--change kind=lead` measures a change of everybody in that list and nothing else; `--lists` ends after the lists; `--plans` prints how PostgreSQL goes about the slowest request of each kind.
 */
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { drawRegister } from '@dossier/demo/register';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { fillPeople } from './fillPeople.mjs';
import { measureChange } from './measureChange.mjs';
import { measureLists } from './measureLists.mjs';
import { dataFolder } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { waitUntil } from './processes.mjs';
import { serverEnvironment, setUpDatabase, startServer, startWorker } from './services.mjs';
import { fieldsOfRow } from './src/registerCsv.ts';

const { values, positionals } = parseArgs({ allowPositionals: true, options: { 'no-sweep': { type: 'boolean' }, lists: { type: 'boolean' }, plans: { type: 'boolean' }, change: { type: 'string' } } }); // prettier-ignore
const count = Number(positionals[0] ?? 100_000);
const ASKED = 400;
const tell = (words) => process.stderr.isTTY && process.stderr.write(`\r${words}   `);

const running = [];
let owner;
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
  owner = new pg.Client({ connectionString: postgres.url('dossier_owner', 'people') });
  await owner.connect();
  const { rows: register } = drawRegister(count, 0.2, 1);
  const { rows: kept } = await owner.query('select id from person order by id');
  const people = register.map((row, i) => ({ id: kept[i]?.id ?? uuidv7(), fields: fieldsOfRow(row) }));
  const began = performance.now();
  if (!isFilled) await fillPeople(owner, postgres.url('dossier_owner', 'people'), people, tell);
  const filledSeconds = isFilled ? 'before' : Math.round((performance.now() - began) / 1000);
  running.push(startServer(env));
  const address = `http://127.0.0.1:${port}`;
  // Without a worker it is not whole, and answers all the same.
  await waitUntil('The server', () => fetch(`${address}/api/v1/health`).then(() => true, () => false)); // prettier-ignore
  const call = await callerAt(address);
  if (values.change) {
    running.push(startWorker(env));
    console.log(JSON.stringify(await measureChange(call, values.change), null, 1));
  } else {
    const lists = await measureLists(call, owner, { plans: values.plans });
    console.log(JSON.stringify({ people: people.length, filledSeconds, lists }, null, 1));
    if (!values.lists) {
      running.push(startWorker(env));
      console.log(JSON.stringify(await measure(owner, call, people), null, 1));
    }
  }
} catch (error) {
  console.error(error);
  process.exitCode = 1;
} finally {
  await owner?.end();
  for (const service of running.reverse()) await service.stop();
}

/** Whether the workspace of an earlier run is there, as large as asked: filling it takes minutes. */
async function filledBefore(postgres) {
  const owner = new pg.Client({ connectionString: postgres.url('dossier_owner', 'people') });
  const filled = await owner
    .connect()
    .then(() => owner.query('select count(*)::int as people from person_listing'))
    .then(({ rows }) => rows[0].people === count)
    .catch(() => false);
  await owner.end().catch(() => undefined);
  return filled;
}

async function callerAt(address) {
  const { headers } = await fetch(`${address}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'ottilie@keldermoss.example', password: 'cold-chain' }),
  });
  const cookie = headers.get('set-cookie').split(';')[0];
  return async (method, path, body) => {
    const response = await fetch(`${address}/api/v1${path}`, {
      method,
      headers: { cookie, ...(body && { 'content-type': 'application/json' }) },
      body: body && JSON.stringify(body),
    });
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
    return response.status === 204 ? undefined : response.json();
  };
}

async function measure(owner, call, people) {
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
  const milliseconds = {
    duplicates: await timed(() => call('GET', '/duplicates'), asked.slice(0, 25)),
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
