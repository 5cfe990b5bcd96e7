import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, gzip } from 'node:zlib';
import { fingerprint, unlessDone } from './fingerprint.mjs';
import { appFolder, dataFolder, root } from './paths.mjs';
import { runToEnd } from './processes.mjs';

const SOURCES = ['app', 'contract', 'core'];
const SKIPPED = new Set(['node_modules', 'dist', '.expo', 'fonts', 'pdf', 'codes']);
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
    join(root, 'scripts/buildApp.mjs'),
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
  copyCodeReader();
  await runToEnd(process.execPath, [join(root, 'node_modules/expo/bin/cli'), 'export', '-p', 'web'], {
    cwd: join(root, 'app'),
    env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production', ...LIGHTER },
  });
  // Asked for only now: on a fresh clone its packages are installed a moment before.
  const { addToHead, writeServiceWorker } = await import('./serviceWorker.mjs');
  addToHead(appFolder);
  await writeServiceWorker(appFolder);
  await packFiles(appFolder);
}

/** Text and code; fonts and pictures are packed already. */
const PACKED = /\.(?:js|mjs|css|html|svg|wasm|webmanifest)$/;
const SMALLEST_PACKED = 1024;

/** Lays a packed copy beside each file that gains by it, so that none is packed while somebody waits. */
async function packFiles(folder) {
  const pack = [
    ['br', promisify(brotliCompress)],
    ['gz', promisify(gzip)],
  ];
  const names = readdirSync(folder, { recursive: true }).filter((name) => PACKED.test(name));
  for (const name of names) {
    const file = join(folder, name);
    const bytes = readFileSync(file);
    if (bytes.length < SMALLEST_PACKED) continue;
    for (const [ending, packed] of await Promise.all(pack.map(async ([as, make]) => [as, await make(bytes)])))
      writeFileSync(`${file}.${ending}`, packed);
  }
}

/** The part that opens PDFs is served beside the application and fetched only by who has one. */
function copyPdfLibrary() {
  const from = packageFolder('pdfjs-dist');
  const to = publicFolder('pdf');
  for (const file of ['pdf.min.mjs', 'pdf.worker.min.mjs']) copyFileSync(join(from, 'build', file), join(to, file));
}

/** So is the part that reads codes before the camera. */
function copyCodeReader() {
  const from = packageFolder('zxing-wasm');
  const to = publicFolder('codes');
  copyFileSync(join(from, 'dist/iife/reader/index.js'), join(to, 'reader.js'));
  copyFileSync(join(from, 'dist/reader/zxing_reader.wasm'), join(to, 'zxing_reader.wasm'));
}

const packageFolder = (name) =>
  [join(root, 'app/node_modules', name), join(root, 'node_modules', name)].find((f) => existsSync(f));

function publicFolder(name) {
  const folder = join(root, 'app/public', name);
  mkdirSync(folder, { recursive: true });
  return folder;
}

function copyFonts() {
  const to = publicFolder('fonts');
  for (const [name, files] of Object.entries(FONTS)) {
    const folder = packageFolder(name);
    for (const file of files) copyFileSync(join(folder, 'files', `${file}.woff2`), join(to, `${file}.woff2`));
  }
}
