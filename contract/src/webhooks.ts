import { z } from 'zod';
import { OutsideAddress } from './outsideAddress';

/** What is told to whoever follows what happens: see the feed of events. */
export const EVENT_TYPES = [
  'card.read',
  'card.filed',
  'person.created',
  'person.changed',
  'person.merged',
  'person.parted',
  'person.deleted',
  'person.restored',
  'person.erased',
  'consent.given',
  'consent.withdrawn',
  'task.done',
  'message.answered',
  'opportunity.changed',
  'opportunity.won',
  'opportunity.lost',
] as const;
export const EventType = z.enum(EVENT_TYPES, `Possible are: ${EVENT_TYPES.join(', ')}.`);
export type EventType = z.infer<typeof EventType>;

/** Something that happened. It names whom and what it is about and tells nothing of them: that is asked for with a token. */
export const FeedEvent = z.object({
  id: z.uuid(),
  type: EventType,
  at: z.iso.datetime(),
  personId: z.uuid().nullable(),
  cardId: z.uuid().nullable(),
  opportunityId: z.uuid().nullable(),
  /** Who did it; null for what was done without a person. */
  by: z.uuid().nullable(),
  /** Names of the fields that are others now. */
  changed: z.array(z.string()),
  /** Stands for the place behind it in the feed. */
  cursor: z.string(),
});
export type FeedEvent = z.infer<typeof FeedEvent>;

const Types = z
  .array(EventType)
  .max(EVENT_TYPES.length)
  .transform((types) => EVENT_TYPES.filter((type) => types.includes(type)));

export const EventsQuery = z.object({
  /** The cursor of the last event that is known; from the oldest one that is kept without. */
  after: z
    .string()
    .regex(/^\d{1,19}-\d{1,18}$/, 'This is no place in the feed.')
    .optional(),
  type: z.preprocess((value) => (value === undefined ? [] : [value].flat()), z.array(EventType)),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
export type EventsQuery = z.infer<typeof EventsQuery>;
export const EventsPage = z.object({
  items: z.array(FeedEvent),
  /** What to ask behind next; the same as before where nothing has happened. Null where nothing ever has. */
  next: z.string().nullable(),
});
export type EventsPage = z.infer<typeof EventsPage>;

export const WebhookFields = z.strictObject({
  url: OutsideAddress,
  /** What is told; nothing for everything. */
  types: Types.default([]),
});
export type WebhookFields = z.infer<typeof WebhookFields>;
export const WebhookChange = WebhookFields.extend({ paused: z.boolean().default(false) });
export type WebhookChange = z.infer<typeof WebhookChange>;

/** The only answer that holds the secret which what is sent is signed with (Standard Webhooks). */
export const WebhookSecret = z.object({
  id: z.uuid(),
  secret: z.string(),
  /** Until when what is sent is signed with the former secret as well. */
  formerUntil: z.iso.datetime().nullable(),
});
export type WebhookSecret = z.infer<typeof WebhookSecret>;

export const Webhook = z.object({
  id: z.uuid(),
  url: z.string(),
  types: z.array(EventType),
  madeAt: z.iso.datetime(),
  by: z.string(),
  /** Since when nothing is sent, and why where nobody wanted that. */
  pausedAt: z.iso.datetime().nullable(),
  pausedWhy: z.string().nullable(),
  waiting: z.number().int(),
  failed: z.number().int(),
  lastDeliveredAt: z.iso.datetime().nullable(),
});
export type Webhook = z.infer<typeof Webhook>;
export const Webhooks = z.object({ items: z.array(Webhook) });
export type Webhooks = z.infer<typeof Webhooks>;

export const WebhookDelivery = z.object({
  id: z.uuid(),
  type: z.string(),
  madeAt: z.iso.datetime(),
  state: z.enum(['waiting', 'delivered', 'failed']),
  attempts: z.number().int(),
  /** When it is sent (again). */
  nextAt: z.iso.datetime().nullable(),
  doneAt: z.iso.datetime().nullable(),
  /** What was sent, and what came back. */
  request: z.string(),
  status: z.number().int().nullable(),
  answer: z.string().nullable(),
  problem: z.string().nullable(),
});
export type WebhookDelivery = z.infer<typeof WebhookDelivery>;
export const DeliveriesQuery = z.object({
  state: z.enum(['all', 'waiting', 'delivered', 'failed']).default('all'),
  cursor: z.uuid().optional(),
});
export const WebhookDeliveries = z.object({ items: z.array(WebhookDelivery), next: z.uuid().nullable() });
export type WebhookDeliveries = z.infer<typeof WebhookDeliveries>;
export const Repeated = z.object({ repeated: z.number().int() });
export type Repeated = z.infer<typeof Repeated>;
