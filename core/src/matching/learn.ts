import { ASSUMED_DOUBLES, type Outcome } from './comparePeople';
import { ASSUMED_MATCHES, type MatchProbabilities } from './weights';

export interface Learned {
  matches: MatchProbabilities;
  /** Records of the same person for each record, on average. */
  doubles: number;
}

/** As how many pairs of one person, and as how many records, what is assumed counts beside what is seen. */
const ASSUMED_PAIRS = 300;
const ASSUMED_RECORDS = 500;

const COMPARED = ['given', 'family', 'mailbox', 'phone', 'firm'] as const;

/**
 * Brings what was assumed closer to a register's own data: one step of expectation and maximisation (A. P. Dempster and others
 * 1977), each pair counted by the likelihood that it is one person. With few pairs the assumptions stay as they are.
 * @param pairs outcomes of comparisons with their likelihoods, 0–1
 * @param records size of the register they come from
 */
export function learnFrom(pairs: readonly { outcome: Outcome; likelihood: number }[], records: number): Learned {
  const sure = pairs.reduce((sum, { likelihood }) => sum + likelihood, 0);
  const matches = Object.fromEntries(
    COMPARED.map((field) => [field, withSeen(ASSUMED_MATCHES[field], pairs, field)]),
  ) as unknown as MatchProbabilities;
  return { matches, doubles: (sure + ASSUMED_DOUBLES * ASSUMED_RECORDS) / (records + ASSUMED_RECORDS) };
}

function withSeen(
  assumed: Readonly<Record<string, number>>,
  pairs: readonly { outcome: Outcome; likelihood: number }[],
  field: (typeof COMPARED)[number],
): Record<string, number> {
  const seen = new Map<string, number>();
  let known = 0;
  for (const { outcome, likelihood } of pairs) {
    const level = outcome[field];
    if (!(level in assumed)) continue;
    seen.set(level, (seen.get(level) ?? 0) + likelihood);
    known += likelihood;
  }
  return Object.fromEntries(
    Object.entries(assumed).map(([level, share]) => [
      level,
      (share * ASSUMED_PAIRS + (seen.get(level) ?? 0)) / (ASSUMED_PAIRS + known),
    ]),
  );
}
