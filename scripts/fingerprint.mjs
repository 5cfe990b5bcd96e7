import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** One hash over the names and contents of files and of everything in folders, but for what `skipped` names. */
export function fingerprint(paths, skipped = () => false) {
  const hash = createHash('sha256');
  for (const file of paths.flatMap((path) => filesOf(path, skipped))) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

function filesOf(path, skipped) {
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path)
    .filter((name) => !skipped(name))
    .sort()
    .flatMap((name) => filesOf(join(path, name), skipped));
}

/** Does `work` unless it was done for this very state before; the stamp file remembers. */
export async function unlessDone(stamp, state, work) {
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === state) return;
  await work();
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, state);
}
