import { fold } from '../text';
import type { PersonFields } from './personFields';

type NameFields = Pick<PersonFields, 'givenName' | 'middleName' | 'familyName'>;

/** Given, middle and family name; no prefix, no letters after the name. */
export const fullName = ({ givenName, middleName, familyName }: NameFields): string =>
  [givenName, middleName, familyName].filter(Boolean).join(' ');

/** What to call a record: the person's name, else the company, else the first address. */
export const displayName = (fields: PersonFields): string =>
  fullName(fields) || fields.company || fields.emails[0] || fields.phones[0]?.value || '';

/** What lists are ordered by: family name first, without accents. */
export const sortName = (fields: PersonFields): string =>
  fold([fields.familyName, fields.givenName, fields.middleName].filter(Boolean).join(' ') || displayName(fields));
