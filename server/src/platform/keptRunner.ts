import { EventEmitter } from 'node:events';
import { Logger as QueueLogger, run, type Runner, type RunnerOptions, type TaskList, type WorkerEvents } from 'graphile-worker'; // prettier-ignore
import { isOfDatabase } from './databaseTrouble';
import { loggedError, type Logger } from './logger';

const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 10_000;
/** A runner that went so long without trouble begins with short pauses again. */
const STEADY_MS = 60_000;

interface Parts {
  options: Pick<RunnerOptions, 'connectionString' | 'concurrency' | 'crontab'> & { taskList: TaskList };
  /** Gives the jobs held in these names back to the queue. */
  unlock: (holders: readonly string[]) => Promise<void>;
  logger: Logger;
}

/**
 * Takes jobs from the queue and goes on doing so: the queue's library ends its runner when it cannot write down that a job is done,
 * as when the database is away just then. Another one is started, after growing pauses, and has what the last one held.
 */
export class KeptRunner {
  /** In these names jobs are locked by this runner. */
  holders: readonly string[] = [];
  private runner?: Runner;
  private stopped = false;

  constructor(private readonly parts: Parts) {}

  /** @throws Error when the queue cannot be reached the first time */
  async start(): Promise<void> {
    await this.begin();
  }

  /** Resolves when what is being done is done. */
  async stop(): Promise<void> {
    this.stopped = true;
    await this.runner?.stop().catch(() => undefined);
  }

  private async begin(): Promise<void> {
    const { options, logger } = this.parts;
    const holders: string[] = [];
    const events = new EventEmitter() as WorkerEvents;
    // Jobs are locked in the name of the pool that took them.
    events.on('pool:create', ({ workerPool }) => holders.push(workerPool.id));
    const before = this.holders;
    const runner = await run({
      ...options,
      taskList: withSafeErrors(options.taskList, logger),
      events,
      noHandleSignals: true,
      logger: queueLogger(logger),
      // With this the library says when it could not write down how a job ended, instead of leaving the rejection to nobody.
      preset: { worker: { pollInterval: 1_000, completeJobBatchDelay: 0, failJobBatchDelay: 0 } },
    });
    this.runner = runner;
    this.holders = holders;
    if (before.length > 0) await this.parts.unlock(before).catch(() => undefined);
    const since = performance.now();
    runner.promise
      .catch((error: unknown) => logger.error({ err: error }, 'taking jobs has ended'))
      .finally(() => void this.beginAgain(performance.now() - since > STEADY_MS ? FIRST_PAUSE_MS : 2 * FIRST_PAUSE_MS));
  }

  private async beginAgain(first: number): Promise<void> {
    for (let pause = first; !this.stopped; pause = Math.min(2 * pause, LONGEST_PAUSE_MS)) {
      await new Promise((resolve) => setTimeout(resolve, pause));
      if (this.stopped) return;
      const begun = await this.begin().then(
        () => true,
        (error: unknown) => {
          this.parts.logger.warn({ err: error }, 'jobs cannot be taken yet');
          return false;
        },
      );
      if (begun) return;
    }
  }
}

/** The queue writes down an error's words with its job, and logs them: those of the database may hold anybody's data. */
function withSafeErrors(tasks: TaskList, logger: Logger): TaskList {
  return Object.fromEntries(
    Object.entries(tasks).map(([name, task]) => [
      name,
      async (payload: unknown, helpers: Parameters<NonNullable<typeof task>>[1]) => {
        try {
          return await (task as (payload: unknown, helpers: unknown) => unknown)(payload, helpers);
        } catch (error) {
          logger.error({ err: error, task: name, attempt: helpers.job.attempts }, 'a job failed');
          if (!isOfDatabase(error)) throw error;
          const { code, statement } = loggedError(error) as { code?: string; statement?: string };
          throw new Error(`The database refused: ${code ?? 'no code'} at ${statement ?? 'no statement'}`);
        }
      },
    ]),
  ) as TaskList;
}

/** What the queue has to say goes to the same place as everything else; its small talk is for debugging. */
export const queueLogger = (logger: Logger): QueueLogger =>
  new QueueLogger(
    () => (level, message) => (level === 'error' || level === 'warning' ? logger.warn(message) : logger.debug(message)),
  );
