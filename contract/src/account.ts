import { ROLES } from '@dossier/core/account';
import { z } from 'zod';
import { KeepPictures } from './occasion';
import { MatchLimits } from './people';

export const EmailAddress = z
  .string()
  .trim()
  .toLowerCase()
  .pipe(z.email('Write your e-mail address in full.'))
  .pipe(z.string().max(254));

export const SignIn = z.object({
  email: EmailAddress,
  password: z.string().min(1, 'Write your password.').max(200),
});
export type SignIn = z.infer<typeof SignIn>;

export const Role = z.enum(ROLES);

/** The people of a workspace whose accounts are in use. */
export const Team = z.object({ items: z.array(z.object({ id: z.uuid(), name: z.string(), role: Role })) });
export type Team = z.infer<typeof Team>;

/** Who is signed in, and where. */
export const Session = z.object({
  user: z.object({ id: z.uuid(), name: z.string(), email: z.string(), role: Role }),
  workspace: z.object({
    id: z.uuid(),
    name: z.string(),
    country: z.string().length(2),
    languages: z.array(z.string()),
    keepPictures: KeepPictures,
    keepDays: z.number().int().nullable(),
    /** When pictures of what was filed before are removed; null when they are not. */
    clearAt: z.iso.datetime().nullable(),
    ownFields: z.array(z.string()),
    /** Cards without any doubt are filed without a person. */
    filesItself: z.boolean(),
    /** The team's words for rating people. */
    ratings: z.array(z.string()),
    /** Words for how far leads are, and why they are closed. */
    leadStatuses: z.array(z.string()),
    closeReasons: z.array(z.string()),
    /** Whose figures reps see. */
    figures: z.enum(['own', 'all']),
    limits: MatchLimits,
  }),
});
export type Session = z.infer<typeof Session>;
