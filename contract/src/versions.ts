import { z } from 'zod';

/** The version that whoever changes something has seen; 0 for what is new. */
export const Seen = z.object({ version: z.coerce.number().int().min(0).default(0) });
export const Version = z.object({ version: z.number().int() });
export type Version = z.infer<typeof Version>;
