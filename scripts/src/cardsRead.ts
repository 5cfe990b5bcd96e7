import { existsSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { photoFiles } from './photoFiles';
import { readFiles } from './readFiles';

const USAGE =
  'Usage: npm run -s cards:read -- PATH… --out FILE [--country XX]\nPATH is a picture (JPEG, PNG, WebP, HEIC) or a folder of pictures.';

/** @throws Error with words for the terminal */
function settings() {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { out: { type: 'string' }, country: { type: 'string' }, help: { type: 'boolean', short: 'h' } },
  });
  if (values.help) throw new Error(USAGE);
  if (positionals.length === 0 || !values.out) throw new Error(USAGE);
  const missing = positionals.filter((path) => !existsSync(path));
  if (missing.length > 0) throw new Error(`Not found: ${missing.join(', ')}`);
  if (values.country && !/^[A-Za-z]{2}$/.test(values.country))
    throw new Error('--country takes two letters, such as GB.');
  return { paths: positionals, out: values.out, country: values.country?.toUpperCase() };
}

try {
  const { paths, out, country } = settings();
  const files = photoFiles(paths);
  if (files.length === 0) throw new Error('There are no pictures in what was given.');
  const showProgress = process.stderr.isTTY;
  const predictions = await readFiles(
    files,
    (done, path, { ms, cards, error }) => {
      if (error) console.error(`${path}: ${error}`);
      else if (showProgress) process.stderr.write(`\r${done}/${files.length}  ${cards.length} cards, ${ms} ms  `);
    },
    country,
  );
  if (showProgress) process.stderr.write('\n');
  writeFileSync(out, JSON.stringify(predictions));
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 2;
}
