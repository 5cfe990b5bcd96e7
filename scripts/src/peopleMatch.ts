import { existsSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { featuresOf, sweep, type Features, type Sweep } from '@dossier/core/matching/people';
import { fieldsOfRow, readRegister } from './registerCsv';

const USAGE =
  'Usage: npm run -s people:match -- REGISTER.csv --out PAIRS.json [--country XX]\n' +
  'REGISTER.csv is UTF-8 with the header id,given_name,family_name,prefix,suffix,title,company,emails,phones,street,' +
  'locality,region,postal_code,country; several e-mails or phones are separated by semicolons.';

/** Looks for records of the same person in a register of people, without server and database. */
try {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { out: { type: 'string' }, country: { type: 'string' }, help: { type: 'boolean', short: 'h' } },
  });
  const [file] = positionals;
  if (values.help || !file || !values.out) throw new Error(USAGE);
  if (!existsSync(file)) throw new Error(`Not found: ${file}`);
  if (values.country && !/^[A-Za-z]{2}$/.test(values.country))
    throw new Error('--country takes two letters, such as GB.');
  const country = values.country?.toUpperCase();
  // Who is alike lies side by side in memory then, which makes the search a third quicker.
  const rows = readRegister(file).sort((a, b) => (a.family_name.toLowerCase() < b.family_name.toLowerCase() ? -1 : 1));
  const features: Features[] = [];
  for (const [i, row] of rows.entries()) {
    features.push(featuresOf(fieldsOfRow(row), country));
    if (i % 1000 === 0) tell('reading', i / rows.length);
  }
  const { pairs } = followed(sweep(features));
  if (process.stderr.isTTY) process.stderr.write('\n');
  const lines = pairs.map(({ a, b, likelihood, band, evidence }) =>
    JSON.stringify({
      a: rows[a]!.id,
      b: rows[b]!.id,
      likelihood: Number(likelihood.toFixed(6)),
      band,
      reasons: evidence.map(
        ({ words, weight }) => `${words} (${weight >= 0 ? '+' : '−'}${Math.abs(weight).toFixed(1)})`,
      ),
    }),
  );
  writeFileSync(values.out, `[${lines.join(',\n')}]\n`);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 2;
}

function tell(what: string, share: number): void {
  if (process.stderr.isTTY) process.stderr.write(`\r${what} ${Math.round(share * 100)} %  `);
}

function followed(search: Generator<number, Sweep>): Sweep {
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
    tell('comparing', step.value);
  }
}
