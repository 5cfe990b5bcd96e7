import { ADDRESS_FIELDS, addressLines, formatPhone, type PersonFields } from '../people';
import { isFreeMail } from '../text/domains';
import { emailKey, phoneKey, websiteKey } from './contactPointKeys';

/** Something of a record that belongs to a job, and ends with it. */
export interface Ending {
  /** Names it among the endings of a record. */
  key: string;
  kind: 'phone' | 'email' | 'website' | 'address';
  text: string;
}

/**
 * What of a record is the old firm's, once its person has a new job: numbers at work and for faxes, addresses at the firm's own domain,
 * its web pages and its postal address. What the new card has too stays, as does a mobile, which goes along with its owner.
 */
export function endsWithJob(known: PersonFields, card: PersonFields): Ending[] {
  const isOnCard = {
    phone: new Set(card.phones.map(({ value }) => phoneKey(value))),
    email: new Set(card.emails.map(emailKey)),
    website: new Set(card.websites.map(websiteKey)),
  };
  const endings: Ending[] = [];
  for (const { value, kind, extension } of known.phones)
    if (kind !== 'mobile' && !isOnCard.phone.has(phoneKey(value)))
      endings.push({
        key: `phone ${phoneKey(value)} ${extension}`,
        kind: 'phone',
        text: formatPhone(value, extension),
      });
  for (const email of known.emails)
    if (!isOnCard.email.has(emailKey(email)) && !isFreeMail(email.slice(email.indexOf('@') + 1)))
      endings.push({ key: `email ${emailKey(email)}`, kind: 'email', text: email });
  for (const website of known.websites)
    if (!isOnCard.website.has(websiteKey(website)))
      endings.push({ key: `website ${websiteKey(website)}`, kind: 'website', text: website });
  const isSamePlace = ADDRESS_FIELDS.every((part) => card[part] === '' || card[part] === known[part]);
  const says = ADDRESS_FIELDS.some((part) => card[part] !== '');
  if (ADDRESS_FIELDS.some((part) => known[part] !== '') && !(says && isSamePlace))
    endings.push({ key: 'address', kind: 'address', text: addressLines(known).join(', ') });
  return endings;
}

/** A record after these things have ended. */
export function withoutEndings(known: PersonFields, endings: readonly Ending[]): PersonFields {
  const gone = new Set(endings.map(({ key }) => key));
  const address = gone.has('address') ? Object.fromEntries(ADDRESS_FIELDS.map((part) => [part, ''])) : {};
  return {
    ...known,
    ...address,
    phones: known.phones.filter(({ value, extension }) => !gone.has(`phone ${phoneKey(value)} ${extension}`)),
    emails: known.emails.filter((email) => !gone.has(`email ${emailKey(email)}`)),
    websites: known.websites.filter((website) => !gone.has(`website ${websiteKey(website)}`)),
  };
}
