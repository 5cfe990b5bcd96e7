import type { Sum } from '@dossier/core/pipeline';

export { amountOf } from '@dossier/core/pipeline';

/** "EUR 12,400", "EUR 0.50": to the second place only where there is something there. */
export const moneyWords = (value: number, currency: string): string =>
  `${currency} ${value.toLocaleString('en', Number.isInteger(value) ? {} : { minimumFractionDigits: 2, maximumFractionDigits: 2 })}`;

/** Sums of several currencies one after the other. */
export const sumWords = (sums: readonly Sum[], of: 'value' | 'weighted'): string =>
  sums.map((sum) => moneyWords(sum[of], sum.currency)).join(' + ') || 'nothing yet';
