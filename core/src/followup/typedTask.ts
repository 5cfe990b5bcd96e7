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
  const bare = /\b(?:mon|tues|wednes|thurs|fri|satur|sun)day (\d{1,2})$/i.exec(text);
  // "Friday 10" is ten o'clock: the tenth is written "the 10th".
  const written = bare && Number(bare[1]) < 24 ? `${text}:00` : text;
  const [found] = (OF[language as keyof typeof OF] ?? OF.en).parse(written, now, { forwardDate: true });
  if (!found) return { text, dueOn: null, dueTime: null };
  const rest = `${written.slice(0, found.index)} ${written.slice(found.index + found.text.length)}`;
  const tidy = rest.replace(/\s+/g, ' ').replace(/\s+(?:on|at|by|am|um|bis|le|à|op|om)\s*$/i, '').trim(); // prettier-ignore
  return {
    text: tidy || text,
    dueOn: format(found.start.date(), 'yyyy-MM-dd'),
    dueTime: found.start.isCertain('hour') ? format(found.start.date(), 'HH:mm') : null,
  };
}
