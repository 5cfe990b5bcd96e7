#!/usr/bin/env node
/**
 * Everything that must hold: lint, format, arrows between the floors, types, units, the server
 * against a real PostgreSQL, the application in a real browser. `--only unit|server|e2e` for a part;
 * `--only offices` has programs of other people read what is taken out, which the rest leaves out.
 * Two parts run side by side, each mostly on one core; whichever is done takes the next. Databases and ports are their own; nothing is left running.
 */
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { spawn } from 'node:child_process';
import { buildApp } from './buildApp.mjs';
import { requirePackages } from './npmPackages.mjs';
import { appFolder, dataFolder, root } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { startEmpty } from './emptyService.mjs';
import { failuresOfJest, failuresOfPlaywright } from './failures.mjs';
import { startPostgres } from './postgres.mjs';
import { SetUpError } from './processes.mjs';
import {
  DIRECTORY_KEY,
  serverEnvironment,
  setUpDatabase,
  startDirectory,
  startLetterbox,
  startPortOffice,
  startRecordedWorker,
  startServer,
  waitForHealth,
} from './services.mjs';
import { requireChromium, requireOffices, requirePdfPages } from './systemPackages.mjs';

const PARTS = ['static', 'unit', 'server', 'e2e', 'offices'];
/** Only when it is named: installing a spreadsheet takes longer than a run of the rest should. */
const ON_ITS_OWN = 'offices';
const only = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1] : undefined;
/** Projects of jest that run together, those that take longest first. */
const UNITS = [['reader'], ['core', 'contract', 'simulators', 'scripts'], ['app']];
const reports = join(dataFolder, 'test-reports');
const running = [];
const results = [];
const began = performance.now();
/** What each part took, in seconds: for whoever wants the whole to be sooner done. */
const took = new Map();
async function timed(name, work) {
  const since = performance.now();
  await work();
  took.set(name, Math.round((performance.now() - since) / 1000));
}
const failures = [];

/** Twice what the longest part takes on a busy machine. */
const LONGEST_RUN_MS = 80 * 60_000;

/**
 * @returns the exit code; its output is shown in one piece once it has ended: two parts run at a time. @throws SetUpError when it was
 * ended, because it hung or somebody did
 */
const run = (command, args, env = process.env) =>
  new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, env, stdio: ['ignore', 'pipe', 'pipe'], timeout: LONGEST_RUN_MS });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk));
    child.once('close', (code, signal) => {
      process.stdout.write(Buffer.concat(said));
      if (signal) reject(new SetUpError(`${command} was ended (${signal}) before it was done.`));
      else resolve(code);
    });
  });
const bin = (name) => join(root, 'node_modules/.bin', name);

async function runStatic() {
  const checks = [
    ['lint', 'eslint', ['.', '--max-warnings', '0']],
    ['format', 'prettier', ['--check', '--log-level', 'warn', '.']],
    [
      'arrows',
      'depcruise',
      [
        '--config',
        '.dependency-cruiser.cjs',
        'app/src',
        'server/src',
        'reader/src',
        'contract/src',
        'core/src',
        'simulators/src',
      ],
    ],
    ['types', 'tsc', ['-b']],
  ];
  for (const [name, command, args] of checks) {
    const passed = (await run(bin(command), args)) === 0;
    if (!passed) console.error(`✗ ${name}`);
    results.push({ part: name, passed: Number(passed), failed: Number(!passed) });
  }
}

async function runJest(part, projects, env) {
  const file = join(reports, `${part}.json`);
  const args = ['--selectProjects', ...projects, '--json', '--outputFile', file, '--runInBand'];
  await run(bin('jest'), args, env);
  const report = JSON.parse(readFileSync(file, 'utf8'));
  failures.push(...failuresOfJest(report));
  results.push({
    part,
    passed: report.numPassedTests,
    failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
  });
}

async function testPostgres() {
  const postgres = await startPostgres({
    folder: join(dataFolder, 'test-postgres'),
    port: await anyFreePort(),
    setting: 'PORT',
    fast: true,
  });
  running.push(postgres);
  return postgres;
}

async function freshDatabase(postgres, name, workspaces) {
  await postgres.dropDatabase(name);
  await postgres.ensureDatabase(name);
  await setUpDatabase(serverEnvironment({ postgres, database: name, port: 0 }), workspaces);
}

/** @param part a project of jest that asks a running server */
async function runServer(postgres, part) {
  const databases = {};
  for (const [name, workspaces] of [['api'], ['recovery'], ['empty', null], ['restored', null]]) {
    await freshDatabase(postgres, `test_${name}`, workspaces);
    databases[name] = {
      ownerUrl: postgres.url('dossier_owner', `test_${name}`),
      databaseUrl: postgres.url('dossier_serving', `test_${name}`),
    };
  }
  await runJest(part, [part], { ...process.env, DOSSIER_TEST_DATABASES: JSON.stringify(databases) });
}

