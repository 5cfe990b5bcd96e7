import { z } from 'zod';

export const BACKUP_EVERY = ['never', 'day', 'week'] as const;

/** How often a backup is made by itself, and how many of them are kept. */
export const BackupSchedule = z.strictObject({
  every: z.enum(BACKUP_EVERY),
  keep: z.int('Give a whole number.').min(1, 'Keep at least one.').max(90, 'Keep at most 90.'),
});
export type BackupSchedule = z.infer<typeof BackupSchedule>;

export const SHORTEST_PASSPHRASE = 10;

/** A backup to be fetched now. */
export const BackupRequest = z.strictObject({
  passphrase: z
    .string()
    .min(
      SHORTEST_PASSPHRASE,
      `Use at least ${SHORTEST_PASSPHRASE} characters: whoever has the file can try as often as they like.`,
    )
    .max(200, 'Use at most 200 characters.')
    .optional(),
});
export type BackupRequest = z.infer<typeof BackupRequest>;

/** A backup that was made by itself. */
export const BackupView = z.object({
  id: z.uuid(),
  beganAt: z.iso.datetime(),
  state: z.enum(['running', 'done', 'failed']),
  /** From 0 to 1. */
  progress: z.number(),
  bytes: z.number().nullable(),
  people: z.number().int().nullable(),
  isEncrypted: z.boolean(),
  problem: z.string().nullable(),
});
export type BackupView = z.infer<typeof BackupView>;

export const Backups = z.object({
  /** Null where this installation has no folder for them. */
  schedule: BackupSchedule.nullable(),
  /** Whether they are encrypted, with the passphrase of the installation. */
  isEncrypted: z.boolean(),
  latest: z.array(BackupView),
});
export type Backups = z.infer<typeof Backups>;
