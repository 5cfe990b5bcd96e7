/** An amount in a currency (ISO 4217). */
export interface Money {
  value: number;
  currency: string;
}

/** What one unit of a currency is worth in the workspace's own, as the workspace says; never looked up anywhere. */
export interface Rate {
  currency: string;
  rate: number;
}

/** What is hoped for, of one piece of business. @property chance percent, 0–100 */
export interface Hoped extends Money {
  chance: number;
}

/** Sums of one currency. @property weighted each value times its chance */
export interface Sum extends Money {
  weighted: number;
}

/** To the second place behind the point: sums of many are exact to it. */
const round = (value: number): number => Math.round(value * 100) / 100;

/** Values times their chance, and values, for each currency by itself; the largest first. */
export function sumsOf(hoped: readonly Hoped[]): Sum[] {
  const sums = new Map<string, { cents: number; weighted: number }>();
  for (const { value, currency, chance } of hoped) {
    const sum = sums.get(currency) ?? { cents: 0, weighted: 0 };
    const cents = Math.round(value * 100);
    sums.set(currency, { cents: sum.cents + cents, weighted: sum.weighted + cents * chance });
  }
  return [...sums]
    .map(([currency, { cents, weighted }]) => ({ currency, value: cents / 100, weighted: round(weighted / 10_000) }))
    .sort((a, b) => b.value - a.value || a.currency.localeCompare(b.currency));
}

/**
 * One sum of all, in the workspace's own currency.
 * @returns the sum, and the currencies of which the workspace has not said what they are worth: these are not in it
 */
export function togetherIn(own: string, rates: readonly Rate[], sums: readonly Sum[]): { sum: Sum; without: string[] } {
  const worth = new Map([...rates.map(({ currency, rate }) => [currency, rate] as const), [own, 1] as const]);
  const known = sums.filter(({ currency }) => worth.has(currency));
  const total = (of: 'value' | 'weighted') =>
    round(known.reduce((sum, one) => sum + one[of] * worth.get(one.currency)!, 0));
  return {
    sum: { currency: own, value: total('value'), weighted: total('weighted') },
    without: sums.filter(({ currency }) => !worth.has(currency)).map(({ currency }) => currency),
  };
}

/** "12,400.50" and "12 400,50" alike; undefined for what is no amount. */
export function amountOf(written: string): number | undefined {
  const tight = written.replace(/[\s\u00a0\u202f'’]/g, '');
  const grouped = /^(\d{1,3}(?:[.,]\d{3})+)(?:[.,](\d{1,2}))?$/.exec(tight);
  const plain = /^(\d+)(?:[.,](\d{1,2}))?$/.exec(tight);
  const [, whole, cents = ''] = plain ?? grouped ?? [];
  return whole === undefined ? undefined : Number(`${whole.replace(/[.,]/g, '')}.${cents || '0'}`);
}
