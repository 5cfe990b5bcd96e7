import { z } from 'zod';

/** The version that whoever changes something has seen; 0 for what is new. */
export const Seen = z.object({ version: z.coerce.number().int().min(0).default(0) });
export const Version = z.object({ version: z.number().int() });
export type Version = z.infer<typeof Version>;

/** Which letters, by the tasks that say that they are to be printed. */
export const LettersQuery = z.object({
  tasks: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(z.uuid()).min(1).max(200)),
});
export const FileNameQuery = z.object({ name: z.string().trim().min(1).max(120) });
