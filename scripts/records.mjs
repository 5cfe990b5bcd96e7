import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fingerprint, unlessDone } from './fingerprint.mjs';
import { root } from './paths.mjs';
import { stampsOf } from './postgres.mjs';
import { setUpDatabase } from './services.mjs';

/**
 * Which records are opened: the demo's or those of a team of one's own. They are databases of their own and never touch; without a
 * word the ones that were open last are opened again.
 */
export function chooseRecords(args, dataFolder) {
  const remembered = join(dataFolder, 'records');
  const last = existsSync(remembered) ? readFileSync(remembered, 'utf8').trim() : 'demo';
  const own = args.includes('--empty') || (last === 'own' && !args.includes('--demo') && !args.includes('--fresh'));
  const database = own ? 'dossier_own' : 'dossier';
  const stamps = stampsOf(join(dataFolder, 'postgres'));
  const stamp = join(stamps, `${database}-set-up-from`);
  const demoLoaded = join(stamps, 'demo-loaded');
  return {
    own,
    database,
    /** What the tables were brought up to date from. */
    stamp,
    demoLoaded,
    remember() {
      mkdirSync(dataFolder, { recursive: true });
      writeFileSync(remembered, own ? 'own' : 'demo');
    },
    /** The records were dropped: everything begins anew. */
    forget() {
      for (const file of own ? [stamp] : [stamp, demoLoaded]) rmSync(file, { force: true });
    },
  };
}

/** Brings their database up to date, unless it is. */
export function setUpRecords(records, postgres, env) {
  const from = ['server/src/migrations', 'server/src/setUp.ts', 'demo/workspaces.json', 'package-lock.json'];
  return unlessDone(records.stamp, fingerprint(from.map((name) => join(root, name))), async () => {
    await postgres.ensureDatabase(records.database);
    await setUpDatabase(env, records.own ? null : undefined);
  });
}
