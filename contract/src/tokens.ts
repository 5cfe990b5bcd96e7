import { SCOPES } from '@dossier/core/account';
import { z } from 'zod';

export const Scope = z.enum(SCOPES, `A token may: ${SCOPES.join(', ')}.`);

export const MOST_REQUESTS_A_MINUTE = 6_000;

/** A token for a program: what it is called, what it may do and until when, how many requests a minute. */
export const NewToken = z.strictObject({
  name: z.string().trim().min(1, 'Say which program this is for.').max(80),
  scopes: z
    .array(Scope)
    .min(1, 'Choose at least one thing that the program may do.')
    .max(SCOPES.length)
    .transform((scopes) => SCOPES.filter((scope) => scopes.includes(scope))),
  endsAt: z.iso.datetime({ offset: true }).nullish(),
  perMinute: z
    .number()
    .int('Give a whole number.')
    .min(1, 'At least one request a minute.')
    .max(MOST_REQUESTS_A_MINUTE, `At most ${MOST_REQUESTS_A_MINUTE} requests a minute.`)
    .default(600),
});
export type NewToken = z.infer<typeof NewToken>;

/** The only answer that holds the token itself. */
export const TokenMade = z.object({ id: z.uuid(), token: z.string() });
export type TokenMade = z.infer<typeof TokenMade>;

export const ApiToken = z.object({
  id: z.uuid(),
  name: z.string(),
  scopes: z.array(Scope),
  perMinute: z.number().int(),
  /** Whose it is: it may never do more than they. */
  by: z.string(),
  madeAt: z.iso.datetime(),
  endsAt: z.iso.datetime().nullable(),
  /** To the minute. */
  lastUsedAt: z.iso.datetime().nullable(),
});
export type ApiToken = z.infer<typeof ApiToken>;

export const ApiTokens = z.object({ items: z.array(ApiToken) });
export type ApiTokens = z.infer<typeof ApiTokens>;

const Origin = z
  .string()
  .trim()
  .toLowerCase()
  .max(300)
  .regex(
    /^https?:\/\/[a-z\d]([a-z\d.-]*[a-z\d])?(:\d{1,5})?$/,
    'Write an address as https://shop.example, without anything behind it.',
  );

/** Web pages of others whose scripts may ask here, with a token. */
export const AllowedOrigins = z.object({ origins: z.array(Origin).max(20, 'At most 20 addresses are possible.') });
export type AllowedOrigins = z.infer<typeof AllowedOrigins>;
