import type { DaySpan } from '@dossier/contract';

/** Parts of a day as they are typed: "9–12, 13:30–17". */
export const hoursText = (spans: readonly DaySpan[]): string => spans.map(({ from, to }) => `${from}–${to}`).join(', ');

const TIME = '(\\d{1,2})(?:[:.](\\d{2}))?';
const SPAN = new RegExp(`^${TIME}\\s*(?:-|–|—|to)\\s*${TIME}$`, 'i');

/** @returns undefined for what is no part of a day; none for an empty text */
export function spansIn(text: string): DaySpan[] | undefined {
  const parts = text.split(/[,;]/).map((part) => part.trim()).filter(Boolean); // prettier-ignore
  const spans: DaySpan[] = [];
  for (const part of parts) {
    const match = SPAN.exec(part);
    const [from, to] = match ? [timeOf(match[1]!, match[2]), timeOf(match[3]!, match[4])] : [];
    if (!from || !to || from >= to || (spans.at(-1)?.to ?? '') > from || from === '24:00') return undefined;
    spans.push({ from, to });
  }
  return spans;
}

function timeOf(hours: string, minutes = '00'): string | undefined {
  const [hour, minute] = [Number(hours), Number(minutes)];
  if (hour > 24 || minute > 59 || (hour === 24 && minute > 0)) return undefined;
  return `${String(hour).padStart(2, '0')}:${minutes.padStart(2, '0')}`;
}
