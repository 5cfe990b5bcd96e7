import type { Sum } from '@dossier/core/pipeline';

/** "EUR 12,400", "EUR 0.50": to the second place only where there is something there. */
export const moneyWords = (value: number, currency: string): string =>
  `${currency} ${value.toLocaleString('en', Number.isInteger(value) ? {} : { minimumFractionDigits: 2, maximumFractionDigits: 2 })}`;

/** Sums of several currencies one after the other. */
export const sumWords = (sums: readonly Sum[], of: 'value' | 'weighted'): string =>
  sums.map((sum) => moneyWords(sum[of], sum.currency)).join(' + ') || 'nothing yet';

/** "12,400.50" and "12 400,50" alike; undefined for what is no amount. */
export function amountOf(written: string): number | undefined {
  const tight = written.replace(/[\s\u00a0\u202f'’]/g, '');
  const grouped = /^(\d{1,3}(?:[.,]\d{3})+)(?:[.,](\d{1,2}))?$/.exec(tight);
  const plain = /^(\d+)(?:[.,](\d{1,2}))?$/.exec(tight);
  const [, whole, cents = ''] = plain ?? grouped ?? [];
  return whole === undefined ? undefined : Number(`${whole.replace(/[.,]/g, '')}.${cents || '0'}`);
}
