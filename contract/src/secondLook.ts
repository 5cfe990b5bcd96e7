import { z } from 'zod';

/** Asking a colleague to prove cards, or to look at what is in doubt on them. */
export const SecondLookRequest = z.object({
  cardIds: z.array(z.uuid()).min(1).max(500),
  askedOf: z.uuid(),
  message: z.string().trim().max(400, 'Use at most 400 characters.').default(''),
});
export type SecondLookRequest = z.infer<typeof SecondLookRequest>;

export const SecondLookAnswer = z.object({
  answer: z.string().trim().max(400, 'Use at most 400 characters.').default(''),
});

const Colleague = z.object({ id: z.uuid(), name: z.string() });

/** What a colleague is asked about a card, for as long as it is open. */
export const OpenSecondLook = z.object({
  askedBy: Colleague,
  askedOf: Colleague,
  message: z.string(),
  askedAt: z.iso.datetime(),
});
export type OpenSecondLook = z.infer<typeof OpenSecondLook>;

/** Word of a colleague who has looked. */
export const AnsweredSecondLook = z.object({
  id: z.uuid(),
  cardId: z.uuid(),
  /** Whose card it is, as far as it is known. */
  card: z.string().nullable(),
  answeredBy: Colleague,
  answer: z.string(),
  filed: z.boolean(),
});

/** What somebody is asked and has not done, and what others have done for them and they have not seen. */
export const SecondLooks = z.object({
  asked: z.array(z.object({ cardId: z.uuid(), askedBy: Colleague, message: z.string() })),
  answered: z.array(AnsweredSecondLook),
});
export type SecondLooks = z.infer<typeof SecondLooks>;

export const SecondLooksSeen = z.object({ ids: z.array(z.uuid()).min(1).max(500) });
