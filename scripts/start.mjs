#!/usr/bin/env node
/**
 * Sets up and runs everything: packages, PostgreSQL, tables, application, server, worker, demo data.
 * `npm start -- --fresh` begins again from the demo data. Settings: DOSSIER_PORT, DOSSIER_HOST,
 * DOSSIER_DATABASE_PORT.
 */
import { existsSync, rmSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { buildApp } from './buildApp.mjs';
import { fingerprint, unlessDone } from './fingerprint.mjs';
import { requirePackages } from './npmPackages.mjs';
import { appFolder, dataFolder, root } from './paths.mjs';
import { requireFreePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { keepRunning, SetUpError, startProcess } from './processes.mjs';
import {
  serverEnvironment,
  setUpDatabase,
  startServer,
  startWorker,
  tsxArguments,
  waitForHealth,
} from './services.mjs';

const DATABASE = 'dossier';
const port = Number(process.env.DOSSIER_PORT ?? 4300);
const databasePort = Number(process.env.DOSSIER_DATABASE_PORT ?? 4301);
const host = process.env.DOSSIER_HOST ?? '127.0.0.1';
const fresh = process.argv.includes('--fresh');
const demoLoaded = join(dataFolder, 'demo-loaded');
/** Beside the cluster, so that it goes when the cluster is deleted. */
const databaseStamp = join(dataFolder, 'postgres.set-up-from');

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
  const [postgres] = await Promise.all([
    startPostgres({ folder: join(dataFolder, 'postgres'), port: databasePort, setting: 'DOSSIER_DATABASE_PORT' }),
    buildApp(),
  ]);
  running.push(postgres);
  if (fresh) {
    await postgres.dropDatabase(DATABASE);
    for (const stamp of [demoLoaded, databaseStamp]) rmSync(stamp, { force: true });
  }
  const env = serverEnvironment({ postgres, database: DATABASE, port, host, appFolder });
  const setUpFrom = ['server/src/migrations', 'server/src/setUp.ts', 'demo/workspaces.json', 'package-lock.json'].map(
    (name) => join(root, name),
  );
  await unlessDone(databaseStamp, fingerprint(setUpFrom), async () => {
    await postgres.ensureDatabase(DATABASE);
    await setUpDatabase(env);
  });
  // A part that ends by itself is started again; the others go on meanwhile.
  running.push(
    keepRunning('server', () => startServer(env)),
    keepRunning('worker', () => startWorker(env)),
  );
  const address = `http://127.0.0.1:${port}`;
  await waitForHealth(address);
  greet(address);
  if (existsSync(demoLoaded)) return;
  const demo = startProcess(
    'demo loader',
    process.execPath,
    tsxArguments('demo/src/loadDemo.ts', address, demoLoaded),
    { cwd: root },
  );
  running.push(demo);
}

function greet(address) {
  console.log(`\n  Dossier is ready:  ${address}`);
  const others = Object.values(networkInterfaces())
    .flat()
    .filter((i) => i && i.family === 'IPv4' && !i.internal);
  if (host === '0.0.0.0')
    for (const other of others) console.log(`  In this network:   http://${other.address}:${port}`);
  console.log('  Sign in with       ottilie@keldermoss.example   cold-chain');
  console.log('  The demo cards are read one after the other on the first start.  Ctrl-C stops everything.\n');
}

start().catch((error) => {
  console.error(error instanceof SetUpError ? `\n${error.message}` : error);
  void stopAll(1);
});
