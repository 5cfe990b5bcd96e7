import { spawn } from 'node:child_process'; import { join } from 'node:path';
import { appFolder, dataFolder, root } from './scripts/paths.mjs'; import { anyFreePort } from './scripts/ports.mjs'; import { startPostgres } from './scripts/postgres.mjs';
import { serverEnvironment, setUpDatabase, startServer, startWorker, waitForHealth } from './scripts/services.mjs';
const postgres = await startPostgres({ folder: join(dataFolder, 'test-postgres'), port: await anyFreePort(), setting: 'PORT', fast: true });
await postgres.dropDatabase('test_e2e'); await postgres.ensureDatabase('test_e2e'); await setUpDatabase(serverEnvironment({ postgres, database: 'test_e2e', port: 0 }), join(root, 'e2e/workspaces.json'));
const port = await anyFreePort(); const env = serverEnvironment({ postgres, database: 'test_e2e', port, appFolder, log: 'error' });
const s = [startServer(env), startWorker(env)]; await waitForHealth(`http://127.0.0.1:${port}`);
const child = spawn(join(root, 'node_modules/.bin/playwright'), ['test', '--config', 'e2e/playwright.config.ts', ...process.argv.slice(2)], { cwd: root, stdio: 'inherit', env: { ...process.env, DOSSIER_E2E_ADDRESS: `http://127.0.0.1:${port}`, DOSSIER_CHROMIUM: '/usr/bin/chromium', PLAYWRIGHT_JSON_OUTPUT_NAME: '/tmp/e2e.json' } });
await new Promise((r) => child.once('close', r)); for (const x of s) await x.stop(); await postgres.stop();
