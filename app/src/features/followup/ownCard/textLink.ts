import type { OwnCard } from '@dossier/contract';
import { textCardWords } from '@dossier/core/followup/ownCard';
import { languageOfCountry } from '@dossier/core/followup/templates';
import { emptyPersonFields, fullName, type PersonFields } from '@dossier/core/people';
import { pageAddress } from './pageAddress';

/** Opens the device's own text messages, with the words written (RFC 5724); undefined where there is no mobile number, or no page. */
export function textLink(to: Pick<PersonFields, 'phones' | 'country'>, card: OwnCard | undefined): string | undefined {
  const mobile = to.phones.find(({ kind, extension }) => kind === 'mobile' && !extension);
  const number = mobile?.value.replace(/[^\d+]/g, '');
  if (!number || !card?.page) return undefined;
  const language = languageOfCountry(/^[A-Z]{2}$/.test(to.country) ? to.country : '');
  const name = fullName({ ...emptyPersonFields(), ...card.details });
  return `sms:${number}?body=${encodeURIComponent(textCardWords({ language, name, page: pageAddress(card.page) }))}`;
}
