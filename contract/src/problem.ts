import { z } from 'zod';

/** An error as it crosses the wall: RFC 9457 problem details. `detail` is written for the person at the screen. */
export const Problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  /** A stable word for programs, e.g. `wrong-password`. */
  code: z.string(),
  /** Which fields of the request are wrong, and how. */
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});
export type Problem = z.infer<typeof Problem>;
