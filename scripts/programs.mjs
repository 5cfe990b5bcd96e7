import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { pathToFileURL } from 'node:url';
import { fingerprint } from './fingerprint.mjs';
import { root } from './paths.mjs';

/** Programs that are started often, killed and started again. */
const ENTRIES = {
  main: 'server/src/main.ts',
  setUp: 'server/src/setUp.ts',
  recordedWorker: 'server/tests/recordedWorker.ts',
};
/** Within the server's folder: packages are found from there as they are from its sources. */
const folder = join(root, 'server/.programs');
const SOURCES = [
  'package-lock.json',
  'scripts/programs.mjs',
  'server/tsconfig.json',
  'server/tests/recordedWorker.ts',
  // What each gives to others stands in its package.
  ...['contract', 'core', 'reader'].map((name) => `${name}/package.json`),
  ...['server', 'contract', 'core', 'reader'].map((name) => `${name}/src`),
];
const KEPT_FOR_MS = 3 * 24 * 60 * 60 * 1000;

/** Node with the TypeScript loader, for programs of the workspaces. */
export const tsxArguments = (program, ...args) => ['--import', 'tsx', join(root, program), ...args];

/** A program of the server: as it was put together, or from its sources where that was not done. */
export function programArguments(name, ...args) {
  const built = process.env.DOSSIER_PROGRAMS;
  if (!built) return tsxArguments(ENTRIES[name], ...args);
  return ['--enable-source-maps', join(built, `${name}.js`), ...args];
}

/**
 * Puts the server's programs together as plain JavaScript, once for each state of their sources: started so, they are there in half the
 * time. Whoever is started from here on finds them by `DOSSIER_PROGRAMS`.
 */
export async function buildPrograms() {
  if (process.env.DOSSIER_PROGRAMS) return;
  const sources = SOURCES.map((path) => join(root, path));
  const into = join(folder, fingerprint(sources, (name) => /\.test\.ts$/.test(name)).slice(0, 16));
  if (!existsSync(into)) await build(into);
  process.env.DOSSIER_PROGRAMS = into;
}

async function build(into) {
  // Asked for only now: on a fresh clone its packages are installed a moment before.
  const { build: bundle } = await import('esbuild');
  mkdirSync(folder, { recursive: true });
  // Those of other states may be running still.
  for (const name of readdirSync(folder))
    if (Date.now() - statSync(join(folder, name)).mtimeMs > KEPT_FOR_MS)
      rmSync(join(folder, name), { recursive: true });
  const beside = `${into}.${process.pid}`;
  await bundle({
    entryPoints: Object.fromEntries(Object.entries(ENTRIES).map(([name, path]) => [name, join(root, path)])),
    outdir: beside,
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    keepNames: true,
    sourcemap: true,
    tsconfig: join(root, 'server/tsconfig.json'),
    logLevel: 'warning',
    plugins: [{ name: 'own sources', setup: asTheyStand }],
  });
  try {
    renameSync(beside, into);
  } catch (error) {
    // Somebody else was as quick.
    rmSync(beside, { recursive: true });
    if (!existsSync(into)) throw error;
  }
}

/** Only our own sources are put together, and each goes on looking for its files from where it lies. */
function asTheyStand(build) {
  build.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
    kind === 'entry-point' || path.startsWith('@dossier/') ? undefined : { path, external: true },
  );
  build.onLoad({ filter: /\.ts$/ }, ({ path }) => {
    if (relative(root, path).startsWith('node_modules')) return undefined;
    const contents = readFileSync(path, 'utf8')
      .replaceAll('import.meta.url', JSON.stringify(pathToFileURL(path).href))
      .replaceAll('import.meta.dirname', JSON.stringify(dirname(path)));
    return { contents, loader: 'ts' };
  });
}
