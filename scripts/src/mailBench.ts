import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { demoMail } from '@dossier/demo/follow-up';
import { dataFolder } from '../paths.mjs';
import { anyFreePort } from '../ports.mjs';
import { startPostgres } from '../postgres.mjs';
import { keepRunning } from '../processes.mjs';
import { serverEnvironment, setUpDatabase, startLetterbox, startRecordedWorker, startServer, waitForHealth } from '../services.mjs'; // prettier-ignore
import { asking, wait } from './asking';

/**
 * Messages that are written while API, worker and mail server are killed at random:
 *
 *     npm run bench:mail -- [MESSAGES]
 *
 * Half of them (of 1,000) are sent by hand, by clients that ask again until it is confirmed; the other half by a plan that begins as
 * people are filed. In the end each must have been taken by the mail server once, or be said to be uncertain: none is lost, none there
 * twice.
 */
const messages = Number(process.argv[2] ?? 1_000);
const CLIENTS = 6;

const folder = join(dataFolder, 'bench-letterbox');
rmSync(folder, { recursive: true, force: true });
const [port, smtpPort, webPort, forwardTo] = [await anyFreePort(), await anyFreePort(), await anyFreePort(), await anyFreePort()]; // prettier-ignore
const running: { stop: () => unknown }[] = [];
const kills = { api: 0, worker: 0, mailServer: 0 };

interface There {
  to: string;
  messageId: string;
}
/** What the mail server has taken, asked for until it is there. */
const there = async (): Promise<There[]> => {
  for (;;) {
    const answer = await fetch(`http://127.0.0.1:${webPort}/api/messages`).then((response) => response.json() as Promise<{ items: There[] }>, () => undefined); // prettier-ignore
    if (answer) return answer.items;
    await wait(200);
  }
};

