import { z } from 'zod';

/** Whether only to say what would be done. */
export const TableBackQuery = z.object({ preview: z.enum(['0', '1']).default('0') });
/** What a table that came back has done, or would do; rows are counted from the first below the head, and named by what they are called. */
export const TableBack = z.object({
  made: z.number().int(),
  changed: z.number().int(),
  same: z.number().int(),
  /** Cells that are others here as well, and stay as they are here. */
  conflicts: z.array(z.object({ row: z.number().int(), title: z.string(), field: z.string(), here: z.string(), there: z.string() })), // prettier-ignore
  faults: z.array(z.object({ row: z.number().int(), title: z.string(), field: z.string(), fault: z.string() })),
});
export type TableBack = z.infer<typeof TableBack>;