async function runE2e(postgres) {
  const chromium = await requireChromium();
  await freshDatabase(postgres, 'test_e2e', join(root, 'e2e/workspaces.json'));
  const port = await anyFreePort();
  const portOfficePort = await anyFreePort();
  const portOffice = `127.0.0.1:${portOfficePort}`;
  const directory = `127.0.0.1:${await anyFreePort()}`;
  const letterbox = { smtpPort: await anyFreePort(), webPort: await anyFreePort(), forwardTo: await anyFreePort() };
  const more = {
    DOSSIER_ALLOW_PRIVATE_ADDRESSES: `${portOffice},127.0.0.1:${letterbox.smtpPort},${directory}`,
    DOSSIER_PUBLIC_ADDRESS: `http://127.0.0.1:${port}`,
    DOSSIER_MAIL_PORT: String(letterbox.forwardTo),
    DOSSIER_BACKUP_FOLDER: join(reports, 'backups'),
  };
  const env = serverEnvironment({ postgres, database: 'test_e2e', port, appFolder, log: 'error', more });
  running.push(startServer(env), startRecordedWorker(env), startPortOffice(portOfficePort), startLetterbox(letterbox), startDirectory(Number(directory.split(':')[1]))); // prettier-ignore
  const address = `http://127.0.0.1:${port}`;
  await freshDatabase(postgres, 'test_e2e_empty', null);
  const empty = await startEmpty(postgres, 'test_e2e_empty', running);
  await waitForHealth(address);
  const file = join(reports, 'e2e.json');
  await run(bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], {
    ...process.env,
    DOSSIER_E2E_ADDRESS: address,
    DOSSIER_E2E_SERVER: JSON.stringify(
      serverEnvironment({ postgres, database: 'test_e2e', port: 0, appFolder, log: 'error' }),
    ),
    DOSSIER_E2E_EMPTY: JSON.stringify(empty),
    DOSSIER_E2E_PORT_OFFICE: `http://${portOffice}`,
    DOSSIER_E2E_DIRECTORY: JSON.stringify({ address: `http://${directory}`, key: DIRECTORY_KEY }),
    DOSSIER_E2E_LETTERBOX: JSON.stringify(letterbox),
    DOSSIER_CHROMIUM: chromium,
    PLAYWRIGHT_JSON_OUTPUT_NAME: file,
  });
  const report = JSON.parse(readFileSync(file, 'utf8'));
  const { stats } = report;
  failures.push(...failuresOfPlaywright(report));
  results.push({ part: 'e2e', passed: stats.expected, failed: stats.unexpected + stats.flaky });
}

async function stopAll() {
  for (const service of running.splice(0).reverse()) await service.stop();
}
for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => void stopAll().then(() => process.exit(130)));

async function test() {
  if (only && !PARTS.includes(only)) throw new SetUpError(`--only takes one of: ${PARTS.join(', ')}.`);
  const wanted = (part) => (only ? only === part : part !== ON_ITS_OWN);
  await requirePackages();
  rmSync(reports, { recursive: true, force: true });
  mkdirSync(reports, { recursive: true });
  if (wanted('offices')) await requireOffices();
  if (wanted('server')) await requirePdfPages();
  const postgres = ['server', 'e2e', 'offices'].some(wanted) ? await testPostgres() : undefined;
  const waiting = [
    wanted('static') && (() => timed('static', runStatic)),
    wanted('server') && (() => timed('server', () => runServer(postgres, 'server'))),
    wanted('offices') && (() => timed('offices', () => runServer(postgres, 'offices'))),
    ...UNITS.map(
      (projects) =>
        wanted('unit') &&
        (() => timed(`unit ${projects[0]}`, () => runJest(`unit ${projects[0]}`, projects, process.env))),
    ),
  ].filter(Boolean);
  const others = async () => {
    for (let part = waiting.shift(); part; part = waiting.shift()) await part();
  };
  const journeys = async () => {
    if (!wanted('e2e')) return;
    await timed('build', buildApp);
    await timed('e2e', () => runE2e(postgres));
  };
  const ended = await Promise.allSettled([others(), journeys().then(others)]);
  const broken = ended.find(({ status }) => status === 'rejected');
  if (broken) throw broken.reason;
}

const summary = () => {
  const sum = (key) => results.reduce((total, r) => total + r[key], 0);
  for (const failure of failures) console.log(`✗ ${failure}\n`);
  for (const { part, passed, failed } of results)
    console.log(`${failed > 0 ? '✗' : '✓'} ${part.padEnd(20)} ${passed} passed${failed ? `, ${failed} failed` : ''}`);
  const times = [...took].map(([name, seconds]) => `${name} ${seconds} s`);
  console.log(
    `\n${sum('passed')} passed, ${sum('failed')} failed in ${Math.round((performance.now() - began) / 1000)} s (${times.join(', ')})`,
  );
  return sum('failed') > 0 || sum('passed') === 0 ? 1 : 0;
};

let code = 1;
try {
  await test();
} catch (error) {
  console.error(error instanceof SetUpError ? error.message : error);
  results.push({ part: 'set-up', passed: 0, failed: 1 });
} finally {
  await stopAll();
  console.log('');
  code = summary();
}
process.exit(code);
