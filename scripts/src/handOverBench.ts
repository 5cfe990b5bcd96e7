import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { customerSystem } from '@dossier/simulators/customers';
import { PORT_OFFICE_MAPPING, portOffice } from '@dossier/demo/port-office';
import { dataFolder } from '../paths.mjs';
import { anyFreePort } from '../ports.mjs';
import { startPostgres } from '../postgres.mjs';
import { keepRunning } from '../processes.mjs';
import { serverEnvironment, setUpDatabase, startServer, startWorker, waitForHealth } from '../services.mjs';
import { asking, wait } from './asking';

/**
 * People who are filed and changed while API and worker are killed at random, and go to a customer system that misbehaves:
 *
 *     npm run bench:hand-over -- [PEOPLE]
 *
 * Each of them (1,000: more than 2,000 deliveries) is filed as a lead, has a note written and the title changed twice, by clients that send everything again until it
 * is confirmed. The other system is slow, busy, broken, breaks its answers off and forgets its tokens in a third of all requests. In the
 * end each must be there once, with the note once and the last title, and no title may ever have gone back to an earlier one.
 */
const people = Number(process.argv[2] ?? 1_000);
const CLIENTS = 6;
const TITLES = ['Clerk', 'Buyer', 'Head of buying'];
const SECRET = randomUUID();

/** How often a record there had a title before another that came later here. */
let wentBack = 0;
/** What it has taken, new records and changed ones. */
let deliveries = 0;
const lastTitle = new Map<string, number>();
const office = customerSystem({
  secret: SECRET,
  tokenSeconds: 20,
  slowMs: 2_000,
  seed: 7,
  onKept: ({ ref, object, values }) => {
    deliveries++;
    if (object !== 'prospects') return;
    const title = TITLES.indexOf(String(values.Rank));
    if (title < (lastTitle.get(ref) ?? 0)) wentBack++;
    lastTitle.set(ref, title);
  },
});
const outside = createServer(office);
await new Promise<void>((resolve) => outside.listen(0, '127.0.0.1', resolve));
const outsidePort = (outside.address() as AddressInfo).port;
const base = `http://127.0.0.1:${outsidePort}`;
interface There {
  ref: string;
  values: Record<string, unknown>;
}
/** Its records, asked for until it has a good moment. */
const there = async (object: string): Promise<There[]> => {
  for (;;) {
    const answer = await fetch(`${base}/api/${object}`, { headers: { 'x-port-key': SECRET } })
      .then(async (response) => (response.ok ? ((await response.json()) as { records: There[] }).records : undefined))
      .catch(() => undefined);
    if (answer) return answer;
    await wait(100);
  }
};
const trouble = (kind: string, share: number) => fetch(`${base}/switches`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ trouble: kind, share }) }); // prettier-ignore

