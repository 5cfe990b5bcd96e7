import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { NotLetIn } from './folder/askService';
import { RowsFile } from './folder/rowsFile';
import { CARD_COLUMN, HEAD } from './folder/rowsOfReading';
import { lookInto, type Watched } from './folder/watchFolder';

const USAGE =
  'Usage: npm run -s cards:watch -- FOLDER --to ADDRESS --token-file FILE [--out ROWS.csv] [--file lead|contact|no] [--done FOLDER] [--failed FOLDER] [--once]\n' +
  'Pictures, PDFs and texts that appear in FOLDER are sent to Dossier; each card becomes a row. ADDRESS is such as http://127.0.0.1:4300.\n' +
  'The file of the token holds one that may send pictures, and file people where they are to be filed. With --once it ends when all is read.';

const LOOK_MS = 1_000;
const FILES = ['no', 'lead', 'contact'] as const;

/** @throws Error with words for the terminal */
function settings(): Watched & { once: boolean } {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      to: { type: 'string' },
      'token-file': { type: 'string' },
      out: { type: 'string' },
      done: { type: 'string' },
      failed: { type: 'string' },
      file: { type: 'string', default: 'no' },
      once: { type: 'boolean', default: false },
      help: { type: 'boolean', short: 'h' },
    },
  });
  const [folder] = positionals;
  if (values.help || !folder || positionals.length > 1 || !values.to || !values['token-file']) throw new Error(USAGE);
  if (!statSync(folder, { throwIfNoEntry: false })?.isDirectory()) throw new Error(`There is no folder ${folder}.`);
  if (!URL.canParse(values.to)) throw new Error('--to takes an address such as http://127.0.0.1:4300.');
  if (!existsSync(values['token-file'])) throw new Error(`There is no file ${values['token-file']}.`);
  const file = FILES.find((one) => one === values.file);
  if (!file) throw new Error(`--file takes one of: ${FILES.join(', ')}.`);
  return {
    folder,
    done: values.done ?? join(folder, 'done'),
    failed: values.failed ?? join(folder, 'failed'),
    rows: values.out ? new RowsFile(values.out, HEAD, CARD_COLUMN) : undefined,
    once: values.once,
    service: {
      address: values.to.replace(/\/+$/, ''),
      token: readFileSync(values['token-file'], 'utf8').trim(),
      file,
      say: (words) => console.error(words),
    },
  };
}

try {
  const watched = settings();
  console.log(`Watching ${watched.folder}.`);
  let look = new Map<string, string>();
  for (;;) {
    const seen = await lookInto(watched, look);
    look = seen.look;
    if (watched.once && seen.dealtWith === look.size) break;
    if (seen.dealtWith < look.size || look.size === 0) await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  }
} catch (error) {
  console.error(error instanceof NotLetIn ? `Dossier does not let this token in: ${error.message}` : error instanceof Error ? error.message : error); // prettier-ignore
  process.exitCode = 2;
}
