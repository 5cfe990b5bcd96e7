import {
  learnFrom,
  likeliestFirst,
  type FrequencyTable,
  type Learned,
  type Limits,
  type MatchedPair,
} from '@dossier/core/matching/people';
import { fork, type ChildProcess } from 'node:child_process';
import { createRequire } from 'node:module';
import { availableParallelism } from 'node:os';
import { pathToFileURL } from 'node:url';
import type { MatchRecord } from '../people';
import type { SweepReply, SweepRequest } from './sweepProcess';

const PROGRAM = new URL('./sweepProcess.ts', import.meta.url);
const TYPESCRIPT = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;

/** Below this a second process takes longer to start than it saves. */
const RECORDS_A_PROCESS = 5000;

export interface FoundPairs {
  ids: string[];
  /** Positions in `ids`, the likeliest first. */
  pairs: MatchedPair[];
  frequencies: FrequencyTable;
  learned: Learned;
}

export interface RegisterSource {
  /** How many records there are, about. */
  size: number;
  limits: Limits;
  pages: () => AsyncIterable<MatchRecord[]>;
  /** @param share that is done, 0–1 @returns whether to go on */
  tell: (share: number) => Promise<boolean>;
}

/**
 * Searches a register in processes of their own: on all cores, without holding up whoever asks, and with memory that is given back.
 * Each process has the whole register and compares its share of the pairs.
 * @returns nothing when `tell` said to stop
 */
export async function searchRegister({ size, limits, pages, tell }: RegisterSource): Promise<FoundPairs | undefined> {
  const parts = Math.max(1, Math.min(2, availableParallelism(), Math.ceil(size / RECORDS_A_PROCESS)));
  const processes = Array.from({ length: parts }, () => new SweepProcess());
  try {
    const ids: string[] = [];
    for await (const records of pages()) {
      for (const { id } of records) ids.push(id);
      await Promise.all(processes.map((one) => one.send({ kind: 'records', records })));
      if (!(await tell(0))) return undefined;
    }
    const searches = processes.map((one, part) => one.ask({ kind: 'search', part, parts, limits }, 'candidates'));
    const watched = watch(processes, tell);
    const candidates = await Promise.race([Promise.all(searches), watched.stopped]);
    watched.end();
    if (!candidates) return undefined;
    const learned = learnFrom(candidates.flatMap((one) => one.candidates), ids.length); // prettier-ignore
    const judged = await Promise.all(processes.map((one) => one.ask({ kind: 'judge', learned }, 'judged')));
    const pairs = likeliestFirst(judged.flatMap((one) => one.pairs));
    return { ids, pairs, frequencies: judged[0]!.frequencies, learned };
  } finally {
    for (const one of processes) one.end();
  }
}

/** Tells how far the slowest is, now and then, until it is told to stop. */
function watch(processes: readonly SweepProcess[], tell: RegisterSource['tell']) {
  let timer: NodeJS.Timeout | undefined;
  const stopped = new Promise<undefined>((resolve, reject) => {
    const look = async () => {
      if (!(await tell(Math.min(...processes.map(({ share }) => share))))) resolve(undefined);
      else if (timer !== undefined) timer = setTimeout(() => void look().catch(reject), TELL_MS);
    };
    timer = setTimeout(() => void look().catch(reject), TELL_MS);
  });
  // Whoever has ended the watch hears no more of it.
  stopped.catch(() => undefined);
  const end = () => {
    clearTimeout(timer);
    timer = undefined;
  };
  return { stopped, end };
}

/** How often progress is written down and it is looked whether to stop. */
const TELL_MS = 700;

class SweepProcess {
  /** What is done of its part, 0–1. */
  share = 0;
  readonly #child: ChildProcess = fork(PROGRAM, { execArgv: ['--import', TYPESCRIPT], serialization: 'advanced' });

  constructor() {
    this.#child.on('message', (reply: SweepReply) => {
      if (reply.kind === 'progress') this.share = reply.share;
    });
    // Whoever asks is told; between questions nobody is there to hear it.
    this.#child.on('error', () => undefined);
  }

  /** Resolves when the process can take more. @throws Error when it has ended */
  send(request: SweepRequest): Promise<void> {
    return new Promise((resolve, reject) => this.#child.send(request, (error) => (error ? reject(error) : resolve())));
  }

  async ask<K extends SweepReply['kind']>(request: SweepRequest, kind: K): Promise<Extract<SweepReply, { kind: K }>> {
    const reply = new Promise<Extract<SweepReply, { kind: K }>>((resolve, reject) => {
      this.#child.on('message', (message: SweepReply) => {
        if (message.kind === kind) resolve(message as Extract<SweepReply, { kind: K }>);
      });
      this.#child.once('exit', () => reject(new Error('The process that compares people has ended.')));
      this.#child.once('error', reject);
    });
    // When nothing can be sent, that is what is told.
    reply.catch(() => undefined);
    await this.send(request);
    return reply;
  }

  end(): void {
    this.#child.kill('SIGKILL');
  }
}
