import { unescapeValue } from './values';

/** A property of a vCard, with its lines as they were written. */
export interface Property {
  group: string;
  name: string;
  lines: string;
  /** In text, without its escapes; parts with semicolons between them stay apart. */
  value: string;
}

const HEAD = /^(?:([\w-]+)\.)?([A-Za-z][\w-]*)((?:;(?:[^":]|"[^"]*")*)?):(.*)$/s;

/** The properties of one card, in their order; what is none is left out. */
export function propertiesOf(card: string): Property[] {
  const whole: string[] = [];
  for (const line of card.split(/\r\n|\n|\r/)) {
    if (/^[ \t]/.test(line) && whole.length > 0) whole[whole.length - 1] += `\r\n${line}`;
    else if (line !== '') whole.push(line);
  }
  return whole.flatMap((lines) => {
    const [, group = '', name, , value] = HEAD.exec(lines.replace(/\r\n[ \t]/g, '')) ?? [];
    return name ? [{ group, name: name.toUpperCase(), lines, value: unescapeValue(value ?? '', false).trim() }] : [];
  });
}
