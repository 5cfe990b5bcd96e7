import { z } from 'zod';
import { PersonFields } from './people';

/** What one's own card says. */
export const OwnDetails = PersonFields.pick({
  givenName: true, familyName: true, title: true, department: true, company: true, emails: true, phones: true, websites: true,
  street: true, postalCode: true, locality: true, region: true, country: true,
}).refine(({ givenName, familyName }) => Boolean(givenName || familyName), { path: ['familyName'], error: 'Write your name.' }); // prettier-ignore
export type OwnDetails = z.infer<typeof OwnDetails>;

export const OwnCardFields = z.object({
  details: OwnDetails,
  /** A few words for everybody who gets or opens it. */
  greeting: z.string().trim().max(400, 'Use at most 400 characters.').default(''),
  /** Whether whoever opens its page may leave their own details there. */
  takesVisitors: z.boolean().default(true),
  /** What visitors may agree to be written to about; empty where they are not asked. */
  scope: z.string().trim().max(200).default(''),
});
export type OwnCardFields = z.infer<typeof OwnCardFields>;

export const OwnCard = OwnCardFields.extend({
  /** Whether it was ever written; else it is a beginning, from what is known of the account. */
  isWritten: z.boolean(),
  pictureId: z.uuid().nullable(),
  /** Where everybody who has the link finds it; null where there is no page. */
  page: z.object({ path: z.string(), address: z.string().nullable(), madeAt: z.iso.datetime(), opened: z.number().int() }).nullable(), // prettier-ignore
});
export type OwnCard = z.infer<typeof OwnCard>;

/** Sending it to somebody who asked for it. */
export const OwnCardSending = z.object({
  /** Of the message, made by the device: sending it twice sends one. */
  id: z.uuid(),
});
export type OwnCardSending = z.infer<typeof OwnCardSending>;
