import { typedPhone } from '../../people/typedPhone';
import { typedReading, type FieldName, type FieldProposal, type Reading } from '../../reading';
import { isAllCaps, naturalName } from '../../text/naturalCase';

/** What somebody writes of themselves on the page of a card. */
export interface Visitor {
  givenName: string;
  familyName: string;
  title: string;
  company: string;
  email: string;
  phone: string;
  words: string;
}

const FIELDS: readonly [keyof Visitor, FieldName][] = [
  ['givenName', 'givenName'],
  ['familyName', 'familyName'],
  ['title', 'title'],
  ['company', 'company'],
  ['email', 'email'],
  ['phone', 'phone'],
  ['words', 'note'],
];

/**
 * A card of the tray from what somebody wrote of themselves: each field is what it was written into, and nothing of it was read.
 * @param country ISO 3166, of numbers without a code
 */
export function cardOfVisitor(visitor: Visitor, country: string): { reading: Reading; fields: FieldProposal[] } {
  const written = FIELDS.filter(([key]) => visitor[key].trim() !== '');
  const reading = typedReading(written.map(([key], i) => ({ text: visitor[key].trim(), row: i + 1 })));
  const fields = written.map(([key, field], line): FieldProposal => {
    const text = reading.lines[line]!.text;
    return {
      field,
      ...valueOf(field, key === 'words' ? visitor.words.trim() : text, country),
      sources: [{ line, from: 0, to: text.length }],
      confidence: 1,
      reasons: [{ code: 'bySelf' }],
    };
  });
  return { reading, fields };
}

function valueOf(
  field: FieldName,
  text: string,
  country: string,
): Pick<FieldProposal, 'value' | 'phoneKind' | 'extension'> {
  if (field === 'email') return { value: text.toLowerCase() };
  if (field === 'phone') {
    const { value, extension } = typedPhone(text, country);
    return { value, phoneKind: 'work', ...(extension && { extension }) };
  }
  const isName = field === 'givenName' || field === 'familyName';
  return { value: isName && isAllCaps(text) ? naturalName(text, country) : text };
}
