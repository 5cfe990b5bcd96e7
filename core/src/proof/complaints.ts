import { isPossiblePhone } from '../people';
import { fold } from '../text';
import type { DraftField } from './draft';

/** Ways a field's text falls short of its form, in words; undefined when it is fine or empty. */
export function complaintAbout({ field, value, leftOut }: DraftField): string | undefined {
  const text = value.trim();
  if (leftOut || !text) return undefined;
  if (field === 'email' && !/^[^\s@]+@[^\s@]+\.[^\s@.]{2,}$/.test(fold(text)))
    return 'This is not a complete e-mail address.';
  if (field === 'phone' && text.replace(/\D/g, '').length < 5) return 'This is too short for a phone number.';
  if (field === 'phone' && !isPossiblePhone(text)) return 'There is no number of this length in its country.';
  return undefined;
}
