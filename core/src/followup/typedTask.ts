import * as chrono from 'chrono-node';
import { format } from 'date-fns/format';

export interface TypedTask {
  text: string;
  /** `YYYY-MM-DD`; null where no day was written. */
  dueOn: string | null;
  /** `HH:MM`; null where no time was written. */
  dueTime: string | null;
}

const OF = { en: chrono.en.GB, de: chrono.de.casual, fr: chrono.fr.casual, nl: chrono.nl.casual, es: chrono.es.casual, pt: chrono.pt.casual } as const; // prettier-ignore

/**
 * Words with a day or a time in them: "call Friday 10" is "call", on the next Friday, at ten. A day that is over this year is one of
 * the next.
 * @param now where the writer is, in local time
 */
export function typedTask(words: string, now: Date, language = 'en'): TypedTask {
  const text = words.trim();
  const plain = language === 'de' ? withYear(text, now) : text;
  const parse = (said: string) => (OF[language as keyof typeof OF] ?? OF.en).parse(said, now, { forwardDate: true })[0]; // prettier-ignore
  const { found, written } = withHour(plain, now, parse);
  if (!found) return { text, dueOn: null, dueTime: null };
  const rest = `${written.slice(0, found.index)} ${written.slice(found.index + found.text.length)}`;
  const tidy = rest.replace(/\s+/g, ' ').replace(/\s+(?:on|at|by|am|um|bis|le|à|op|om)\s*$/i, '').trim(); // prettier-ignore
  return {
    text: tidy || text,
    dueOn: format(found.start.date(), 'yyyy-MM-dd'),
    dueTime: found.start.isCertain('hour') ? format(found.start.date(), 'HH:mm') : null,
  };
}

/** "Friday 10", "tomorrow 9", "3 Dec 14" are ten, nine and two o'clock: the tenth is written "the 10th", a year with four digits. */
function withHour(text: string, now: Date, parse: (said: string) => chrono.ParsedResult | undefined) {
  const isWeekday = /\b(?:mon|tues|wednes|thurs|fri|satur|sun)day \d{1,2}$/i.test(text);
  const number = Number(/\s(\d{1,2})$/.exec(text)?.[1] ?? NaN);
  const found = parse(text);
  if (!found || !(number < 24)) return { found, written: text };
  const isLeftOver = found.index + found.text.length < text.length;
  const isLongAgo = found.start.isCertain('year') && found.start.date().getFullYear() < now.getFullYear();
  // "December 12" is a day of it, not the December of a year that is over.
  if (isLongAgo && !found.start.isCertain('day')) return { found: chrono.en.casual.parse(text, now, { forwardDate: true })[0], written: text }; // prettier-ignore
  const timed = isLeftOver || isLongAgo || isWeekday ? parse(`${text}:00`) : undefined;
  return timed?.index === found.index && timed.start.isCertain('hour')
    ? { found: timed, written: `${text}:00` }
    : { found, written: text };
}

/** "3.12." is read only with its year: this one, or the next where that day is over. */
const withYear = (text: string, now: Date): string =>
  text.replace(/(?<![\d.])(\d{1,2})\.(\d{1,2})\.(?=\s|$)/g, (written, day: string, month: string) => {
    const year = now.getFullYear();
    const isOver = new Date(year, Number(month) - 1, Number(day), 24) <= now;
    return `${written}${isOver ? year + 1 : year}`;
  });
