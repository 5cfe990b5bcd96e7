import { copyFileSync, existsSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fingerprint, unlessDone } from './fingerprint.mjs';
import { appFolder, dataFolder, root } from './paths.mjs';
import { runToEnd } from './processes.mjs';

const SOURCES = ['app', 'contract', 'core'];
const SKIPPED = new Set(['node_modules', 'dist', '.expo', 'fonts', 'pdf']);
const stamp = join(dataFolder, 'app-built-from');

/** Font files that the application is served with, from their packages. */
const FONTS = {
  '@fontsource-variable/newsreader': ['newsreader-latin-wght-normal', 'newsreader-latin-ext-wght-normal'],
  '@fontsource-variable/instrument-sans': [
    'instrument-sans-latin-wght-normal',
    'instrument-sans-latin-ext-wght-normal',
  ],
  '@fontsource/ibm-plex-mono': ['ibm-plex-mono-latin-400-normal', 'ibm-plex-mono-latin-ext-400-normal'],
};

/** Exports the web application unless nothing it is made of has changed. */
export async function buildApp() {
  const sources = [
    join(root, 'package-lock.json'),
    join(root, 'scripts/serviceWorker.mjs'),
    ...SOURCES.map((name) => join(root, name)),
  ];
  if (!existsSync(join(appFolder, 'index.html'))) rmSync(stamp, { force: true });
  await unlessDone(stamp, fingerprint(sources, isSkipped), exportApp);
}

const isSkipped = (name) => SKIPPED.has(name) || /\.test\.tsx?$/.test(name) || name.startsWith('expo-env');

/** Leaves out what nothing imports: a tenth of the bundle. */
const LIGHTER = { EXPO_UNSTABLE_TREE_SHAKING: '1', EXPO_UNSTABLE_METRO_OPTIMIZE_GRAPH: '1' };

async function exportApp() {
  console.log('Building the application; the first time takes a few minutes …');
  copyFonts();
  copyPdfLibrary();
  await runToEnd(process.execPath, [join(root, 'node_modules/expo/bin/cli'), 'export', '-p', 'web'], {
    cwd: join(root, 'app'),
    env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production', ...LIGHTER },
  });
  // Asked for only now: on a fresh clone its packages are installed a moment before.
  const { addToHead, writeServiceWorker } = await import('./serviceWorker.mjs');
  addToHead(appFolder);
  await writeServiceWorker(appFolder);
}

/** The part that opens PDFs is served beside the application and fetched only by who has one. */
function copyPdfLibrary() {
  const to = join(root, 'app/public/pdf');
  const from = [join(root, 'app/node_modules/pdfjs-dist'), join(root, 'node_modules/pdfjs-dist')].find((f) =>
    existsSync(f),
  );
  mkdirSync(to, { recursive: true });
  for (const file of ['pdf.min.mjs', 'pdf.worker.min.mjs']) copyFileSync(join(from, 'build', file), join(to, file));
}

function copyFonts() {
  const to = join(root, 'app/public/fonts');
  mkdirSync(to, { recursive: true });
  for (const [name, files] of Object.entries(FONTS)) {
    const folder = [join(root, 'app/node_modules', name), join(root, 'node_modules', name)].find((f) => existsSync(f));
    for (const file of files) copyFileSync(join(folder, 'files', `${file}.woff2`), join(to, `${file}.woff2`));
  }
}
