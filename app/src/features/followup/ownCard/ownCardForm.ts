import { OwnCardFields, type OwnCard } from '@dossier/contract';
import { typedPhone } from '@dossier/core/people/typedPhone';
import { formatPhone } from '@dossier/core/people';
import { z } from 'zod';

/** One line for each thing that stands on most cards. */
export const OwnCardForm = z.object({
  givenName: z.string(),
  familyName: z.string(),
  title: z.string(),
  department: z.string(),
  company: z.string(),
  phone: z.string(),
  mobile: z.string(),
  email: z.string(),
  website: z.string(),
  street: z.string(),
  postalCode: z.string(),
  locality: z.string(),
  country: z.string(),
  greeting: z.string().max(400, 'Use at most 400 characters.'),
  takesVisitors: z.boolean(),
  scope: z.string().max(200, 'Use at most 200 characters.'),
}).refine(({ givenName, familyName }) => Boolean(givenName.trim() || familyName.trim()), { path: ['familyName'], error: 'Write your name.' }); // prettier-ignore
export type OwnCardForm = z.infer<typeof OwnCardForm>;

export function formOf({ details, greeting, takesVisitors, scope }: OwnCard): OwnCardForm {
  const { givenName, familyName, title, department, company, street, postalCode, locality, country } = details;
  const numberOf = (kind: 'work' | 'mobile') => {
    const entry = details.phones.find((phone) => phone.kind === kind);
    return entry ? formatPhone(entry.value, entry.extension) : '';
  };
  return {
    givenName, familyName, title, department, company, street, postalCode, locality, country, greeting, takesVisitors, scope,
    phone: numberOf('work'),
    mobile: numberOf('mobile'),
    email: details.emails[0] ?? '',
    website: details.websites[0] ?? '',
  }; // prettier-ignore
}

/** @param country of numbers without a code, ISO 3166 */
export function fieldsOf({ details }: OwnCard, form: OwnCardForm, country: string): OwnCardFields {
  const { phone, mobile, email, website, greeting, takesVisitors, scope, ...plain } = form;
  const phones = [
    { text: phone, kind: 'work' as const },
    { text: mobile, kind: 'mobile' as const },
  ].flatMap(({ text, kind }) => (text.trim() ? [{ ...typedPhone(text, country), kind }] : []));
  const first = <T>(value: string, rest: readonly T[]): (string | T)[] => [...(value.trim() ? [value.trim()] : []), ...rest.slice(1)]; // prettier-ignore
  return OwnCardFields.parse({
    details: {
      ...details,
      ...plain,
      phones,
      emails: first(email, details.emails),
      websites: first(website, details.websites),
    },
    greeting,
    takesVisitors,
    scope,
  });
}
