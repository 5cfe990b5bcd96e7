import { z } from 'zod';

/** The largest file that can be brought in. */
export const MAX_IMPORT_BYTES = 64 * 1024 * 1024;

export const ImportQuery = z.object({ name: z.string().trim().max(200).default('') });

/** What is done where somebody is known: fill what is empty, the file wins, or ask about each difference. */
export const ImportRule = z.enum(['fill', 'file', 'ask']);
export type ImportRule = z.infer<typeof ImportRule>;

export const ImportState = z.enum(['mapping', 'running', 'done', 'failed', 'cancelled', 'undoing', 'undone']);
export type ImportState = z.infer<typeof ImportState>;

/** What became of a row: somebody new, changed, as they were; perhaps somebody who is known, or what nobody could be made of. */
export const RowOutcome = z.enum(['created', 'updated', 'unchanged', 'perhaps', 'refused']);
export type RowOutcome = z.infer<typeof RowOutcome>;

const Fault = z.object({ key: z.string(), fault: z.string() });

/** A column of a file with some of what stands in it, and where it goes; null for nowhere. */
export const ImportColumn = z.object({
  header: z.string(),
  target: z.string().nullable(),
  samples: z.array(z.string()),
});
/** One of the first rows, as it will be. */
export const ImportPreviewRow = z.object({
  number: z.number().int(),
  fullName: z.string(),
  company: z.string(),
  title: z.string(),
  email: z.string(),
  phone: z.string(),
  faults: z.array(Fault),
});

export const Import = z.object({
  id: z.uuid(),
  name: z.string(),
  at: z.iso.datetime(),
  by: z.string(),
  format: z.enum(['vcard', 'csv', 'xlsx', 'json']),
  state: ImportState,
  /** Whether its first row says what stands in the columns. */
  head: z.boolean(),
  rule: ImportRule,
  columns: z.array(ImportColumn),
  mapping: z.array(z.string().nullable()),
  preview: z.array(ImportPreviewRow),
  /** How many rows there are, and how many have been gone through. */
  rows: z.number().int(),
  done: z.number().int(),
  /** Whether nothing was written. */
  dry: z.boolean(),
  counts: z.object({
    created: z.number().int(),
    updated: z.number().int(),
    unchanged: z.number().int(),
    perhaps: z.number().int(),
    refused: z.number().int(),
    /** Rows with cells that were changed here and in the file. */
    conflicts: z.number().int(),
  }),
  /** People who are left as they are though it was taken back. */
  kept: z.number().int(),
  problem: z.string().nullable(),
});
export type Import = z.infer<typeof Import>;

export const Imports = z.object({ items: z.array(Import.omit({ columns: true, mapping: true, preview: true })) });
export type Imports = z.infer<typeof Imports>;

export const ImportMapping = z.strictObject({
  mapping: z.array(z.string().max(60).nullable()).max(300),
  rule: ImportRule.optional(),
  head: z.boolean().optional(),
});
export type ImportMapping = z.infer<typeof ImportMapping>;

export const ImportRun = z.object({ dry: z.enum(['0', '1']).default('0') });

export const ImportRowsQuery = z.object({
  outcome: z.enum([...RowOutcome.options, 'conflicts']),
  after: z.coerce.number().int().min(0).default(0),
});

export type ImportRowsQuery = z.infer<typeof ImportRowsQuery>;

/** A row that somebody should look at. */
export const ImportRow = z.object({
  number: z.number().int(),
  fullName: z.string(),
  company: z.string(),
  title: z.string(),
  personId: z.uuid().nullable(),
  outcome: RowOutcome,
  faults: z.array(Fault),
  conflicts: z.array(z.object({ key: z.string(), label: z.string(), here: z.string(), file: z.string() })),
  /** Who it perhaps is, the likeliest first. */
  candidates: z.array(
    z.object({ id: z.uuid(), fullName: z.string(), company: z.string(), title: z.string(), likelihood: z.number() }),
  ),
});
export type ImportRow = z.infer<typeof ImportRow>;
export const ImportRows = z.object({ items: z.array(ImportRow), next: z.number().int().nullable() });
export type ImportRows = z.infer<typeof ImportRows>;

/** How a row is settled: as somebody new, as a known person, or which of its conflicting cells are taken from the file. */
export const ImportRowSettled = z.union([
  z.strictObject({ as: z.literal('new') }),
  z.strictObject({ personId: z.uuid() }),
  z.strictObject({ take: z.array(z.string().max(60)).max(200) }),
]);
export type ImportRowSettled = z.infer<typeof ImportRowSettled>;
