import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { hasCommand, runToEnd, SetUpError } from './processes.mjs';

const VERSIONS = '/usr/lib/postgresql';

/** Folder of PostgreSQL's programs; installs Debian's package where that is possible. */
export async function requirePostgres() {
  const found = findPostgres();
  if (found) return found;
  await installFromDebian('PostgreSQL', ['postgresql']);
  const installed = findPostgres();
  if (!installed)
    throw new SetUpError('PostgreSQL was installed, but its programs were not found under /usr/lib/postgresql.');
  return installed;
}

function findPostgres() {
  const versions = existsSync(VERSIONS) ? readdirSync(VERSIONS).sort((a, b) => Number(b) - Number(a)) : [];
  return versions
    .map((v) => join(VERSIONS, v, 'bin'))
    .find((bin) => existsSync(join(bin, 'postgres')) && existsSync(join(bin, 'psql')));
}

/**
 * Path of Chromium without windows, a third lighter than with them unseen. Beside it stands the whole one, for what outlives a browser:
 * without windows no profile is kept. Installs Debian's packages where that is possible.
 */
export async function requireChromium() {
  const [light, whole] = ['chromium-headless-shell', 'chromium'];
  const missing = [light, whole].filter((name) => !existsSync(`/usr/bin/${name}`));
  if (missing.length > 0) await installFromDebian('Chromium', missing);
  return `/usr/bin/${light}`;
}

/** Programs of other people that read what is taken out: a library and a program for address books, a spreadsheet. */
export async function requireOffices() {
  const missing = [
    ['/usr/lib/python3/dist-packages/vobject', 'python3-vobject'],
    ['/usr/sbin/dovecot', 'dovecot-imapd'],
    ['/usr/sbin/exim4', 'exim4-daemon-light'],
    ['/usr/bin/khard', 'khard'],
    ['/usr/bin/vdirsyncer', 'vdirsyncer'],
    ['/usr/bin/soffice', 'libreoffice-calc-nogui'],
  ].filter(([path]) => !existsSync(path));
  if (missing.length > 0) await installFromDebian('Programs for address books and spreadsheets', missing.map(([, name]) => name)); // prettier-ignore
}

/** What makes pictures of the pages of PDFs. */
export async function requirePdfPages() {
  if (!existsSync('/usr/bin/pdftoppm')) await installFromDebian('A program for pages of PDFs', ['poppler-utils']);
}

async function installFromDebian(what, packages) {
  const command = `apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  if (process.getuid?.() !== 0 || !hasCommand('apt-get')) {
    throw new SetUpError(`${what} is missing. Install it with "sudo ${command}" (Debian), then run this again.`);
  }
  console.log(`Installing ${what} from Debian …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  await runToEnd('apt-get', ['update'], { env });
  await runToEnd('apt-get', command.split(' ').slice(1), { env });
}
