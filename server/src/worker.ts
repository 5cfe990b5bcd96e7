import { EventEmitter } from 'node:events';
import { ReadingPool } from '@dossier/reader';
import { Logger as QueueLogger, makeWorkerUtils, run, type WorkerEvents } from 'graphile-worker';
import type { DataSource } from 'typeorm';
import { fileCleanTask } from './features/matching/fileCleanTask';
import { nightlySweepsTask } from './features/matching/nightlySweeps';
import { sweepTask } from './features/matching/sweepTask';
import { makeMissingKeys } from './features/people';
import { readOutlinesTask, readPhotoTask } from './features/reading/jobs';
import { readAreaTask } from './features/reading/readArea';
import { removePicturesTask } from './features/reading/removePictures';
import type { Config } from './platform/config';
import { startHeartbeat } from './platform/heartbeat';
import type { Logger } from './platform/logger';

/** How long after its last sign of life the jobs of a worker are given to another. */
const GONE_AFTER_SECONDS = 20;
const ORPHAN_CHECK_MS = 5_000;
/** Pictures are looked through for what is no longer to be kept every hour, people for who is there twice every night. */
const REGULARLY = '17 * * * * removePictures\n23 2 * * * nightlySweeps';

/** Takes reading jobs from PostgreSQL's queue until stopped. */
export async function startWorker(
  config: Config,
  database: DataSource,
  logger: Logger,
): Promise<{ stop: () => Promise<void> }> {
  const pool = new ReadingPool(config.readingLanes);
  const parts = { database, pool, logger };
  const names = new Set<string>();
  const events = new EventEmitter() as WorkerEvents;
  // Jobs are locked in the name of the pool that took them.
  events.on('pool:create', ({ workerPool }) => names.add(workerPool.id));
  const runner = await run({
    connectionString: config.databaseUrl,
    concurrency: config.readingLanes,
    pollInterval: 1_000,
    noHandleSignals: true,
    logger: queueLogger(logger),
    events,
    taskList: {
      readPhoto: readPhotoTask(parts),
      readOutlines: readOutlinesTask(parts),
      readArea: readAreaTask(parts),
      removePictures: removePicturesTask(database, logger),
      sweepPeople: sweepTask(database, logger),
      nightlySweeps: nightlySweepsTask(database),
      fileClean: fileCleanTask(database),
    },
    crontab: REGULARLY,
  });
  const stopBeat = startHeartbeat(database, () => [...names]);
  const stopAdopting = await adoptOrphans(config, database, logger);
  logger.info('worker takes jobs');
  makeMissingKeys(database, logger).catch((error: unknown) => logger.error({ err: error }, 'making match keys failed'));
  return {
    stop: async () => {
      stopBeat();
      await stopAdopting();
      await runner.stop();
      pool.close();
    },
  };
}

/**
 * A worker that is killed leaves its jobs locked. Those that no living worker vouches for are
 * unlocked, so that the next worker finishes them.
 */
async function adoptOrphans(config: Config, database: DataSource, logger: Logger): Promise<() => Promise<void>> {
  const utils = await makeWorkerUtils({ connectionString: config.databaseUrl, logger: queueLogger(logger) });
  const check = async () => {
    const orphans = await database.query<{ worker: string }[]>(
      `select distinct job.locked_by as worker from graphile_worker.jobs job
       where job.locked_by is not null
         and job.locked_at < now() - make_interval(secs => ${GONE_AFTER_SECONDS})
         and not exists (
           select 1 from worker_heartbeat beat
           where beat.seen_at > now() - make_interval(secs => ${GONE_AFTER_SECONDS}) and beat.workers ? job.locked_by)`,
    );
    if (orphans.length === 0) return;
    await utils.forceUnlockWorkers(orphans.map((o) => o.worker));
    logger.warn({ workers: orphans.length }, 'took over the jobs of workers that are gone');
  };
  const timer = setInterval(() => {
    check().catch((error: unknown) => logger.error({ err: error }, 'looking for orphaned jobs failed'));
  }, ORPHAN_CHECK_MS);
  return async () => {
    clearInterval(timer);
    await utils.release();
  };
}

/** What the queue has to say goes to the same place as everything else; its small talk is for debugging. */
const queueLogger = (logger: Logger): QueueLogger =>
  new QueueLogger(
    () => (level, message) => (level === 'error' || level === 'warning' ? logger.warn(message) : logger.debug(message)),
  );
