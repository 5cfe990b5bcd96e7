import { isPlaceholder, MESSAGE_LANGUAGES, type Placeholder } from '@dossier/core/followup/templates';
import { z } from 'zod';

const line = (max: number) => z.string().trim().max(max);

/** A piece of a template: text, or a place that is filled in. */
export const Piece = z.union([
  z.string().max(8000),
  z.object({
    field: z.custom<Placeholder>((value) => typeof value === 'string' && value.length <= 120 && isPlaceholder(value), 'There is no such place to fill in.'), // prettier-ignore
    /** Put where nothing is known; empty for: not sent without. */
    fallback: line(300).default(''),
  }),
]);
export type Piece = z.infer<typeof Piece>;
export const TemplateText = z.object({ subject: z.array(Piece).max(60), body: z.array(Piece).max(400) });
export type TemplateText = z.infer<typeof TemplateText>;

export const MessageLanguage = z.enum(MESSAGE_LANGUAGES as [string, ...string[]]);

export const TemplateFields = z
  .object({
    name: line(120).min(1, 'Give the template a name.'),
    kind: z.enum(['email', 'letter']).default('email'),
    /** What it is about, as people agreed to it; null for whatever they agreed to. */
    scope: line(200).min(1).nullable().default(null),
    /** By language, ISO 639-1; English is used where somebody's is missing. */
    texts: z.partialRecord(MessageLanguage, TemplateText),
    /** Whether the sender's own vCard goes along. */
    ownVcard: z.boolean().default(false),
    /** Files that go along. */
    attachmentIds: z.array(z.uuid()).max(5, 'At most five files go along.').default([]),
  })
  .refine(({ texts }) => Object.keys(texts).length > 0, { path: ['texts'], error: 'Write it in one language at least.' }) // prettier-ignore
  .refine(({ texts }) => Object.values(texts).every((text) => text!.body.some((piece) => typeof piece !== 'string' || piece.trim())), { path: ['texts'], error: 'Write something.' }); // prettier-ignore
export type TemplateFields = z.infer<typeof TemplateFields>;

export const Attachment = z.object({ id: z.uuid(), name: z.string(), type: z.string(), bytes: z.number().int() });
export type Attachment = z.infer<typeof Attachment>;

export const Template = z.object({
  id: z.uuid(),
  version: z.number().int(),
  name: z.string(),
  kind: z.enum(['email', 'letter']),
  scope: z.string().nullable(),
  texts: z.partialRecord(MessageLanguage, TemplateText),
  ownVcard: z.boolean(),
  attachments: z.array(Attachment),
  changedAt: z.iso.datetime(),
  /** Plans that use it. */
  usedIn: z.array(z.string()),
});
export type Template = z.infer<typeof Template>;
export const TemplateList = z.object({ items: z.array(Template) });
export type TemplateList = z.infer<typeof TemplateList>;

/** Why something is sent by hand: somebody agreed to hear of it, or asked for it. */
export const HandPurpose = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('byHand'), scope: line(200).min(1).nullable().default(null) }),
  z.object({ kind: z.literal('reply'), asked: line(300) }),
]);
export type HandPurpose = z.infer<typeof HandPurpose>;

/** Whether something would be let through, and in words why not. */
export const Verdict = z.object({ may: z.boolean(), why: z.string().nullable(), words: z.string().nullable() });
export type Verdict = z.infer<typeof Verdict>;

/** A template as it would go to one person. */
export const PreviewRequest = z.object({
  templateId: z.uuid().optional(),
  /** A text that is not saved yet, instead of a template. */
  texts: z.partialRecord(MessageLanguage, TemplateText).optional(),
  language: MessageLanguage.optional(),
  purpose: HandPurpose.default({ kind: 'byHand', scope: null }),
});
export type PreviewRequest = z.infer<typeof PreviewRequest>;
export const Preview = z.object({
  language: z.string(),
  from: z.string().nullable(),
  to: z.string().nullable(),
  subject: z.string(),
  body: z.string(),
  /** Places for which nothing is known and no fallback stands: it is not sent like this. */
  missing: z.array(z.string()),
  attachments: z.array(z.string()),
  verdict: Verdict,
});
export type Preview = z.infer<typeof Preview>;

/** A message to one person, as it is to go. */
export const NewMessage = z.object({
  /** Made by the device: sending it twice sends one. */
  id: z.uuid(),
  to: z.string().trim().toLowerCase().max(254),
  subject: line(300).min(1, 'Write what it is about.'),
  body: z.string().trim().min(1, 'Write something.').max(20_000),
  purpose: HandPurpose,
  templateId: z.uuid().nullable().default(null),
  /** The message that this one answers. */
  answersId: z.uuid().nullable().default(null),
  ownVcard: z.boolean().default(false),
  attachmentIds: z.array(z.uuid()).max(5).default([]),
});
export type NewMessage = z.infer<typeof NewMessage>;

/**
 * - `waiting` on its way, also while the other side is not reachable
 * - `sending` being given to the mail server at this moment
 * - `sent` taken by the mail server
 * - `uncertain` perhaps sent: it is not sent again by itself
 * - `refused` not let through, or not taken by the mail server
 * - `received` come in
 */
export const MessageState = z.enum(['waiting', 'sending', 'sent', 'uncertain', 'refused', 'received']);
export type MessageState = z.infer<typeof MessageState>;

export const Message = z.object({
  id: z.uuid(),
  direction: z.enum(['out', 'in']),
  state: MessageState,
  kind: z.enum(['plan', 'byHand', 'reply', 'answer', 'outOfOffice', 'bounce', 'delayed', 'automatic']),
  at: z.iso.datetime(),
  from: z.string(),
  to: z.string(),
  subject: z.string(),
  text: z.string(),
  /** Why it did not go, or what went wrong last. */
  problem: z.string().nullable(),
  /** Whether it came back. */
  cameBack: z.boolean(),
  isRead: z.boolean(),
  by: z.string().nullable(),
  plan: z.string().nullable(),
  attachments: z.array(Attachment),
  answersId: z.uuid().nullable(),
});
export type Message = z.infer<typeof Message>;
export const MessageList = z.object({ items: z.array(Message) });
export type MessageList = z.infer<typeof MessageList>;

/** What is done with a message that is not simply on its way. */
export const MessageMove = z.object({ to: z.enum(['read', 'unread', 'again', 'arrived', 'dropped']) });
export type MessageMove = z.infer<typeof MessageMove>;

/** Which letters, by the tasks that say that they are to be printed. */
export const LettersQuery = z.object({
  tasks: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(z.uuid()).min(1).max(200)),
});
export const AttachmentQuery = z.object({ name: line(120).min(1) });
