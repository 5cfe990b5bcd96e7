#!/usr/bin/env node
/**
 * Runs a program of the server on the records that were opened last, or on those of DOSSIER_OWNER_URL and DOSSIER_DATABASE_URL:
 *
 *     npm run backup -- --out FILE [--of EMAIL] [--passphrase-file FILE]
 *     npm run restore -- FILE [--into EMAIL] [--check] [--passphrase-file FILE]
 *
 * `--demo` or `--empty` chooses between the demo's records and those of a team of one's own, as for `npm start`; without a word a backup
 * comes back into those of one's own.
 */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { requirePackages } from './npmPackages.mjs';
import { dataFolder, root } from './paths.mjs';
import { startPostgres } from './postgres.mjs';
import { SetUpError } from './processes.mjs';
import { chooseRecords, setUpRecords } from './records.mjs';
import { tsxArguments } from './programs.mjs';
import { serverEnvironment } from './services.mjs';

const [program, ...given] = process.argv.slice(2);
const isRestore = program === 'restore';
const choices = given.filter((one) => one === '--demo' || one === '--empty');
const args = given.filter((one) => !choices.includes(one));

const run = (env) =>
  spawnSync(process.execPath, tsxArguments(`server/src/${program}.ts`, ...args), { stdio: 'inherit', cwd: join(root, 'server'), env }).status ?? 1; // prettier-ignore

async function onOwnRecords() {
  const records = chooseRecords(choices.length === 0 && isRestore ? ['--empty'] : choices, dataFolder);
  const postgres = await startPostgres({
    folder: join(dataFolder, 'postgres'),
    port: Number(process.env.DOSSIER_DATABASE_PORT ?? 4301),
    setting: 'DOSSIER_DATABASE_PORT',
  });
  try {
    const env = serverEnvironment({ postgres, database: records.database, port: 1 });
    await setUpRecords(records, postgres, env);
    const status = run(env);
    if (isRestore && status === 0 && !args.includes('--check')) {
      records.remember();
      console.log('Open it with npm start, and sign in as somebody of that team.');
    }
    return status;
  } finally {
    if (!postgres.wasRunning) await postgres.stop();
  }
}

try {
  await requirePackages();
  const { DOSSIER_OWNER_URL, DOSSIER_DATABASE_URL } = process.env;
  process.exitCode = DOSSIER_OWNER_URL && DOSSIER_DATABASE_URL ? run(process.env) : await onOwnRecords();
} catch (error) {
  console.error(error instanceof SetUpError ? error.message : error);
  process.exitCode = 1;
}
