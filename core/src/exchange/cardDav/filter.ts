import { fold } from '../../text';
import { propertiesOf } from '../vcard/propertiesOf';

/** What of a book is asked for (RFC 6352, 10.5). */
export interface Filter {
  test: 'anyof' | 'allof';
  properties: readonly PropertyFilter[];
}

export interface PropertyFilter {
  /** In capitals. */
  name: string;
  test: 'anyof' | 'allof';
  isNotDefined: boolean;
  matches: readonly { text: string; type: 'equals' | 'contains' | 'starts-with' | 'ends-with'; negate: boolean }[];
}

/** Whether a card is one of those asked for. Large and small letters, and marks above them, are the same (`i;unicode-casemap`). */
export function meets(card: string, { test, properties }: Filter): boolean {
  if (properties.length === 0) return true;
  const there = propertiesOf(card);
  const isMet = ({ name, isNotDefined, matches, test: within }: PropertyFilter): boolean => {
    const values = there.filter((one) => one.name === name).map(({ value }) => value);
    if (isNotDefined) return values.length === 0;
    if (matches.length === 0) return values.length > 0;
    const isMatched = (one: PropertyFilter['matches'][number]) => values.some((value) => matched(value, one)) !== one.negate; // prettier-ignore
    return within === 'allof' ? matches.every(isMatched) : matches.some(isMatched);
  };
  return test === 'allof' ? properties.every(isMet) : properties.some(isMet);
}

function matched(value: string, { text, type }: PropertyFilter['matches'][number]): boolean {
  const [there, asked] = [fold(value), fold(text)];
  if (type === 'equals') return there === asked;
  if (type === 'starts-with') return there.startsWith(asked);
  return type === 'ends-with' ? there.endsWith(asked) : there.includes(asked);
}
