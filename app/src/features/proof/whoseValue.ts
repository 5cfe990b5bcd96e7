import type { Change } from '@dossier/contract';
import type { RecordValue } from '@dossier/core/proof';
import { formatWhen } from '@/lib/formatDate';

const LIST_OF: Partial<Record<RecordValue['field'], string>> = {
  email: 'emails',
  phone: 'phones',
  website: 'websites',
  more: 'more',
};

/**
 * Who brought a value into a record for which no card can be shown, as far as the history tells: written into it, or filed, which says
 * nothing about whether it was read or typed. @param history the latest first
 */
export function whoseValue(history: readonly Change[], { field, value }: RecordValue): string {
  const list = LIST_OF[field];
  const has = (text: string) => (list ? plain(text).includes(plain(value)) : text === value);
  const brings = ({ changes }: Change) =>
    changes.some((change) => change.field === (list ?? field) && has(change.after) && !has(change.before));
  const entry = history.find(brings);
  if (!entry) return 'Not from a card whose picture is kept.';
  const act = entry.action === 'edited' ? 'Written' : 'Filed';
  return `${act} by ${entry.actor || 'somebody'}, ${formatWhen(entry.at)}`;
}

/** Lists stand in the history as one text. */
const plain = (text: string): string => text.replace(/[\s()-]/g, '').toLowerCase();
