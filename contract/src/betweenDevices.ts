import type { ParcelMessage as Message } from '@dossier/core/exchange/betweenDevices';
import { z } from 'zod';

const Bytes = z.number().int().min(0).max(Number.MAX_SAFE_INTEGER);
const Index = z.number().int().min(0).max(999);
const Hex = z.string().regex(/^[0-9a-f]{32,64}$/);
const Said = z.string().trim().max(200);

/** What the other device says, which may be anybody's. */
export type ParcelMessage = Message;
export const ParcelMessage: z.ZodType<Message> = z.discriminatedUnion('type', [
  z.object({ type: z.literal('hello'), from: Said, promise: Hex }),
  z.object({ type: z.literal('answer'), from: Said, nonce: Hex }),
  z.object({ type: z.literal('reveal'), nonce: Hex }),
  z.object({
    type: z.literal('parcel'),
    parcel: z.object({
      id: z.uuid(),
      items: z
        .array(
          z.object({
            name: Said,
            kind: z.enum(['people', 'picture', 'text']),
            count: z.number().int().min(0).max(1_000_000),
            bytes: Bytes,
            digest: Hex,
          }),
        )
        .min(1)
        .max(1_000),
    }),
  }),
  z.object({ type: z.literal('wanted'), at: z.array(Bytes).max(1_000) }),
  z.object({ type: z.literal('item'), index: Index, at: Bytes }),
  z.object({ type: z.literal('kept'), index: Index, bytes: Bytes }),
  z.object({ type: z.literal('whole'), index: Index }),
  z.object({ type: z.literal('damaged'), index: Index }),
  z.object({ type: z.literal('stop') }),
]);
