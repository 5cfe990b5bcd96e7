import { join } from 'node:path';
import { fingerprint, unlessDone } from './fingerprint.mjs';
import { root } from './paths.mjs';
import { runToEnd } from './processes.mjs';

/** Installs the packages of the lock file unless they are there already. The stamp goes with the packages when they are deleted. */
export const requirePackages = () =>
  unlessDone(join(root, 'node_modules/.installed-for'), fingerprint([join(root, 'package-lock.json')]), async () => {
    console.log('Installing npm packages; the first time takes a few minutes …');
    await runToEnd('npm', ['ci', '--loglevel=error'], { cwd: root });
  });
