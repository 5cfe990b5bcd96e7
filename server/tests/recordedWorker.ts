import { join } from 'node:path';
import { ReadingPool, RecordedReader } from '@dossier/reader';
import { runAs, worker } from '../src/program';

/**
 * A worker that answers with what the engine read of the same photograph before; what was never recorded is read, and recorded as well
 * with `DOSSIER_RECORD_READINGS=1` (`npm run readings:record`).
 */
await runAs(
  'worker',
  worker(
    ({ readingLanes }) =>
      new RecordedReader({
        folder: join(import.meta.dirname, '../../demo/readings'),
        engine: () => new ReadingPool(readingLanes),
        record: process.env.DOSSIER_RECORD_READINGS === '1',
      }),
  ),
);
