import { createReadStream } from 'node:fs';
import { access, constants } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { createDataSource } from './dataSource';
import { BadArchive } from './features/backup/archive';
import { fail, givenPath, passphraseFrom, tell } from './features/backup/program';
import { checkArchive, restore } from './features/backup/restore';
import { readConfig } from './platform/config';

/** Puts a backup into an empty workspace: `FILE [--into EMAIL] [--check] [--passphrase-file FILE]`. */
async function main(): Promise<void> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { into: { type: 'string' }, check: { type: 'boolean' }, 'passphrase-file': { type: 'string' } },
  });
  if (!positionals[0]) return fail('Say which backup: npm run restore -- FILE');
  const file = givenPath(positionals[0]);
  const isThere = await access(file, constants.R_OK).then(() => true, () => false); // prettier-ignore
  if (!isThere) return fail(`${file} is not there, or may not be read.`);
  const passphrase = await passphraseFrom(values['passphrase-file']);
  const open = () => createReadStream(file);
  try {
    if (values.check) {
      const { workspace, madeAt, rows } = await checkArchive(open, passphrase);
      return console.log(`Whole: “${workspace.name}” as of ${madeAt}, ${rows.person} people, ${rows.card} cards, ${rows.stored_file} pictures.`); // prettier-ignore
    }
    const { ownerUrl, databaseUrl } = readConfig();
    const owner = await createDataSource(ownerUrl, 1).initialize();
    const serving = await createDataSource(databaseUrl, 1).initialize();
    try {
      const done = await restore({
        owner,
        serving,
        open,
        passphrase,
        into: values.into,
        onProgress: (rows, of) => tell(`${Math.round((100 * rows) / Math.max(1, of))} %`),
      });
      tell('');
      console.log(`“${done.workspace}” is back as of ${done.madeAt}: ${done.rows} records, ${done.pictures} pictures.`);
      if (done.renumbered) console.log('It stands beside the one it is a copy of, with other ids: links and tables of the one do not lead to the other.'); // prettier-ignore
      if (done.withoutSignIn.length > 0) console.log(`Their address is somebody else’s here, so they cannot sign in: ${done.withoutSignIn.join(', ')}.`); // prettier-ignore
    } finally {
      await owner.destroy();
      await serving.destroy();
    }
  } catch (error) {
    if (error instanceof BadArchive) return fail(error.message);
    throw error;
  }
}

await main();
