/**
 * What is left of a service that is torn at for ten minutes, in figures:
 *
 *     npm run bench:chaos -- [SECONDS]
 *
 * Six clients photograph, paste (telephone signs, flags and rare characters among it) and file, and send everything again until it is
 * confirmed, as a device does. Meanwhile PostgreSQL is away for 2, 5 and 20 seconds, the disk is full once, and API and worker are
 * killed at random for SECONDS (240). Nothing may be lost, nothing doubled; after each fault everything must be healthy by itself
 * within 15 seconds, with as many connections to the database as before.
 */
/* global AbortSignal */
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { dataFolder, root } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { keepRunning } from './processes.mjs';
import { serverEnvironment, setUpDatabase, startServer, startWorker, waitForHealth } from './services.mjs';

const CLIENTS = 6;
const HEALTHY_WITHIN_MS = 15_000;
const killingMs = Number(process.argv[2] ?? 240) * 1000;
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const photograph = readFileSync(join(root, 'demo/photos/skerry.jpg'));

const small = smallDisk();
const running = [];
const figures = { faults: [], lost: 0, doubled: 0, sent: {}, refused: 0 };
try {
  const postgres = await startPostgres({
    folder: join(dataFolder, 'chaos-postgres'),
    port: await anyFreePort(),
    setting: 'PORT',
  });
  running.push(postgres);
  await postgres.dropDatabase('chaos');
  await postgres.ensureDatabase('chaos');
  if (small) await putOnSmallDisk(postgres);
  const port = await anyFreePort();
  const env = serverEnvironment({ postgres, database: 'chaos', port, log: 'silent', more: { DOSSIER_SIGN_IN_LIMIT: '1000' } }); // prettier-ignore
  await setUpDatabase(env);
  const api = keepRunning('server', () => startServer(env));
  const worker = keepRunning('worker', () => startWorker(env));
  running.push(api, worker);
  const address = `http://127.0.0.1:${port}/api/v1`;
  await waitForHealth(`http://127.0.0.1:${port}`);
  await wait(6_000);

  const clients = Array.from({ length: CLIENTS }, (_, i) => client(address, i));
  const usual = await connections(postgres);
  for (const seconds of [2, 5, 20])
    await fault(postgres, address, usual, `PostgreSQL away for ${seconds} s`, () => postgres.awayFor(seconds * 1000));
  if (small) await fault(postgres, address, usual, 'disk full for 10 s', fillDisk);
  else console.error('The disk was not filled: that takes a mount, and mounts take root.');
  await fault(postgres, address, usual, `API and worker killed at random for ${killingMs / 1000} s`, async () => {
    for (const until = Date.now() + killingMs; Date.now() < until;) {
      await wait(2_000 + Math.random() * 10_000);
      (Math.random() < 0.5 ? api : worker).child.kill('SIGKILL');
    }
  });
  for (const one of clients) await one.finish();
  Object.assign(figures, await reckon(postgres, clients));
} finally {
  for (const service of running.reverse()) await service.stop();
  if (small) spawnSync('umount', [small]);
}
console.log(JSON.stringify(figures, null, 1));
const isWhole =
  figures.lost === 0 && figures.doubled === 0 && figures.faults.every(({ healthyAfterMs }) => healthyAfterMs !== null);
process.exit(isWhole ? 0 : 1);

/** Has something go wrong, and measures how soon everything is healthy again by itself. */
async function fault(postgres, address, usual, what, happen) {
  await happen();
  const since = Date.now();
  let healthyAfterMs = null;
  let count;
  while (Date.now() - since < HEALTHY_WITHIN_MS) {
    const isHealthy = await fetch(`${address}/health`).then((r) => r.ok).catch(() => false); // prettier-ignore
    count = isHealthy ? await connections(postgres).catch(() => undefined) : undefined;
    // As many as before, and a few that a pool opens under load.
    if (count !== undefined && count <= usual + 12) {
      healthyAfterMs = Date.now() - since;
      break;
    }
    await wait(200);
  }
  // A storm of tries to reach the database would grow in the time that follows.
  await wait(Math.max(0, HEALTHY_WITHIN_MS - (Date.now() - since)));
  count = await connections(postgres);
  figures.faults.push({ what, healthyAfterMs, connections: { before: usual, after: count } });
  console.error(`${what}: ${healthyAfterMs === null ? 'NOT healthy' : `healthy after ${healthyAfterMs} ms`}, ${count} connections (${usual} before)`); // prettier-ignore
}

async function connections(postgres) {
  return Number(await postgres.psql('postgres', `select count(*) from pg_stat_activity where datname = 'chaos'`));
}

