import type { ParcelItem } from '@dossier/core/exchange/betweenDevices';
import { counted } from '@/lib/counted';

/** What a parcel holds, in words: "30 people, 3 cards". */
export function contentWords(items: readonly Pick<ParcelItem, 'kind' | 'count'>[]): string {
  const people = items.filter(({ kind }) => kind === 'people').reduce((sum, { count }) => sum + count, 0);
  const cards = items.filter(({ kind }) => kind !== 'people').length;
  return [people > 0 && counted(people, 'person', 'people'), cards > 0 && counted(cards, 'card')].filter(Boolean).join(', ') || 'nothing'; // prettier-ignore
}

/** How much of it there is, in hundredths; all of nothing. */
export const share = (bytes: number, items: readonly Pick<ParcelItem, 'bytes'>[]): number => {
  const all = items.reduce((sum, item) => sum + item.bytes, 0);
  return all === 0 ? 100 : Math.floor((100 * bytes) / all);
};
