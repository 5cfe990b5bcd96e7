import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { dataFolder, root } from './scripts/paths.mjs';
import { anyFreePort } from './scripts/ports.mjs';
import { startPostgres } from './scripts/postgres.mjs';
import { serverEnvironment, setUpDatabase } from './scripts/services.mjs';
const postgres = await startPostgres({ folder: join(dataFolder, 'test-postgres'), port: await anyFreePort(), setting: 'PORT', fast: true });
const databases = {};
for (const name of ['api', 'recovery']) {
  await postgres.dropDatabase(`test_${name}`); await postgres.ensureDatabase(`test_${name}`);
  await setUpDatabase(serverEnvironment({ postgres, database: `test_${name}`, port: 0 }), undefined);
  databases[name] = { ownerUrl: postgres.url('dossier_owner', `test_${name}`), databaseUrl: postgres.url('dossier_serving', `test_${name}`) };
}
const child = spawn(join(root, 'node_modules/.bin/jest'), ['--selectProjects', 'server', '--runInBand', ...process.argv.slice(2)], { cwd: root, stdio: 'inherit', env: { ...process.env, DOSSIER_TEST_DATABASES: JSON.stringify(databases) } });
await new Promise((r) => child.once('close', r));
await postgres.stop();
