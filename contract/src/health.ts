import { z } from 'zod';

const State = z.enum(['up', 'down']);

/** The state of the three parts a reading needs. The answer is 503 while one of them is missing. */
export const Health = z.object({
  status: z.enum(['ok', 'degraded']),
  database: State,
  queue: z.object({ state: State, waiting: z.number().int(), failed: z.number().int() }),
  /** `down` when no worker has given a sign of life within the last half minute. */
  worker: z.object({ state: State, lastSeenAt: z.iso.datetime().nullable() }),
  /** Where the same is answered over https by this process itself. */
  httpsPort: z.number().int().nullable(),
});
export type Health = z.infer<typeof Health>;
