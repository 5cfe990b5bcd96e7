/**
 * How long people take to go out as files and to come in, and how much memory that takes:
 *
 *     npm run bench:files -- [COUNT] [ROWS]
 *
 * Fills a database of its own with COUNT (100,000) people of a drawn register, takes all of them out in each format, then brings a CSV
 * file of ROWS (50,000) others in and takes that back. Server and worker may have HEAP megabytes for what the language keeps: without a limit
 * it is cleared up so seldom that nothing can be told from how much there is. Memory is the most that each process ever had, with all else.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { drawRegister } from '@dossier/demo/register';
import Papa from 'papaparse';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { fillPeople } from './fillPeople.mjs';
import { dataFolder } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { serverEnvironment, setUpDatabase, startServer, startWorker, waitForHealth } from './services.mjs';
import { fieldsOfRow } from './src/registerCsv.ts';

const [count = 100_000, rowCount = 50_000] = process.argv.slice(2).map(Number);
const HEAP = 256;
const FORMATS = ['format=vcard', 'format=vcard&zip=1', 'format=csv', 'format=xlsx', 'format=json'];
/** What the columns of the register are called in the file that comes in. */
const HEADERS = { given_name: 'First name', family_name: 'Last name', prefix: 'Form of address', suffix: 'Suffix', title: 'Title', company: 'Company', emails: 'E-mail', phones: 'Phone', street: 'Street', locality: 'Town', region: 'Region', postal_code: 'Postal code', country: 'Country' }; // prettier-ignore
const ENDED = ['done', 'failed', 'undone'];
const tell = (words) => process.stderr.isTTY && process.stderr.write(`\r${words}   `);
const running = [];

/** Megabytes that a process has had at most since it was asked last. */
const mostMemory = ({ child }) =>
  Math.round(Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))[1]) / 1024);

try {
  const postgres = await startPostgres({ folder: join(dataFolder, 'bench-postgres'), port: await anyFreePort(), setting: 'PORT' }); // prettier-ignore
  running.push(postgres);
  await postgres.dropDatabase('files');
  await postgres.ensureDatabase('files');
  const port = await anyFreePort();
  const more = { NODE_OPTIONS: `--max-old-space-size=${HEAP}` };
  const env = serverEnvironment({ postgres, database: 'files', port, log: 'error', more });
  await setUpDatabase(env);
  const owner = new pg.Client({ connectionString: postgres.url('dossier_owner', 'files') });
  await owner.connect();
  const people = drawRegister(count, 0, 1).rows.map((row) => ({ id: uuidv7(), fields: fieldsOfRow(row) }));
  await fillPeople(owner, postgres.url('dossier_owner', 'files'), people, tell);
  await owner.end();
  const server = startServer(env);
  const worker = startWorker(env);
  running.push(server, worker);
  const address = `http://127.0.0.1:${port}`;
  await waitForHealth(address);
  const cookie = await signIn(address);
  const out = {};
  for (const format of FORMATS) {
    tell(format);
    out[format] = { ...(await taken(address, cookie, format)), serverMegabytes: mostMemory(server) };
    console.error(format, JSON.stringify(out[format]));
  }
  await keysAreMade(postgres);
  console.log(
    JSON.stringify({ people: count, out, in: await broughtIn(address, cookie, { server, worker }) }, null, 1),
  );
} catch (error) {
  console.error(error);
  process.exitCode = 1;
} finally {
  for (const service of running.reverse()) await service.stop();
}

async function signIn(address) {
  const { headers } = await fetch(`${address}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'ottilie@keldermoss.example', password: 'cold-chain' }),
  });
  return headers.get('set-cookie').split(';')[0];
}

async function taken(address, cookie, format) {
  const began = performance.now();
  const response = await fetch(`${address}/api/v1/people/export?${format}`, { headers: { cookie } });
  let bytes = 0;
  for await (const piece of response.body) bytes += piece.length;
  const seconds = Math.round((performance.now() - began) / 100) / 10;
  return { people: Number(response.headers.get('dossier-people')), seconds, megabytes: Math.round(bytes / 1e5) / 10 };
}

/** Whoever is brought in is compared by them. */
async function keysAreMade(postgres) {
  const owner = new pg.Client({ connectionString: postgres.url('dossier_owner', 'files') });
  await owner.connect();
  for (;;) {
    const { rows } = await owner.query('select count(*)::int as missing from person where keys_version = 0');
    tell(`keys to make: ${rows[0].missing}`);
    if (rows[0].missing === 0) break;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  await owner.query('vacuum analyze');
  await owner.end();
}

async function broughtIn(address, cookie, { server, worker }) {
  const { rows } = drawRegister(rowCount, 0, 9);
  const csv = Papa.unparse([
    Object.values(HEADERS),
    ...rows.map((row) => Object.keys(HEADERS).map((column) => row[column])),
  ]);
  const call = async (method, path, body) => {
    const response = await fetch(`${address}/api/v1${path}`, { method, headers: { cookie }, body });
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
    return response.json();
  };
  const until = async (id) => {
    for (;;) {
      const state = await call('GET', `/imports/${id}`);
      tell(`${state.state}: ${state.done} of ${state.rows}`);
      if (ENDED.includes(state.state) && state.state !== 'undoing') return state;
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
  };
  const timed = async (work) => {
    const began = performance.now();
    const value = await work();
    return [value, Math.round((performance.now() - began) / 100) / 10];
  };
  const [{ id }, readSeconds] = await timed(() => call('POST', '/imports?name=people.csv', csv));
  await call('POST', `/imports/${id}/run`);
  const [{ state, counts }, seconds] = await timed(() => until(id));
  await call('POST', `/imports/${id}/undo`);
  const [undone, undoSeconds] = await timed(async () => {
    for (;;) {
      const now = await call('GET', `/imports/${id}`);
      if (now.state === 'undone') return now;
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
  });
  return { rows: rowCount, readSeconds, state, seconds, counts, undoSeconds, kept: undone.kept, serverMegabytes: mostMemory(server), workerMegabytes: mostMemory(worker) }; // prettier-ignore
}
