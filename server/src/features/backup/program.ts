import { readFile } from 'node:fs/promises';
import { resolve } from 'node:path';

/** A file that was named, seen from where the command was given. */
export const givenPath = (name: string): string => resolve(process.env.INIT_CWD ?? process.cwd(), name);

/** How far it is, where somebody is looking. */
export const tell = (words: string): void => {
  if (process.stderr.isTTY) process.stderr.write(`\r\u001B[K${words}`);
};

/** Ends a program with a word that says what to do. */
export function fail(words: string): void {
  tell('');
  console.error(words);
  process.exitCode = 1;
}

/** The first line of a file, else what the environment says: a passphrase in the command itself could be seen by others. */
export async function passphraseFrom(file: string | undefined): Promise<string | undefined> {
  const given = file
    ? (await readFile(givenPath(file), 'utf8')).split(/\r?\n/, 1)[0]
    : process.env.DOSSIER_BACKUP_PASSPHRASE;
  return given ? given : undefined;
}