/** Somebody with a device: everything gets an id there, is sent until it is confirmed, and never with another id. */
function client(address, number) {
  let cookie = '';
  let stopped = false;
  const confirmed = { photos: [], texts: [], people: [] };
  const send = async (method, path, body, headers = {}) => {
    const signal = AbortSignal.timeout(15_000);
    const response = await fetch(address + path, { method, body, signal, headers: { cookie, ...headers } });
    if (response.headers.get('set-cookie')) cookie = response.headers.get('set-cookie').split(';')[0];
    return { status: response.status, body: await response.json().catch(() => undefined) };
  };
  const json = { 'content-type': 'application/json' };
  const signIn = () =>
    send('POST', '/session', JSON.stringify({ email: 'ottilie@keldermoss.example', password: 'cold-chain' }), json);
  /** Until the server has said yes, or a no that is no passing trouble. */
  const until = async (attempt) => {
    for (;;) {
      const answer = await attempt().catch(() => undefined);
      if (answer && answer.status < 300) return answer;
      if (answer?.status === 401) await signIn().catch(() => undefined);
      else if (answer && answer.status >= 400 && answer.status < 500) {
        figures.refused++;
        return undefined;
      }
      await wait(300 + Math.random() * 700);
    }
  };
  const SIGNS = ['📞', '🇬🇧', '𠮷', '☎️', ''];
  const work = async () => {
    await until(signIn);
    for (let i = 0; !stopped; i++) {
      const id = randomUUID();
      if (i % 3 === 0) {
        // Other bytes each time, behind the end of the picture.
        const bytes = Buffer.concat([photograph, Buffer.from(id)]);
        const sent = await until(() => send('PUT', `/photos/${id}?takenAt=${new Date().toISOString()}`, bytes));
        if (sent) confirmed.photos.push(id);
      } else {
        const sign = SIGNS[i % SIGNS.length];
        const text = `Ann Bell${number} ${sign}\nBuyer\n${sign} +44 1632 960417\nann.${id}@quay${number}.example`;
        const card = { kind: 'text', text, takenAt: new Date().toISOString(), occasionId: null };
        const sent = await until(() => send('PUT', `/cards/${id}/text`, JSON.stringify(card), json));
        if (!sent) continue;
        confirmed.texts.push(id);
        if (i % 3 !== 1) continue;
        const fields = {
          familyName: `Bell ${sign}`,
          givenName: `Ann ${id}`,
          emails: [`ann.${id}@quay${number}.example`],
        };
        const filing = JSON.stringify({ cardId: id, kind: 'contact', fields, note: `Said ${sign}` });
        const filed = await until(() => send('POST', '/people', filing, { ...json, 'idempotency-key': id }));
        if (filed) confirmed.people.push({ cardId: id, personId: filed.body.personId });
      }
      await wait(400 + Math.random() * 800);
    }
  };
  const working = work();
  return {
    confirmed,
    async finish() {
      stopped = true;
      await working;
    },
  };
}

/** Waits until everything is read, then holds what was confirmed against what is there. */
async function reckon(postgres, clients) {
  const all = (what) => clients.flatMap(({ confirmed }) => confirmed[what]);
  const [photos, texts, people] = [all('photos'), all('texts'), all('people')];
  const sql = (query) => postgres.psql('chaos', query);
  const list = (ids) => `array[${ids.map((id) => `'${id}'`).join()}]::uuid[]`;
  for (const until = Date.now() + 10 * 60_000; Date.now() < until; await wait(1_000)) {
    if ((await sql(`select count(*) from photo where state in ('waiting', 'reading')`)).trim() === '0') break;
  }
  const number = async (query) => Number(await sql(query));
  const leftToPerson = await number(`select count(*) from photo where state <> 'read'`);
  const lost =
    // With its card in the tray; or before a person, its picture kept, when four workers were killed over it.
    (await number(`select count(*) from unnest(${list(photos)}) own where not exists (select from card where photo_id = own)
      and not exists (select from photo where id = own and state = 'unreadable' and file_id is not null)`)) +
    (await number(`select count(*) from unnest(${list(texts)}) own where not exists (select from card where id = own)`)) + // prettier-ignore
    (await number(`select count(*) from unnest(${list(people.map((p) => p.personId))}) own where not exists (select from person where id = own)`)); // prettier-ignore
  const doubled =
    (await number(`select coalesce(sum(n - 1), 0) from (select count(*) n from card where photo_id is not null group by photo_id) cards`)) + // prettier-ignore
    (await number(`select coalesce(sum(n - 1), 0) from (select count(*) n from person group by given_name) people`)) +
    (await number(`select count(*) - count(distinct person_id) from note`));
  return { lost, doubled, leftToPerson, sent: { photos: photos.length, texts: texts.length, people: people.length } };
}

/** A disk that is soon full, for the tables alone. @returns its folder; undefined where none can be mounted */
function smallDisk() {
  const folder = join(dataFolder, 'chaos-disk');
  mkdirSync(folder, { recursive: true });
  spawnSync('umount', [folder]);
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=700m', 'tmpfs', folder]).status === 0;
  return mounted ? folder : undefined;
}

async function putOnSmallDisk(postgres) {
  const folder = join(small, 'tables');
  mkdirSync(folder);
  spawnSync('chown', ['postgres:postgres', folder]);
  spawnSync('chmod', ['700', folder]);
  await postgres.psql('postgres', 'drop tablespace if exists small');
  await postgres.psql('postgres', `create tablespace small location '${folder}'`);
  await postgres.psql('postgres', 'alter database chaos set tablespace small');
  await postgres.psql('postgres', 'grant create on tablespace small to public');
}

async function fillDisk() {
  const filler = join(small, 'filler');
  // As much as there is room for: what is written stays when the rest is refused.
  spawnSync('dd', ['if=/dev/zero', `of=${filler}`, 'bs=1M']);
  await wait(10_000);
  rmSync(filler);
}
