import type { PhotoReader } from '@dossier/reader';
import { makeWorkerUtils, type TaskList } from 'graphile-worker';
import type { DataSource, EntityManager } from 'typeorm';
import { backUpTask } from './features/backup';
import { Photo } from './features/capture';
import { countStaff } from './features/companies';
import { bringInTask } from './features/exchange/bringIn/importTask';
import { handOverOne } from './features/exchange';
import { handOverTask } from './features/exchange/destinations/deliver';
import { lookUpTask } from './features/exchange/directory/lookUpTask';
import { tellWebhookTask } from './features/exchange/webhooks/deliver';
import { followFeeds } from './features/exchange/webhooks/follow';
import { fileAskedTask, goOnWithAsked, settleAsked } from './features/exchange/readings/settle';
import {
  beginTagged,
  endClosed,
  endWithdrawn,
  grantWishes,
  lookAtCalendars,
  lookIntoInboxes,
  sendMornings,
  sendMessageTask,
  startMailListener,
  wakePlans,
  walkPlans,
} from './features/followup';
import { fileCleanSoon } from './features/filing/fileCleanSoon';
import { fileCleanTask } from './features/filing/fileCleanTask';
import { nightlySweepsTask } from './features/matching/nightlySweeps';
import { sweepTask } from './features/matching/sweepTask';
import { makeMissingKeys } from './features/people';
import { changePeopleTask } from './features/people/changes/changeTask';
import type { Card } from './features/reading';
import { readOutlinesTask, readPhotoTask } from './features/reading/jobs';
import { readAreaTask } from './features/reading/readArea';
import { lookBesideTask } from './features/reading/lookBeside';
import { rereadCardTask, rereadMissing } from './features/reading/rereading';
import type { NewCards } from './features/reading/storeCards';
import { removePicturesTask } from './features/retention/removePictures';
import { joinPhotographedBacks } from './features/tray/backs';
import { housekeepingTask } from './housekeeping';
import type { Config } from './platform/config';
import { forgetDeadBeats, startHeartbeat } from './platform/heartbeat';
import { KeptRunner, queueLogger } from './platform/keptRunner';
import type { Logger } from './platform/logger';
import { reachOf } from './platform/reach';

/** How long after its last sign of life the jobs of a worker are given to another. */
const GONE_AFTER_SECONDS = 20;
const ORPHAN_CHECK_MS = 5_000;
/** So soon what happens is on its way to whoever is told. */
const FOLLOW_MS = 1_000;
/** So soon the steps of plans are done once their time has come, what was held is looked at again, and mailboxes are looked into. */
const WALK_MS = 1_000;
const WAKE_MS = 5_000;
const INBOX_MS = 20_000;
const CALENDARS_MS = 5 * 60_000;
/** So often is looked whose morning it is. */
const MORNING_MS = 30_000;
/** Who works where is counted every few minutes, what is no longer to be kept looked for every hour, people who are there twice every night. */
const REGULARLY =
  '*/5 * * * * countStaff\n17 * * * * removePictures\n7 * * * * backUp\n47 * * * * housekeeping\n23 2 * * * nightlySweeps';

