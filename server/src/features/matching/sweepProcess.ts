/** Searches one part of a register; a program of its own, started by `searchRegister`. */
import {
  featuresOf,
  RegisterSearch,
  type Features,
  type FrequencyTable,
  type Learned,
  type Limits,
  type MatchedPair,
  type Pair,
} from '@dossier/core/matching/people';
import { setImmediate as nextTurn } from 'node:timers/promises';
import type { MatchRecord } from '../people';

/** From the task to a process: records page by page, then the search, then what was learned from all parts. */
export type SweepRequest =
  | { kind: 'records'; records: MatchRecord[] }
  | { kind: 'search'; part: number; parts: number; limits: Limits }
  | { kind: 'judge'; learned: Learned };

export type SweepReply =
  | { kind: 'progress'; share: number }
  | { kind: 'candidates'; candidates: readonly Pair[] }
  | { kind: 'judged'; pairs: MatchedPair[]; frequencies: FrequencyTable };

/** So many reasons are kept of each pair, the most telling ones. */
const MOST_REASONS = 8;
const TELL_MS = 300;

const register: Features[] = [];
let search: RegisterSearch | undefined;

function reply(message: SweepReply): void {
  if (process.connected) process.send!(message, undefined, undefined, () => undefined);
}

async function searchPart({ part, parts, limits }: Extract<SweepRequest, { kind: 'search' }>): Promise<void> {
  search = new RegisterSearch(register, limits, part, parts);
  const steps = search.candidates();
  let told = 0;
  for (;;) {
    const step = steps.next();
    if (step.done) return reply({ kind: 'candidates', candidates: step.value });
    if (performance.now() - told < TELL_MS) continue;
    told = performance.now();
    reply({ kind: 'progress', share: step.value });
    await nextTurn();
  }
}

process.on('message', (request: SweepRequest) => {
  if (request.kind === 'records')
    for (const { fields, known } of request.records) register.push(featuresOf(fields, undefined, known));
  else if (request.kind === 'search') void searchPart(request);
  else
    reply({
      kind: 'judged',
      pairs: search!
        .judge(request.learned)
        .map((pair) => ({ ...pair, evidence: pair.evidence.slice(0, MOST_REASONS) })),
      frequencies: search!.frequencies.toTable(),
    });
});
process.once('disconnect', () => process.exit());
