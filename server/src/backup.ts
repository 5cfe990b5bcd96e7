import { createWriteStream } from 'node:fs';
import { rename, rm, stat } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { createDataSource } from './dataSource';
import { backUp } from './features/backup/backUp';
import { allWorkspaces, workspaceOfAccount } from './features/backup/queries';
import { fail, givenPath, passphraseFrom, tell } from './features/backup/program';
import { readConfig } from './platform/config';

/** Writes a workspace into a file: `--out FILE [--of EMAIL] [--passphrase-file FILE]`. */
async function main(): Promise<void> {
  const { values } = parseArgs({
    options: { out: { type: 'string' }, of: { type: 'string' }, 'passphrase-file': { type: 'string' } },
  });
  const { of } = values;
  if (!values.out) return fail('Say where the backup goes: npm run backup -- --out FILE');
  const out = givenPath(values.out);
  const passphrase = await passphraseFrom(values['passphrase-file']);
  const owner = await createDataSource(readConfig().ownerUrl, 1).initialize();
  const unfinished = `${out}.part`;
  try {
    const workspaces = await allWorkspaces(owner.manager);
    const chosen = of ? await workspaceOfAccount(owner.manager, of) : workspaces[0]?.id;
    const workspace = workspaces.find(({ id }) => id === chosen);
    if (!workspace) return fail(of ? `Nobody here has the e-mail address ${of}.` : 'There is nothing to back up yet.');
    if (!of && workspaces.length > 1)
      console.error(`There are ${workspaces.length} workspaces here; this is “${workspace.name}”. For another one, name somebody of it: --of EMAIL`); // prettier-ignore
    const about = await owner.transaction('REPEATABLE READ', (manager) =>
      backUp(manager, workspace.id, createWriteStream(unfinished, { mode: 0o600 }), passphrase, (share) =>
        tell(`${Math.round(share * 100)} %`),
      ),
    );
    await rename(unfinished, out);
    const { rows } = about;
    tell('');
    console.log(`“${about.workspace.name}” as of ${about.madeAt}: ${rows.person} people, ${rows.card} cards, ${rows.stored_file} pictures, ${(await stat(out)).size} bytes${passphrase ? ', encrypted' : ''}.`); // prettier-ignore
  } catch (error) {
    await rm(unfinished, { force: true });
    const { code, path } = error as { code?: string; path?: string };
    if (code && path) return fail(`${path} could not be written (${code}). Choose another place with --out.`);
    throw error;
  } finally {
    await owner.destroy();
  }
}

await main();
