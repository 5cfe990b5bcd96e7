import { z } from 'zod';
import { TimeOfDay } from './tasks';

const host = z
  .string()
  .trim()
  .max(253)
  .regex(/^[A-Za-z0-9.:[\]_-]+$/, 'Write the server’s name, such as mail.keldermoss.example.');
const Server = {
  host,
  port: z.coerce.number().int().min(1).max(65_535),
  /** How the way is closed to others: from the first byte, once both are ready, or not at all. */
  security: z.enum(['tls', 'startTls', 'none']),
  user: z.string().trim().max(254).default(''),
};

export const MailOut = z.object(Server);
export const MailIn = z.object({ ...Server, folder: z.string().trim().min(1).max(200).default('INBOX') });
export type MailOut = z.infer<typeof MailOut>;
export type MailIn = z.infer<typeof MailIn>;
const address = z.email('Write an e-mail address.').max(254).toLowerCase();
export const Sender = z.object({
  address,
  name: z.string().trim().min(1, 'Write whose name stands there.').max(120),
  /** Whose people are written to from here; null for everybody’s who has none of their own. */
  accountId: z.uuid().nullable(),
});
export type Sender = z.infer<typeof Sender>;

/** How a team sends and receives. Secrets are left out for: as before. */
export const MailSettings = z
  .object({
    out: MailOut.nullable(),
    outPassword: z.string().max(500).nullable().optional(),
    incoming: MailIn.nullable(),
    inPassword: z.string().max(500).nullable().optional(),
    senders: z.array(Sender).max(50),
    perMinute: z.number().int().min(1).max(600).default(30),
    /** Local to whoever is written to: nothing is sent between these. */
    quietFrom: TimeOfDay.default('18:00'),
    quietTo: TimeOfDay.default('08:00'),
    /** Whether something is sent on weekends and holidays too. */
    onDaysOff: z.boolean().default(false),
    /** What stands under every message. */
    footer: z.string().trim().max(1000).default(''),
  })
  .refine(({ senders }) => new Set(senders.map((one) => one.address)).size === senders.length, {
    path: ['senders'],
    error: 'An address stands here twice.',
  });
export type MailSettings = z.infer<typeof MailSettings>;

export const MailStanding = z.object({
  settings: MailSettings,
  hasOutPassword: z.boolean(),
  hasInPassword: z.boolean(),
  /** What is wrong with sending, or with looking for what came; null where it goes well. */
  outTrouble: z.string().nullable(),
  inTrouble: z.string().nullable(),
  lookedAt: z.iso.datetime().nullable(),
  waiting: z.number().int(),
  uncertain: z.number().int(),
  /** Whether messages can carry a way to withdraw: not without an address of this installation. */
  hasPublicAddress: z.boolean(),
});
export type MailStanding = z.infer<typeof MailStanding>;

export const MailTry = z.object({ to: address });
export const MailTried = z.object({ ok: z.boolean(), words: z.string() });
export type MailTried = z.infer<typeof MailTried>;

/** An address, or a domain with everybody at it, that nothing is sent to. */
export const DoNotWriteEntry = z.object({
  value: z
    .string()
    .trim()
    .toLowerCase()
    .max(254)
    .regex(/^(?:[^\s@]+@)?[^\s@.]+(?:\.[^\s@.]+)+$/, 'Write an address, or a domain such as ferrysides.example.'),
  why: z.string().trim().max(300).default(''),
});
export type DoNotWriteEntry = z.infer<typeof DoNotWriteEntry>;
export const DoNotWriteList = z.object({
  items: z.array(DoNotWriteEntry.extend({ id: z.uuid(), by: z.string(), at: z.iso.datetime() })),
});
export type DoNotWriteList = z.infer<typeof DoNotWriteList>;
