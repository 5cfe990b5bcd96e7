import type { Task } from 'graphile-worker';
import type { DataSource } from 'typeorm';
import { forgetRead } from './features/exchange/readings/forgetRead';
import { removeExpiredSessions } from './features/account';
import { removeOldParts } from './features/capture';
import { forgetOldDeliveries, forgetOldEvents, forgetOldImports, removeEndedShares } from './features/exchange';
import { forgetUnusedAttachments } from './features/followup';
import { eraseLongDeleted, forgetOldChanges, forgetUnusedWords } from './features/people';
import { rereadMissing } from './features/reading/rereading';
import { removeOldBeats } from './platform/heartbeat';
import type { Logger } from './platform/logger';

/**
 * Has read a second time what never was, and removes for good what only a date keeps here: sessions that have run out, old signs of life, photographs that never arrived whole, people
 * deleted a month ago, changes of many, files that were brought in and links that ended then, what a program only wanted read, events of a month ago, what arrived elsewhere long ago, files
 * that were to go along with something and did not, words that only they were found by.
 */
export function housekeepingTask(database: DataSource, logger: Logger): Task {
  return async () => {
    const removed = {
      sessions: await removeExpiredSessions(database),
      parts: await removeOldParts(database),
      beats: await removeOldBeats(database),
      people: await eraseLongDeleted(database),
      changes: await forgetOldChanges(database),
      links: await removeEndedShares(database),
      imports: await forgetOldImports(database),
      readings: await forgetRead(database),
      events: await forgetOldEvents(database),
      deliveries: await forgetOldDeliveries(database),
      attachments: await forgetUnusedAttachments(database),
      words: await forgetUnusedWords(database),
    };
    await rereadMissing(database);
    if (Object.values(removed).some((count) => count > 0)) logger.info(removed, 'put in order');
  };
}
