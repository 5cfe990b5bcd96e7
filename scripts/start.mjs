#!/usr/bin/env node
/**
 * Sets up and runs everything: packages, PostgreSQL, tables, application, server, worker, demo data.
 * `--fresh` begins again from the demo data. `--empty` begins a team of one's own, and opens it again; `--demo` goes back to the
 * demo, whose records are others. Settings: DOSSIER_PORT, DOSSIER_HTTPS_PORT, DOSSIER_HOST, DOSSIER_DATABASE_PORT, DOSSIER_PORT_OFFICE_PORT,
 * DOSSIER_LETTERBOX_SMTP_PORT, DOSSIER_LETTERBOX_PORT, DOSSIER_MAIL_PORT, DOSSIER_DIRECTORY_PORT.
 */
import { randomInt } from 'node:crypto';
import { existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildApp } from './buildApp.mjs';
import { requirePackages } from './npmPackages.mjs';
import { appFolder, dataFolder, root } from './paths.mjs';
import { requireFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { keepRunning, SetUpError, startProcess } from './processes.mjs';
import { chooseRecords, setUpRecords } from './records.mjs';
import {
  DIRECTORY_KEY,
  PORT_OFFICE_SECRET,
  serverEnvironment,
  startDirectory,
  startLetterbox,
  startPortOffice,
  startServer,
  startWorker,
  waitForHealth,
} from './services.mjs';
import { buildPrograms, tsxArguments } from './programs.mjs';

const port = Number(process.env.DOSSIER_PORT ?? 4300);
const httpsPort = Number(process.env.DOSSIER_HTTPS_PORT ?? 4302);
const databasePort = Number(process.env.DOSSIER_DATABASE_PORT ?? 4301);
const portOfficePort = Number(process.env.DOSSIER_PORT_OFFICE_PORT ?? 4303);
const letterbox = {
  smtpPort: Number(process.env.DOSSIER_LETTERBOX_SMTP_PORT ?? 4304),
  webPort: Number(process.env.DOSSIER_LETTERBOX_PORT ?? 4305),
  forwardTo: Number(process.env.DOSSIER_MAIL_PORT ?? 4306),
  folder: join(dataFolder, 'letterbox'),
};
const directoryPort = Number(process.env.DOSSIER_DIRECTORY_PORT ?? 4307);
const host = process.env.DOSSIER_HOST ?? '127.0.0.1';
const fresh = process.argv.includes('--fresh');
const records = chooseRecords(process.argv, dataFolder);
/** Browsers give the camera to other machines over https only. */
const forPhones = !['127.0.0.1', 'localhost', '::1'].includes(host);

const portOfficeFile = join(dataFolder, 'port-office.json');

const running = [];
let stopping = false;

async function stopAll(code) {
  if (stopping) return;
  stopping = true;
  for (const service of running.reverse()) await service.stop();
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.once(signal, () => void stopAll(0));

async function start() {
  await requirePackages();
  await requireFreePort(port, host, 'DOSSIER_PORT');
  if (forPhones) await requireFreePort(httpsPort, host, 'DOSSIER_HTTPS_PORT');
  if (!records.own) {
    await requireFreePort(portOfficePort, '127.0.0.1', 'DOSSIER_PORT_OFFICE_PORT');
    await requireFreePort(letterbox.smtpPort, '127.0.0.1', 'DOSSIER_LETTERBOX_SMTP_PORT');
    await requireFreePort(letterbox.webPort, '127.0.0.1', 'DOSSIER_LETTERBOX_PORT');
    await requireFreePort(letterbox.forwardTo, '127.0.0.1', 'DOSSIER_MAIL_PORT');
    await requireFreePort(directoryPort, '127.0.0.1', 'DOSSIER_DIRECTORY_PORT');
  }
  const [postgres] = await Promise.all([
    startPostgres({ folder: join(dataFolder, 'postgres'), port: databasePort, setting: 'DOSSIER_DATABASE_PORT' }),
    buildApp(),
    buildPrograms(),
  ]);
  running.push(postgres);
  if (fresh) {
    await postgres.dropDatabase(records.database);
    records.forget();
    if (!records.own)
      for (const path of [portOfficeFile, letterbox.folder]) rmSync(path, { force: true, recursive: true });
  }
  const firstCode = newCode();
  const portOffice = `127.0.0.1:${portOfficePort}`;
  const more = {
    DOSSIER_BACKUP_FOLDER: process.env.DOSSIER_BACKUP_FOLDER ?? join(dataFolder, 'backups'),
    DOSSIER_HAND_OVER_FOLDER: process.env.DOSSIER_HAND_OVER_FOLDER ?? join(dataFolder, 'handed-over'),
    DOSSIER_PUBLIC_ADDRESS: process.env.DOSSIER_PUBLIC_ADDRESS ?? `http://127.0.0.1:${port}`,
    // What stands in for a team's customer system, mail server and directory is on this machine.
    DOSSIER_ALLOW_PRIVATE_ADDRESSES:
      process.env.DOSSIER_ALLOW_PRIVATE_ADDRESSES ??
      (records.own ? '0' : `${portOffice},127.0.0.1:${letterbox.smtpPort},127.0.0.1:${directoryPort}`),
    ...(!records.own && { DOSSIER_MAIL_PORT: String(letterbox.forwardTo) }),
    ...(records.own && { DOSSIER_FIRST_CODE: firstCode }),
    ...(forPhones && (await overHttps())),
  };
  const env = serverEnvironment({ postgres, database: records.database, port, host, appFolder, more });
  await setUpRecords(records, postgres, env);
  records.remember();
  // A part that ends by itself is started again; the others go on meanwhile.
  running.push(
    keepRunning('server', () => startServer(env)),
    keepRunning('worker', () => startWorker(env)),
  );
  if (!records.own)
    running.push(
      keepRunning('port office', () => startPortOffice(portOfficePort, portOfficeFile)),
      keepRunning('letterbox', () => startLetterbox(letterbox)),
      keepRunning('directory', () => startDirectory(directoryPort)),
    );
  const address = `http://127.0.0.1:${port}`;
  await waitForHealth(address);
  await greet(address, firstCode);
  if (records.own || existsSync(records.demoLoaded)) return;
  const demo = startProcess(
    'demo loader',
    process.execPath,
    tsxArguments(
      'demo/src/loadDemo.ts',
      address,
      records.demoLoaded,
      `http://${portOffice}`,
      PORT_OFFICE_SECRET,
      String(letterbox.smtpPort),
      `http://127.0.0.1:${letterbox.webPort}`,
      `http://127.0.0.1:${directoryPort}`,
      DIRECTORY_KEY,
    ),
    { cwd: root, env: { ...process.env, DOSSIER_OWNER_URL: env.DOSSIER_OWNER_URL } },
  );
  running.push(demo);
}

/** Twelve letters and digits that are not mistaken for each other: more than anybody can try. */
function newCode() {
  const letters = '23456789ABCDEFGHJKMNPQRSTVWXYZ';
  const drawn = Array.from({ length: 12 }, () => letters[randomInt(letters.length)]).join('');
  return drawn.replace(/(.{4})(?=.)/g, '$1-');
}

async function overHttps() {
  const { httpsEnvironment } = await import('./certificate.mjs');
  return httpsEnvironment(httpsPort, join(dataFolder, 'https'));
}

async function greet(address, firstCode) {
  console.log(`\n  Dossier is ready:  ${address}`);
  if (forPhones) await greetPhones();
  const { code } = await fetch(`${address}/api/v1/session`).then((response) => response.json());
  if (code === 'no-team-yet') {
    console.log(`  Begin your team:   ${address}/#${firstCode}`);
    console.log(`  with the code      ${firstCode}   (it is another one after the next start)`);
  } else if (records.own) console.log('  Sign in as somebody of your team.');
  else {
    console.log('  Sign in with       ottilie@keldermoss.example   cold-chain');
    console.log(
      `  Leads go on to     http://127.0.0.1:${portOfficePort}   (a customer system that stands in for yours)`,
    );
    console.log(
      `  Mail goes to       http://127.0.0.1:${letterbox.webPort}   (everybody's letterbox: nothing leaves this machine)`,
    );
    console.log(`  Asked about firms  http://127.0.0.1:${directoryPort}   (a directory that stands in for one)`);
    console.log('  The demo cards are read one after the other on the first start.');
  }
  console.log('  Ctrl-C stops everything.\n');
}

async function greetPhones() {
  const { ownAddresses } = await import('./certificate.mjs');
  const { default: qrcode } = await import('qrcode');
  const [first, ...others] = ownAddresses().map((address) => `https://${address}:${httpsPort}`);
  if (!first) return console.log('  This machine is in no network: no phone can reach it.');
  console.log(`  On a phone:        ${[first, ...others].join('  or  ')}`);
  console.log('  The certificate was made on this machine: the browser asks once whether to trust it.\n');
  console.log(await qrcode.toString(first, { type: 'terminal', small: true }));
}

start().catch((error) => {
  console.error(error instanceof SetUpError ? `\n${error.message}` : error);
  void stopAll(1);
});
