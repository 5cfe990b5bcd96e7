/** A moment in words, where somebody is and in their language: "Tuesday, 1 December 2026 at 09:00 GMT". */
export const whenWords = (at: Date, timeZone: string, language: string): string =>
  new Intl.DateTimeFormat(language === 'en' ? 'en-GB' : language, {
    timeZone,
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZoneName: 'short',
  }).format(at);

/** A day alone, as a heading. */
export const dayWords = (at: Date, timeZone: string, language: string): string =>
  new Intl.DateTimeFormat(language === 'en' ? 'en-GB' : language, { timeZone, weekday: 'long', day: 'numeric', month: 'long' }).format(at); // prettier-ignore

export const timeWords = (at: Date, timeZone: string, language: string): string =>
  new Intl.DateTimeFormat(language === 'en' ? 'en-GB' : language, { timeZone, hour: '2-digit', minute: '2-digit' }).format(at); // prettier-ignore
