/**
 * How long a device takes to fetch a large address book, how much memory that takes at the server, and what one change costs then:
 *
 *     npm run bench:books -- [COUNT]
 *
 * Fills a database of its own with COUNT (20,000) people of a drawn register and fetches all of them as devices do: what there is
 * (sync-collection, RFC 6578), then their cards some at a time (multiget, RFC 6352). The server may have HEAP megabytes for what the language
 * keeps; memory is the most that the process ever had, with all else.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { drawRegister } from '@dossier/demo/register';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { fillPeople } from './fillPeople.mjs';
import { dataFolder } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { buildPrograms } from './programs.mjs';
import { waitUntil } from './processes.mjs';
import { serverEnvironment, setUpDatabase, startServer } from './services.mjs';
import { fieldsOfRow } from './src/registerCsv.ts';

const count = Number(process.argv[2] ?? 20_000);
const HEAP = 160;
const AT_ONCE = 500;
const CHANGES = 20;
const BOOK = '/dav/books/all/';
const tell = (words) => process.stderr.isTTY && process.stderr.write(`\r${words}   `);
const running = [];

const mostMemory = ({ child }) =>
  Math.round(Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))[1]) / 1024);
const timed = async (work) => {
  const began = performance.now();
  const result = await work();
  return { ...result, ms: Math.round(performance.now() - began) };
};

try {
  // As it is started: put together, not from its sources.
  await buildPrograms();
  const postgres = await startPostgres({ folder: join(dataFolder, 'bench-postgres'), port: await anyFreePort(), setting: 'PORT' }); // prettier-ignore
  running.push(postgres);
  await postgres.dropDatabase('books');
  await postgres.ensureDatabase('books');
  const port = await anyFreePort();
  const more = { NODE_OPTIONS: `--max-old-space-size=${HEAP}` };
  const env = serverEnvironment({ postgres, database: 'books', port, log: 'error', more });
  await setUpDatabase(env);
  const owner = new pg.Client({ connectionString: postgres.url('dossier_owner', 'books') });
  await owner.connect();
  const people = drawRegister(count, 0, 1).rows.map((row) => ({ id: uuidv7(), fields: fieldsOfRow(row) }));
  await fillPeople(owner, postgres.url('dossier_owner', 'books'), people, tell);
  await owner.end();
  const server = startServer(env);
  running.push(server);
  const address = `http://127.0.0.1:${port}`;
  // Without a worker that it answers is all there is.
  await waitUntil('The server', () => fetch(`${address}/api/v1/health`).then(() => true, () => false)); // prettier-ignore
  const api = await signedIn(address);
  const { password } = await api('POST', '/devices', { name: 'A phone' });
  const ask = asDevice(address, password);
  const begun = mostMemory(server);

  tell('what there is …');
  const listed = await timed(() => sync(ask, ''));
  const afterListed = mostMemory(server);
  tell('cards …');
  const fetched = await timed(async () => {
    let [bytes, cards] = [0, 0];
    for (let i = 0; i < listed.paths.length; i += AT_ONCE) {
      tell(`cards ${i}/${listed.paths.length}`);
      const text = await ask('REPORT', multiget(listed.paths.slice(i, i + AT_ONCE)));
      bytes += text.length;
      cards += text.split('BEGIN:VCARD').length - 1;
    }
    return { bytes, cards };
  });
  const afterFetched = mostMemory(server);

  tell('nothing new …');
  let { token } = listed;
  const nothing = await timed(async () => {
    const answer = await sync(ask, token);
    return { bytes: answer.bytes, told: answer.paths.length };
  });
  const changes = [];
  for (let i = 0; i < CHANGES; i++) {
    tell(`change ${i}`);
    const { id } = people[(i * 977) % people.length];
    const { version, fields, tags, kind, rating } = await api('GET', `/people/${id}`);
    await api('PUT', `/people/${id}`, { version, fields: { ...fields, title: `Head of change ${i}` }, tags, kind, rating }); // prettier-ignore
    const answer = await timed(() => sync(ask, token));
    token = answer.token;
    changes.push({ ms: answer.ms, bytes: answer.bytes, told: answer.paths.length });
  }
  const middle = (name) => changes.map((one) => one[name]).sort((a, b) => a - b)[CHANGES >> 1];
  console.log(
    JSON.stringify(
      {
        people: count,
        listed: { ms: listed.ms, bytes: listed.bytes, told: listed.paths.length },
        fetched,
        nothing,
        oneChange: { ms: middle('ms'), bytes: middle('bytes'), told: Math.max(...changes.map(({ told }) => told)) },
        serverMegabytes: { begun, afterListed, afterFetched, inTheEnd: mostMemory(server) },
      },
      null,
      1,
    ),
  );
} catch (error) {
  console.error(error);
  process.exitCode = 1;
} finally {
  for (const service of running.reverse()) await service.stop();
}

async function signedIn(address) {
  const { headers } = await fetch(`${address}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'ottilie@keldermoss.example', password: 'cold-chain' }),
  });
  const cookie = headers.get('set-cookie').split(';')[0];
  return async (method, path, body) => {
    const response = await fetch(`${address}/api/v1${path}`, { method, headers: { cookie, ...(body && { 'content-type': 'application/json' }) }, body: body && JSON.stringify(body) }); // prettier-ignore
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
    return response.status === 204 ? undefined : response.json();
  };
}

function asDevice(address, password) {
  const authorization = `Basic ${Buffer.from(`ottilie@keldermoss.example:${password}`).toString('base64')}`;
  return async (method, body) => {
    const response = await fetch(address + BOOK, { method, headers: { authorization, depth: '1' }, body });
    const text = await response.text();
    if (response.status !== 207) throw new Error(`${method}: ${response.status} ${text.slice(0, 300)}`);
    return text;
  };
}

async function sync(ask, token) {
  const text = await ask(
    'REPORT',
    `<D:sync-collection xmlns:D="DAV:"><D:sync-token>${token}</D:sync-token><D:sync-level>1</D:sync-level><D:prop><D:getetag/></D:prop></D:sync-collection>`,
  );
  const paths = [...text.matchAll(/<D:response><D:href>([^<]+)</g)].map(([, path]) => path);
  return { paths, token: /<D:sync-token>([^<]+)</.exec(text)[1], bytes: text.length };
}

function multiget(paths) {
  return `<C:addressbook-multiget xmlns:D="DAV:" xmlns:C="urn:ietf:params:xml:ns:carddav"><D:prop><D:getetag/><C:address-data/></D:prop>${paths.map((path) => `<D:href>${path}</D:href>`).join('')}</C:addressbook-multiget>`;
}
