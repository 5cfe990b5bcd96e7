import type { Spread } from '@dossier/contract';
import { counted } from '@/lib/counted';

const MINUTE = 60;
const HOUR = 3600;
const DAY = 86_400;

/** "12 minutes", "5.5 hours", "3 days": a time as people say it. @param seconds */
export function tookWords(seconds: number): string {
  if (seconds < HOUR) return counted(Math.max(1, Math.round(seconds / MINUTE)), 'minute');
  if (seconds < 2 * DAY) return `${(seconds / HOUR).toLocaleString('en', { maximumFractionDigits: 1 })} hours`;
  return `${(seconds / DAY).toLocaleString('en', { maximumFractionDigits: 1 })} days`;
}

export const spreadWords = (spread: Spread): string =>
  spread ? `${tookWords(spread.middle)}; half of them between ${tookWords(spread.low)} and ${tookWords(spread.high)}` : 'nothing to measure yet'; // prettier-ignore

export const inDays = (seconds: number): number => Math.round((10 * seconds) / DAY) / 10;

/** "61 %"; nothing of nothing is nothing. */
export const percent = (part: number, of: number): number => (of === 0 ? 0 : Math.round((1000 * part) / of) / 10);
