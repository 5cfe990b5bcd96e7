import { featuresOf, sweep, type Features, type Sweep } from '@dossier/core/matching/people';
import { drawRegister, type Register } from '@dossier/demo/register';
import { fieldsOfRow } from './registerCsv';

interface Rates {
  /** Share of the pairs given that are records of one person. */
  precision: number;
  /** Share of the true pairs that are given. */
  recall: number;
  pairs: number;
}

export interface MatchingFigures {
  records: number;
  truePairs: number;
  /** What is taken for the same, and that together with what a person is asked about. */
  same: Rates;
  sameOrPerhaps: Rates;
  /** Everybody with an e-mail address or phone number in common. */
  exactKeys: Rates;
  secondsFeatures: number;
  secondsSweep: number;
}

/** Measures matching on a drawn register of which every fifth record is a second one of somebody. */
export function measureMatching(records: number, seed: number): MatchingFigures {
  const register = drawRegister(records, 0.2, seed);
  const started = performance.now();
  const features = register.rows.map((row) => featuresOf(fieldsOfRow(row)));
  const compared = performance.now();
  const { pairs } = followed(sweep(features));
  const done = performance.now();
  const truth = new Set(register.truth.map(([a, b]) => pairKey(a, b)));
  const idOf = (i: number) => register.rows[i]!.id;
  const keys = (wanted: Sweep['pairs']) => wanted.map(({ a, b }) => pairKey(idOf(a), idOf(b)));
  return {
    records,
    truePairs: truth.size,
    same: rates(keys(pairs.filter(({ band }) => band === 'same')), truth),
    sameOrPerhaps: rates(keys(pairs), truth),
    exactKeys: rates(exactPairs(register, features), truth),
    secondsFeatures: (compared - started) / 1000,
    secondsSweep: (done - compared) / 1000,
  };
}

export function describeMatching({
  records,
  truePairs,
  same,
  sameOrPerhaps,
  exactKeys,
  secondsFeatures,
  secondsSweep,
}: MatchingFigures): string {
  const row = (name: string, { precision, recall, pairs }: Rates) =>
    `${name.padEnd(20)}${precision.toFixed(4).padStart(10)}${recall.toFixed(4).padStart(10)}${String(pairs).padStart(10)}`;
  return [
    `${records} records, ${truePairs} pairs of one person; prepared in ${secondsFeatures.toFixed(1)} s, compared in ${secondsSweep.toFixed(1)} s`,
    `${''.padEnd(20)}${'precision'.padStart(10)}${'recall'.padStart(10)}${'pairs'.padStart(10)}`,
    row('same', same),
    row('same or perhaps', sameOrPerhaps),
    row('exact e-mail/phone', exactKeys),
  ].join('\n');
}

const pairKey = (a: string, b: string): string => (a < b ? `${a} ${b}` : `${b} ${a}`);

function rates(given: readonly string[], truth: ReadonlySet<string>): Rates {
  const right = given.filter((key) => truth.has(key)).length;
  return { precision: right / Math.max(1, given.length), recall: right / Math.max(1, truth.size), pairs: given.length };
}

function exactPairs({ rows }: Register, features: readonly Features[]): string[] {
  const holders = new Map<string, string[]>();
  for (const [i, { mailboxes, offices, phones }] of features.entries()) {
    for (const key of [...mailboxes, ...offices, ...phones])
      holders.set(key, [...(holders.get(key) ?? []), rows[i]!.id]);
  }
  const pairs = new Set<string>();
  for (const ids of holders.values()) ids.forEach((a, i) => ids.slice(i + 1).forEach((b) => pairs.add(pairKey(a, b))));
  return [...pairs];
}

function followed(search: Generator<number, Sweep>): Sweep {
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
}
