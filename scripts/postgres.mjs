import { totalmem } from 'node:os';
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, chownSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { requireFreePort } from './ports.mjs';
import { keepRunning, runToEnd, startProcess, waitUntil } from './processes.mjs';
import { requirePostgres } from './systemPackages.mjs';

const HOST = '127.0.0.1';

/** Where it is written down what was done in a cluster's databases: what is there no more was never done. */
export const stampsOf = (folder) => `${folder}.stamps`;

/**
 * Starts PostgreSQL on loopback over a data folder of its own, made on first use. It runs as the
 * calling user, or as `postgres` when that is root. A server still running over the same folder from
 * an interrupted run is used and stopped with the rest.
 * @param {{ folder: string, port: number, setting: string, fast?: boolean }} options `fast` gives up
 *   durability, for tests
 */
export async function startPostgres({ folder, port, setting, fast = false }) {
  const bin = await requirePostgres();
  mkdirSync(dirname(folder), { recursive: true });
  const asUser = userPrefix(dirname(folder));
  const secrets = readSecrets(`${folder}.secrets.json`);
  if (!existsSync(join(folder, 'PG_VERSION'))) {
    rmSync(stampsOf(folder), { recursive: true, force: true });
    await createCluster(bin, folder, asUser, secrets);
  }
  const running = runningServer(folder);
  const actualPort = running?.port ?? port;
  let server;
  if (!running) {
    await requireFreePort(port, HOST, setting);
    const settings = {
      listen_addresses: HOST,
      unix_socket_directories: '',
      log_min_messages: 'fatal',
      logging_collector: 'off',
      // Several processes that serve, and several that work, each with connections of its own and of its queue.
      max_connections: '200',
      // An eighth of what is there: what lists look through stays in reach while others write.
      shared_buffers: `${Math.max(128, Math.min(1024, Math.floor(totalmem() / 2 ** 23)))}MB`,
      ...(fast && { fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off' }),
    };
    const flags = Object.entries(settings).flatMap(([key, value]) => ['-c', `${key}=${value}`]);
    const [command, ...args] = [...asUser, join(bin, 'postgres'), '-D', folder, '-p', String(port), ...flags];
    server = keepRunning('PostgreSQL', () =>
      startProcess('PostgreSQL', command, args, { cwd: '/', stdio: ['ignore', 'ignore', 'inherit'] }),
    );
  }
  const ready = () => spawnSync(join(bin, 'pg_isready'), ['-q', '-h', HOST, '-p', String(actualPort)]).status === 0;
  await waitUntil('PostgreSQL', ready);
  const url = (role, database) => `postgres://${role}:${secrets[role]}@${HOST}:${actualPort}/${database}`;
  const psql = (database, sql) =>
    runToEnd(join(bin, 'psql'), ['-q', '-v', 'ON_ERROR_STOP=1', '-At', '-d', url('postgres', database), '-c', sql], {
      cwd: '/',
    });
  return {
    url,
    /** What secrets of others are sealed with, kept beside the roles' passwords. */
    sealing: secrets.sealing,
    /** Whether somebody else had started it, who may still need it. */
    wasRunning: running !== undefined,
    /** Makes the two roles and an empty database unless they are there. */
    async ensureDatabase(name) {
      for (const role of ['dossier_owner', 'dossier_serving']) {
        await psql(
          'postgres',
          `do $$ begin if not exists (select from pg_roles where rolname = '${role}') then
             create role ${role} login password '${secrets[role]}'; end if; end $$`,
        );
      }
      if ((await psql('postgres', `select 1 from pg_database where datname = '${name}'`)).trim()) return;
      await psql(
        'postgres',
        `create database ${name} owner dossier_owner encoding 'UTF8' lc_collate 'C.UTF-8' lc_ctype 'C.UTF-8' template template0`,
      );
      await psql('postgres', `grant create on database ${name} to dossier_serving`);
    },
    /** @returns what a statement answers, as the database's superuser */
    psql,
    /** Ends the database and starts it again after so long, to try out what that does. */
    awayFor: (ms) => server.awayFor(ms, 'SIGINT'),
    dropDatabase: (name) => psql('postgres', `drop database if exists ${name} with (force)`),
    async stop() {
      if (server) return server.stop('SIGINT');
      spawnSync(...split([...asUser, join(bin, 'pg_ctl'), '-D', folder, '-m', 'fast', 'stop']), { cwd: '/' });
    },
  };
}

const split = ([command, ...args]) => [command, args];

/** What to put before a command so that it runs as PostgreSQL's user. */
function userPrefix(parent) {
  if (process.getuid?.() !== 0) return [];
  const plain = ['setpriv', '--reuid=postgres', '--regid=postgres', '--init-groups'];
  const reaches = spawnSync(plain[0], [...plain.slice(1), 'test', '-x', parent], { cwd: '/' }).status === 0;
  // Under a folder that others may not enter, PostgreSQL keeps the one capability to pass through it.
  return reaches ? plain : [...plain, '--inh-caps=+dac_read_search', '--ambient-caps=+dac_read_search'];
}

function readSecrets(file) {
  if (!existsSync(file)) {
    const secrets = Object.fromEntries(
      ['postgres', 'dossier_owner', 'dossier_serving'].map((role) => [role, randomBytes(18).toString('base64url')]),
    );
    writeFileSync(file, JSON.stringify(secrets), { mode: 0o600 });
  }
  const secrets = JSON.parse(readFileSync(file, 'utf8'));
  if (secrets.sealing) return secrets;
  const more = { ...secrets, sealing: randomBytes(32).toString('base64url') };
  writeFileSync(file, JSON.stringify(more), { mode: 0o600 });
  return more;
}

async function createCluster(bin, folder, asUser, secrets) {
  mkdirSync(folder, { recursive: true });
  chmodSync(folder, 0o700);
  const passwordFile = `${folder}.password`;
  writeFileSync(passwordFile, secrets.postgres, { mode: 0o600 });
  if (asUser.length > 0) {
    const id = (flag) => Number(spawnSync('id', [flag, 'postgres']).stdout.toString());
    for (const path of [folder, passwordFile]) chownSync(path, id('-u'), id('-g'));
  }
  const [command, ...args] = [
    ...asUser,
    join(bin, 'initdb'),
    '-D',
    folder,
    '-U',
    'postgres',
    `--pwfile=${passwordFile}`,
    '--auth=scram-sha-256',
    '--encoding=UTF8',
    '--locale=C.UTF-8',
    '--no-sync',
    '--data-checksums',
  ];
  await runToEnd(command, args, { cwd: '/' });
  writeFileSync(passwordFile, '');
}

/** The server that `postmaster.pid` names, when it lives (line 1 its process, line 4 its port). */
function runningServer(folder) {
  const file = join(folder, 'postmaster.pid');
  if (!existsSync(file)) return undefined;
  const lines = readFileSync(file, 'utf8').split('\n');
  const pid = Number(lines[0]);
  const cmdline = `/proc/${pid}/cmdline`;
  const alive = existsSync(cmdline) && readFileSync(cmdline, 'utf8').includes(folder);
  return alive ? { port: Number(lines[3]) } : undefined;
}
