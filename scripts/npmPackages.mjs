import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';
import { runToEnd } from './processes.mjs';

const stamp = join(root, 'node_modules/.installed-for');

/** Installs the packages of the lock file unless they are there already. */
export async function requirePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing npm packages …');
  await runToEnd('npm', ['ci', '--loglevel=error'], { cwd: root });
  writeFileSync(stamp, lock);
}