try {
  const postgres = await startPostgres({ folder: join(dataFolder, 'bench-postgres'), port: await anyFreePort(), setting: 'PORT' }); // prettier-ignore
  running.push(postgres);
  await postgres.dropDatabase('mail');
  await postgres.ensureDatabase('mail');
  const more = {
    DOSSIER_ALLOW_PRIVATE_ADDRESSES: `127.0.0.1:${smtpPort}`,
    DOSSIER_PUBLIC_ADDRESS: `http://127.0.0.1:${port}`,
    DOSSIER_MAIL_PORT: String(forwardTo),
    DOSSIER_SIGN_IN_LIMIT: '10000',
  };
  const env = serverEnvironment({ postgres, database: 'mail', port, log: 'silent', appFolder: undefined, more });
  await setUpDatabase(env);
  const parts = {
    api: keepRunning('server', () => startServer(env)),
    // Nothing is read here: its processes need not come up each time.
    worker: keepRunning('worker', () => startRecordedWorker(env)),
    mailServer: keepRunning('letterbox', () => startLetterbox({ smtpPort, webPort, forwardTo, folder })),
  };
  running.push(...Object.values(parts));
  const address = `http://127.0.0.1:${port}`;
  await waitForHealth(address);

  const manager = asking(address, 'maren@keldermoss.example');
  const { items: team } = (await manager('GET', '/team', () => undefined)) as { items: { id: string }[] };
  await manager('PUT', '/mail', () => ({ ...demoMail(smtpPort, { ottilie: team[0]!.id, idris: team[1]!.id }), perMinute: 600 })); // prettier-ignore
  const [templateId, planId, occasionId] = [randomUUID(), randomUUID(), randomUUID()];
  await manager('PUT', `/templates/${templateId}`, () => ({ name: 'First', texts: { en: { subject: ['Hello'], body: [{ field: 'greeting', fallback: '' }, '\n\nhello again.'] } } })); // prettier-ignore
  await manager('PUT', `/plans/${planId}`, () => ({ name: 'First', isOn: true, steps: [{ id: randomUUID(), wait: { amount: 0, unit: 'hours' }, act: { do: 'message', templateId } }] })); // prettier-ignore
  await manager('PUT', `/occasions/${occasionId}`, () => ({ name: 'Fair', planId }));

  const began = performance.now();
  let next = 0;
  let isWorking = true;
  const written: { personId: string; mail: string }[] = [];
  const client = async () => {
    const ask = asking(address, 'ottilie@keldermoss.example');
    for (let number = next++; number < messages; number = next++) {
      const byPlan = number % 2 === 0;
      const cardId = randomUUID();
      const mail = `n${number}.${cardId.slice(0, 8)}@quay.example`;
      await ask('PUT', `/cards/${cardId}/text`, () => ({ kind: 'text', text: `Ann Bell\n${mail}`, takenAt: new Date().toISOString(), occasionId: byPlan ? occasionId : null })); // prettier-ignore
      const fields = { givenName: 'Ann', familyName: `Bell ${number}`, emails: [mail] };
      const consent = { channels: ['email'], scope: 'Doors', how: 'spoken' };
      const filed = await ask('POST', '/people', () => ({ cardId, kind: 'lead', fields, consent }), { 'idempotency-key': cardId }); // prettier-ignore
      const personId = filed.personId as string;
      const message = { id: randomUUID(), to: mail, subject: 'Hello', body: 'Hello.', purpose: { kind: 'byHand' } };
      if (!byPlan) await ask('POST', `/people/${personId}/messages`, () => message);
      written.push({ personId, mail });
    }
  };
  const names = ['api', 'worker', 'mailServer'] as const;
  const killing = (async () => {
    while (isWorking) {
      await wait(4_000 + Math.random() * 7_000);
      if (!isWorking) return;
      const name = names[Math.floor(Math.random() * names.length)]!;
      parts[name].child.kill('SIGKILL');
      kills[name]++;
    }
  })();
  await Promise.all(Array.from({ length: CLIENTS }, client));
  const writtenAfter = performance.now() - began;
  // Kills go on until nine in ten are there.
  while ((await there()).length < messages * 0.9) await wait(1_000);
  isWorking = false;
  await killing;
  let waiting = Infinity;
  for (let quiet = 0; quiet < 3;) {
    await wait(2_000);
    ({ waiting } = (await manager('GET', '/mail', () => undefined)) as { waiting: number });
    quiet = waiting === 0 ? quiet + 1 : 0;
    process.stderr.write(`\r${(await there()).length} there, ${waiting} on the way   `);
  }

  const taken = await there();
  const byId = new Map<string, number>();
  for (const { messageId } of taken) byId.set(messageId, (byId.get(messageId) ?? 0) + 1);
  const byMail = new Map<string, number>();
  for (const { to } of taken) byMail.set(to, (byMail.get(to) ?? 0) + 1);
  const states: Record<string, number> = {};
  let [lost, uncertainThere, uncertainNotThere] = [0, 0, 0];
  const ask = asking(address, 'ottilie@keldermoss.example');
  for (const { personId, mail } of written) {
    const { items } = (await ask('GET', `/people/${personId}/messages`, () => undefined)) as { items: { state: string }[] }; // prettier-ignore
    const state = items.length === 1 ? items[0]!.state : `${items.length} messages`;
    states[state] = (states[state] ?? 0) + 1;
    const isThere = byMail.has(mail);
    if (state !== 'uncertain') lost += Number(!isThere);
    else if (isThere) uncertainThere++;
    else uncertainNotThere++;
  }
  const doubled = [...byId.values(), ...byMail.values()].filter((count) => count > 1).length;
  const figures = {
    messages,
    kills,
    writtenInSeconds: Math.round(writtenAfter / 1000),
    allDoneAfterSeconds: Math.round((performance.now() - began) / 1000),
    taken: taken.length,
    states,
    lost,
    doubled,
    uncertainThere,
    uncertainNotThere,
  };
  console.log(`\n${JSON.stringify(figures, null, 1)}`);
  process.exitCode = lost + doubled === 0 ? 0 : 1;
} finally {
  for (const service of running.reverse()) await service.stop();
}