const running: { stop: () => unknown }[] = [];
const stopAll = async () => {
  for (const service of running.splice(0).reverse()) await service.stop();
  outside.closeAllConnections();
  outside.close();
};
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void stopAll().then(() => process.exit(130))); // prettier-ignore
let kills = 0;
try {
  const postgres = await startPostgres({ folder: join(dataFolder, 'bench-postgres'), port: await anyFreePort(), setting: 'PORT' }); // prettier-ignore
  running.push(postgres);
  await postgres.dropDatabase('hand_over');
  await postgres.ensureDatabase('hand_over');
  const port = await anyFreePort();
  const more = { DOSSIER_ALLOW_PRIVATE_ADDRESSES: `127.0.0.1:${outsidePort}`, DOSSIER_SIGN_IN_LIMIT: '10000' };
  const env = serverEnvironment({ postgres, database: 'hand_over', port, log: 'silent', appFolder: undefined, more });
  await setUpDatabase(env);
  const parts = [keepRunning('server', () => startServer(env)), keepRunning('worker', () => startWorker(env))];
  running.push(...parts);
  const address = `http://127.0.0.1:${port}`;
  await waitForHealth(address);

  const manager = asking(address, 'maren@keldermoss.example');
  const { id } = await manager('POST', '/destinations', () => ({ ...portOffice(base, SECRET), perMinute: 6_000 }));
  await manager('PUT', `/destinations/${id as string}/mapping`, () => PORT_OFFICE_MAPPING);
  await trouble('mixed', 0.33);

  const began = performance.now();
  let next = 0;
  let isWorking = true;
  const mails: string[] = [];
  const client = async () => {
    const ask = asking(address, 'ottilie@keldermoss.example');
    for (;;) {
      const number = next++;
      if (number >= people) return;
      const cardId = randomUUID();
      const mail = `n${number}.${cardId.slice(0, 8)}@quay.example`;
      await ask('PUT', `/cards/${cardId}/text`, () => ({ kind: 'text', text: `Ann Bell\n${mail}`, takenAt: new Date().toISOString(), occasionId: null })); // prettier-ignore
      const fields = { givenName: 'Ann', familyName: `Bell ${number}`, company: `Quay ${number % 400}`, title: TITLES[0], emails: [mail] }; // prettier-ignore
      const filed = await ask('POST', '/people', () => ({ cardId, kind: 'lead', fields, note: `Said by ${number}.` }), { 'idempotency-key': cardId }); // prettier-ignore
      const personId = filed.personId as string;
      for (const title of TITLES.slice(1)) {
        for (;;) {
          const person = (await ask('GET', `/people/${personId}`, () => undefined)) as { version: number; fields: { title: string } }; // prettier-ignore
          if (person.fields.title === title) break;
          const { version, fields: before, kind, tags, rating } = person as typeof person & Record<string, unknown>;
          await ask('PUT', `/people/${personId}`, () => ({
            version,
            kind,
            tags,
            rating,
            fields: { ...before, title },
          }));
        }
      }
      mails.push(mail);
    }
  };
  const killing = (async () => {
    while (isWorking) {
      await wait(5_000 + Math.random() * 15_000);
      if (!isWorking) return;
      parts[Math.random() < 0.4 ? 0 : 1]!.child.kill('SIGKILL');
      kills++;
      // What is killed again while it begins says nothing of its work.
      await waitForHealth(address);
    }
  })();
  await Promise.all(Array.from({ length: CLIENTS }, client));
  const filedAfter = performance.now() - began;
  // Kills go on until four in five are there.
  while ((await there('prospects')).length < people * 0.8) await wait(1_000);
  isWorking = false;
  await killing;
  await trouble('none', 1);
  // As somebody does who knows that it is well again: what would wait for a long pause is sent at once.
  for (const paused of [true, false])
    await manager('PUT', `/destinations/${id as string}`, () => ({ ...portOffice(base, SECRET), perMinute: 6_000, paused })); // prettier-ignore
  let held = 0;
  for (let quiet = 0; quiet < 3;) {
    await wait(2_000);
    const { items } = (await manager('GET', '/destinations', () => undefined)) as { items: { waiting: number; held: number }[] }; // prettier-ignore
    held = items[0]!.held;
    const records = await there('prospects');
    const isDone = items[0]!.waiting === 0 && records.length >= people;
    quiet = isDone ? quiet + 1 : 0;
    process.stderr.write(`\r${records.length} there, ${items[0]!.waiting} on the way, ${held} held   `);
  }
  const records = await there('prospects');
  const remarks = await there('remarks');
  const byMail = new Map<unknown, number>();
  for (const { values } of records) byMail.set(values.MailA, (byMail.get(values.MailA) ?? 0) + 1);
  const remarked = new Map<unknown, number>();
  for (const { values } of remarks) remarked.set(values.Of, (remarked.get(values.Of) ?? 0) + 1);
  const figures = {
    people,
    kills,
    deliveries,
    filedInSeconds: Math.round(filedAfter / 1000),
    allThereAfterSeconds: Math.round((performance.now() - began) / 1000),
    there: records.length,
    missing: mails.filter((mail) => !byMail.has(mail)).length,
    doubled: [...byMail.values()].filter((count) => count > 1).length,
    withoutLastTitle: records.filter(({ values }) => values.Rank !== TITLES.at(-1)).length,
    wentBack,
    notesMissing: records.filter(({ ref }) => !remarked.has(ref)).length,
    notesDoubled: [...remarked.values()].filter((count) => count > 1).length,
    houses: (await there('houses')).length,
    held,
  };
  console.log(`\n${JSON.stringify(figures, null, 1)}`);
  const { missing, doubled, withoutLastTitle, notesMissing, notesDoubled } = figures;
  process.exitCode = missing + doubled + withoutLastTitle + wentBack + notesMissing + notesDoubled + held === 0 ? 0 : 1;
} finally {
  await stopAll();
}