/** Takes jobs from PostgreSQL's queue until stopped. @param reader of photographs; closed in the end */
export async function startWorker(
  config: Config,
  database: DataSource,
  logger: Logger,
  reader: PhotoReader,
): Promise<{ stop: () => Promise<void> }> {
  const parts = { database, reader, logger, onNewCards };
  const utils = await makeWorkerUtils({ connectionString: config.databaseUrl, logger: queueLogger(logger) });
  const keep = (taskList: TaskList, concurrency: number, crontab?: string) =>
    new KeptRunner({
      options: { connectionString: config.databaseUrl, concurrency, taskList, crontab },
      unlock: (holders) => utils.forceUnlockWorkers([...holders]),
      logger,
    });
  const outside = { database, ...reachOf(config) };
  // Reading has its lanes to itself: a search through everybody takes minutes.
  const runners = [
    keep(
      {
        readPhoto: readPhotoTask(parts),
        readOutlines: readOutlinesTask(parts),
        readArea: readAreaTask(parts),
        lookBeside: lookBesideTask(parts),
        rereadCard: rereadCardTask({ database, reader, onReread }),
      },
      config.readingLanes,
    ),
    keep(
      {
        removePictures: removePicturesTask(database, logger),
        housekeeping: housekeepingTask(database, logger),
        countStaff: () => countStaff(database).then(() => undefined),
        sweepPeople: sweepTask(database, logger),
        nightlySweeps: nightlySweepsTask(database),
        fileClean: fileCleanTask(database),
        fileAsked: fileAskedTask(database),
        changePeople: changePeopleTask(database),
        bringIn: bringInTask(database),
        backUp: backUpTask(database, config.backups, logger),
      },
      2,
      REGULARLY,
    ),
    // What is sent to others waits for them.
    keep(
      {
        tellWebhook: tellWebhookTask(outside),
        handOver: handOverTask(outside),
        sendMessage: sendMessageTask(outside),
        lookUp: lookUpTask(outside),
      },
      8,
    ),
  ];
  await utils.forceUnlockWorkers(await forgetDeadBeats(database));
  for (const runner of runners) await runner.start();
  const stopBeat = startHeartbeat(database, () => runners.flatMap((runner) => runner.holders));
  const stopFollowing = repeatedly(FOLLOW_MS, logger, 'following the feed failed', () => followFeeds(database));
  const stopWalking = repeatedly(WALK_MS, logger, 'going on with plans failed', () =>
    walkPlans({
      database,
      handOver: handOverOne,
      onTrouble: (error) => logger.error({ err: error }, 'a step of a plan went wrong'),
    }),
  );
  const stopWaking = repeatedly(WAKE_MS, logger, 'looking at held plans failed', () =>
    Promise.all([
      wakePlans(database),
      beginTagged(database),
      grantWishes(database),
      endWithdrawn(database),
      endClosed(database),
    ]),
  );
  const stopMornings = repeatedly(MORNING_MS, logger, 'sending mornings failed', () =>
    sendMornings({ ...outside, logger }),
  );
  const stopLooking = repeatedly(INBOX_MS, logger, 'looking into mailboxes failed', () =>
    lookIntoInboxes({ ...outside, logger }),
  );
  const stopCalendars = repeatedly(CALENDARS_MS, logger, 'looking at other calendars failed', () =>
    lookAtCalendars(outside),
  );
  const stopListening =
    config.mailPort === undefined ? undefined : await startMailListener(database, config.host, config.mailPort, logger);
  const stopAdopting = adoptOrphans(database, logger, (holders) => utils.forceUnlockWorkers([...holders]));
  logger.info('worker takes jobs');
  rereadMissing(database).catch((error: unknown) =>
    logger.error({ err: error }, 'looking for cards to read again failed'),
  );
  makeMissingKeys(database, logger).catch((error: unknown) => logger.error({ err: error }, 'making match keys failed'));
  return {
    stop: async () => {
      stopBeat();
      stopAdopting();
      stopFollowing();
      stopWalking();
      stopWaking();
      stopLooking();
      stopMornings();
      stopCalendars();
      await stopListening?.();
      await Promise.all(runners.map((runner) => runner.stop()));
      await utils.release();
      reader.close();
    },
  };
}

/** What a program has asked for is settled as it wants; else backs find their fronts. */
async function onNewCards(manager: EntityManager, { photo, cardIds }: NewCards): Promise<void> {
  if (await settleAsked(manager, photo.id, cardIds)) return;
  const fronts = await joinPhotographedBacks(manager, photo);
  if (photo.backOf) await fileCleanSoon(manager, photo, fronts);
}

/** What a program has asked for goes on; else what leaves nothing to ask is filed. */
async function onReread(manager: EntityManager, { id, photoId }: Card): Promise<void> {
  if (!photoId || (await goOnWithAsked(manager, photoId))) return;
  const photo = await manager.findOneBy(Photo, { id: photoId });
  if (photo) await fileCleanSoon(manager, photo, [id]);
}

/**
 * A worker that is killed leaves its jobs locked. Those that no living worker vouches for are
 * unlocked, so that the next worker finishes them.
 */
function adoptOrphans(
  database: DataSource,
  logger: Logger,
  unlock: (holders: readonly string[]) => Promise<void>,
): () => void {
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
    await unlock(orphans.map((o) => o.worker));
    logger.warn({ workers: orphans.length }, 'took over the jobs of workers that are gone');
  };
  return repeatedly(ORPHAN_CHECK_MS, logger, 'looking for orphaned jobs failed', check);
}

/** Does something every so often, never twice at a time. @param trouble what is logged where it fails */
function repeatedly(ms: number, logger: Logger, trouble: string, work: () => Promise<unknown>): () => void {
  let isAtIt = false;
  const timer = setInterval(() => {
    if (isAtIt) return;
    isAtIt = true;
    work()
      .catch((error: unknown) => logger.error({ err: error }, trouble))
      .finally(() => (isAtIt = false));
  }, ms);
  return () => clearInterval(timer);
}
