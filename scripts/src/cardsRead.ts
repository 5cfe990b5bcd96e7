import { existsSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { photoFiles } from './photoFiles';
import { readFiles } from './readFiles';

const USAGE =
  'Usage: npm run -s cards:read -- PATH… --out FILE [--country XX] [--languages xx,yy]\n' +
  'PATH is a picture (JPEG, PNG, WebP, HEIC), a text (.txt, UTF-8, one card or signature) or a folder of them.';

/** @throws Error with words for the terminal */
function settings() {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      out: { type: 'string' },
      country: { type: 'string' },
      languages: { type: 'string' },
      help: { type: 'boolean', short: 'h' },
    },
  });
  if (values.help) throw new Error(USAGE);
  if (positionals.length === 0 || !values.out) throw new Error(USAGE);
  const missing = positionals.filter((path) => !existsSync(path));
  if (missing.length > 0) throw new Error(`Not found: ${missing.join(', ')}`);
  if (values.country && !/^[A-Za-z]{2}$/.test(values.country))
    throw new Error('--country takes two letters, such as GB.');
  const languages = values.languages?.toLowerCase().split(',');
  if (languages?.some((l) => !/^[a-z]{2}$/.test(l))) throw new Error('--languages takes codes such as pl,cs.');
  return { paths: positionals, out: values.out, country: values.country?.toUpperCase(), languages };
}

try {
  const { paths, out, country, languages } = settings();
  const files = photoFiles(paths);
  if (files.length === 0) throw new Error('There are no pictures and no texts in what was given.');
  const showProgress = process.stderr.isTTY;
  const predictions = await readFiles(
    files,
    (done, path, { ms, cards, error }) => {
      if (error) console.error(`${path}: ${error}`);
      else if (showProgress) process.stderr.write(`\r${done}/${files.length}  ${cards.length} cards, ${ms} ms  `);
    },
    { assumedCountry: country, languages },
  );
  if (showProgress) process.stderr.write('\n');
  writeFileSync(out, JSON.stringify(predictions));
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 2;
}
