import { z } from 'zod';
import { PersonFields } from './people';

/** For how long a link shows a person to whoever has it. */
export const ShareFields = z.strictObject({ days: z.number().int().min(1).max(90).default(7) });
export type ShareFields = z.infer<typeof ShareFields>;

/** A new link; what opens it is told this once. */
export const ShareMade = z.object({ id: z.uuid(), path: z.string(), endsAt: z.iso.datetime() });
export type ShareMade = z.infer<typeof ShareMade>;

/** A link that still opens. */
export const Share = z.object({
  id: z.uuid(),
  by: z.string(),
  madeAt: z.iso.datetime(),
  endsAt: z.iso.datetime(),
  opened: z.number().int(),
  openedAt: z.iso.datetime().nullable(),
});
export type Share = z.infer<typeof Share>;
export const Shares = z.object({ items: z.array(Share) });
export type Shares = z.infer<typeof Shares>;

/** What opens a link, without the address in which it stands behind the `#`. */
export const ShareOpened = z.strictObject({ token: z.string().min(20).max(100) });

/** Who is shown by a link: what stands on a card, nothing of what was noted. */
export const SharedPerson = z.object({
  id: z.uuid(),
  fullName: z.string(),
  fields: PersonFields.omit({ more: true }),
  by: z.string(),
  workspace: z.string(),
  updatedAt: z.iso.datetime(),
  endsAt: z.iso.datetime(),
});
export type SharedPerson = z.infer<typeof SharedPerson>;
