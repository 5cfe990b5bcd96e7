import type { Delivery, Destination, HandOverWhen } from '@dossier/contract';
import { counted } from '@/lib/counted';

export const WHEN_WORDS: Readonly<Record<HandOverWhen, string>> = {
  byHand: 'Only whom somebody hands over',
  always: 'Everybody who is filed',
  leads: 'Leads',
  contacts: 'Contacts, and leads once they are',
  consented: 'Whoever has agreed to be reached',
  looked: 'Whoever somebody has looked at',
};

/** Who goes there without being handed over, as a sentence. */
export const whenWords = ({ when, occasions }: Destination): string =>
  [
    when === 'byHand' ? `${WHEN_WORDS.byHand}.` : `Goes there by itself: ${WHEN_WORDS[when].toLowerCase()}.`,
    occasions.length > 0 ? 'Otherwise for some occasions.' : '',
  ]
    .filter(Boolean)
    .join(' ');

/** How many are there, on the way, and wait for somebody. */
export function standingOf({ delivered, waiting, held, paused, pausedWhy }: Destination): string {
  return [
    paused ? `Paused${pausedWhy ? `: ${pausedWhy}` : '.'}` : '',
    held > 0 ? `${counted(held, 'sending')} ${held === 1 ? 'waits' : 'wait'} for somebody.` : '',
    waiting > 0 ? `${counted(waiting, 'sending')} on the way.` : '',
    delivered > 0 ? `${counted(delivered, 'person', 'people')} there.` : 'Nobody is there yet.',
  ]
    .filter(Boolean)
    .join(' ');
}

/** Where it is, in few words. */
export function whereOf({ to }: Destination): string {
  if (to.kind === 'folder') return `Folder ${to.folder}, ${to.format === 'vcard' ? 'address cards' : 'tables'}`;
  return to.kind === 'addressBook' ? `Address book at ${to.base}` : to.base;
}

export const SUBJECT_WORDS: Readonly<Record<Delivery['subject'], string>> = {
  person: '',
  note: 'Note of ',
  task: 'Next step with ',
  picture: 'Picture of ',
  opportunity: 'Business with ',
};
