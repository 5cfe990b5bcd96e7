import type { HandedPerson } from './sources';

/**
 * Somebody as they are sent to try things out: their name says so, and their mail is one that nobody has, so that the record is in the way
 * of none.
 * @param mark small letters and digits, another one for each try
 */
export const asTry = (person: HandedPerson, mark: string): HandedPerson => ({
  ...person,
  fields: {
    ...person.fields,
    familyName: `${person.fields.familyName} (a try)`.trim(),
    // RFC 2606: nobody ever has an address there.
    emails: person.fields.emails.map((_, i) => `try-${mark}${i || ''}@dossier.invalid`),
    phones: [],
  },
});
