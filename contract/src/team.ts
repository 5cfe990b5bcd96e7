import { z } from 'zod';
import { EmailAddress, Role, SignIn } from './account';
import { CountryCode } from './occasion';

/** What a person chooses for themselves: long enough not to be guessed, and nothing else is asked of it. */
export const NewPassword = z
  .string()
  .min(10, 'Use at least ten characters; several words are easy to remember.')
  .max(200);

const Name = z.string().trim().min(1, 'Write a name.').max(120);

/** The team and its first administrator, made once with the code that the terminal shows. */
export const Beginning = z.object({
  code: z.string().trim().min(1, 'Write the code that the terminal shows.').max(40),
  workspace: z.string().trim().min(1, 'Write what your team or firm is called.').max(120),
  country: CountryCode,
  name: Name,
  email: EmailAddress,
  password: NewPassword,
});
export type Beginning = z.infer<typeof Beginning>;

export const PasswordChange = z.object({ current: SignIn.shape.password, next: NewPassword });
export type PasswordChange = z.infer<typeof PasswordChange>;

export const Invitation = z.object({ name: Name, email: EmailAddress, role: Role });
export type Invitation = z.infer<typeof Invitation>;

/** Somebody of the team as those in charge see them. */
export const Member = z.object({
  id: z.uuid(),
  name: z.string(),
  email: z.string(),
  role: Role,
  /** Since when the account lets nobody in; null while it is in use. */
  outOfUseAt: z.iso.datetime().nullable(),
  /** People in the records that are theirs. */
  owns: z.number().int(),
});
export type Member = z.infer<typeof Member>;

export const Invited = Invitation.extend({ id: z.uuid(), endsAt: z.iso.datetime(), hasEnded: z.boolean() });
export type Invited = z.infer<typeof Invited>;

export const Members = z.object({ members: z.array(Member), invited: z.array(Invited) });
export type Members = z.infer<typeof Members>;

export const RoleChange = z.object({ role: Role });
export type RoleChange = z.infer<typeof RoleChange>;

/** A link to be given to one colleague. It is told once: what is kept opens nothing. */
export const AccessLink = z.object({ path: z.string(), endsAt: z.iso.datetime() });
export type AccessLink = z.infer<typeof AccessLink>;

export const OutOfUse = z.object({ handTo: z.uuid() });
export type OutOfUse = z.infer<typeof OutOfUse>;

/** How much went from one colleague to another. */
export const HandedOver = z.object({
  people: z.number().int(),
  cards: z.number().int(),
  occasions: z.number().int(),
  secondLooks: z.number().int(),
});
export type HandedOver = z.infer<typeof HandedOver>;

const Token = z.string().min(1).max(200);
export const LinkOpened = z.object({ token: Token });

/** Whom a link is for. */
export const LinkHolder = z.object({
  purpose: z.enum(['join', 'password']),
  workspace: z.string(),
  name: z.string(),
  email: z.string(),
  madeBy: z.string(),
});
export type LinkHolder = z.infer<typeof LinkHolder>;

export const LinkUsed = z.object({ token: Token, name: Name, password: NewPassword });
export type LinkUsed = z.infer<typeof LinkUsed>;
