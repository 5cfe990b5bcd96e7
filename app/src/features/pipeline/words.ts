import type { Lead } from '@dossier/contract';
import type { Part } from '@dossier/core/pipeline';
import { counted } from '@/lib/counted';

export const PART_WORDS: Readonly<Record<Part, string>> = {
  decides: 'Decides',
  signs: 'Signs',
  advises: 'Advises',
  uses: 'Uses it',
};

const LACK_WORDS: Readonly<Record<Lead['lacks'][number], string>> = {
  name: 'a whole name',
  company: 'a firm',
  reach: 'an e-mail or phone',
};

/** What is still to be found out about a lead; empty for nothing. */
export const lackWords = (lacks: Lead['lacks']): string =>
  lacks.length === 0 ? '' : `Still to find out: ${lacks.map((lack) => LACK_WORDS[lack]).join(', ')}`;

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** "less than an hour", "5 hours", "12 days". */
export function lastedWords(ms: number): string {
  if (ms < HOUR_MS) return 'less than an hour';
  return ms < 2 * DAY_MS ? counted(Math.floor(ms / HOUR_MS), 'hour') : counted(Math.floor(ms / DAY_MS), 'day');
}

/** "today", "for 12 days": since when nobody did anything. */
export function untouchedWords(since: string, now = new Date()): string {
  const days = Math.floor((now.getTime() - new Date(since).getTime()) / DAY_MS);
  return days < 1 ? 'Touched today' : `Untouched for ${counted(days, 'day')}`;
}
