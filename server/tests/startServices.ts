import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { databaseOf, freePort, isUp, startRole, until } from './services';

/** One server and one worker for all tests that need no other. */
export default async function startServices(): Promise<void> {
  if (!process.env.DOSSIER_TEST_DATABASES) return;
  const port = await freePort();
  process.env.DOSSIER_TEST_BACKUPS = mkdtempSync(join(tmpdir(), 'dossier-backups-'));
  process.env.DOSSIER_TEST_MAIL_PORT = String(await freePort());
  const env = { ...databaseOf('api'), DOSSIER_PORT: String(port), DOSSIER_SIGN_IN_LIMIT: '40', DOSSIER_BACKUP_FOLDER: process.env.DOSSIER_TEST_BACKUPS, DOSSIER_PUBLIC_ADDRESS: `http://127.0.0.1:${port}`, DOSSIER_MAIL_PORT: process.env.DOSSIER_TEST_MAIL_PORT }; // prettier-ignore
  const address = `http://127.0.0.1:${port}/api/v1`;
  process.env.DOSSIER_TEST_ADDRESS = address;
  Object.assign(globalThis, { testServices: [startRole('api', env), startRole('recordedWorker', env)] });
  await until(() => isUp(address));
}
