import { readFile } from 'node:fs/promises';
import { runMigrations } from 'graphile-worker';
import { createDataSource } from './dataSource';
import { createAccounts, type NewWorkspace } from './features/account';
import { readConfig } from './platform/config';

/**
 * Brings the database up to date: tables by the owning role, the queue by the serving role. With the
 * path of a JSON file of workspaces, creates those that are missing.
 */
const config = readConfig();
const owner = await createDataSource(config.ownerUrl, 2).initialize();
await owner.runMigrations({ transaction: 'each' });
await runMigrations({ connectionString: config.databaseUrl });
const file = process.argv[2];
if (file) await createAccounts(owner, JSON.parse(await readFile(file, 'utf8')) as NewWorkspace[]);
await owner.destroy();
