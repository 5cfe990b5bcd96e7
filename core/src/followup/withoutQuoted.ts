/** What somebody wrote, without what they answer to: quoted lines, and all from the line on that begins the quotation. */
export function withoutQuoted(text: string): string {
  const lines = text.replace(/\r\n?/g, '\n').split('\n');
  const end = lines.findIndex((line, place) => isBegin(line, lines[place + 1]));
  const own = (end < 0 ? lines : lines.slice(0, end)).filter((line) => !line.startsWith('>'));
  return own.join('\n').replace(/\n{3,}/g, '\n\n').trim(); // prettier-ignore
}

/** "On 3 March 2026, Ottilie Brandt wrote:", also over two lines, and the rulers of other programs. */
const isBegin = (line: string, next = ''): boolean =>
  /^-{2,}\s*(?:original message|ursprüngliche nachricht|message d’origine|forwarded message)\s*-{2,}$/i.test(line.trim()) ||
  (BEGINS.test(line) && /:\s*$/.test(line)) ||
  (BEGINS.test(line) && !/:\s*$/.test(line) && /(?:wrote|schrieb|a écrit|escribió|ha scritto|schreef|skrev|napisał\(a\)):\s*$/i.test(next)); // prettier-ignore
const BEGINS = /^(?:on|am|le|el|il|op|den|dnia)\s.*(?:\d{4}|\d{1,2}[:.]\d{2})/i;
