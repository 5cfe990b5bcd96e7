import { CELL_COLUMNS } from '@dossier/core/people/cells';
import { z } from 'zod';

/** Cells of a table of people that are written in; each person with the version that was seen. */
export const CellsChange = z.strictObject({
  cells: z
    .array(
      z.strictObject({
        personId: z.uuid(),
        version: z.number().int(),
        column: z.enum(CELL_COLUMNS),
        /** As it was typed or pasted. */
        text: z.string().max(4000),
      }),
    )
    .min(1)
    .max(1000, 'Paste at most 1,000 cells at once.'),
});
export type CellsChange = z.infer<typeof CellsChange>;

/** What became of each cell, and which version its people have now. */
export const CellsChanged = z.object({
  cells: z.array(
    z.object({
      personId: z.uuid(),
      column: z.enum(CELL_COLUMNS),
      outcome: z.enum(['changed', 'same', 'refused', 'changedSince', 'gone']),
      /** What is wrong with it, or what stands there by now. */
      words: z.string(),
    }),
  ),
  versions: z.array(z.object({ personId: z.uuid(), version: z.number().int() })),
});
export type CellsChanged = z.infer<typeof CellsChanged>;
