import { handOverSources, type HandedPerson } from './sources';
import { NotPossible, taken, type HandOverStep } from './steps';

/** A field of the other system, as it describes it or as somebody has typed it. */
export interface OutsideField {
  name: string;
  label: string;
  type: 'text' | 'list' | 'number' | 'yesNo' | 'date' | 'choice';
  required: boolean;
  /** Of text, in UTF-16 units as most systems count; null for any length. */
  longest: number | null;
  /** What a choice may be; none for any. */
  choices: readonly string[];
}

/** What goes into one field: the values of some sources, or a fixed one, after some steps. */
export interface HandOverRule {
  to: string;
  from: readonly string[];
  fixed: string | null;
  steps: readonly HandOverStep[];
  /** As what it is sent; several values are one text with commas between, unless as a list. */
  as: SentAs;
}

export type SentAs = 'text' | 'list' | 'number' | 'yesNo';

/** As what a field takes what it holds. */
export const sentAs = ({ type }: Pick<OutsideField, 'type'>): SentAs => (type === 'choice' || type === 'date' ? 'text' : type); // prettier-ignore

const IN_WORDS: Readonly<Record<SentAs, string>> = { text: 'text', list: 'a list', number: 'a number', yesNo: 'yes or no' }; // prettier-ignore

export type OutsideValue = string | number | boolean | string[];

export interface HandedOver {
  /** What is sent. A field of which nothing is known is not in it: nothing is ever emptied there. */
  record: Record<string, OutsideValue>;
  /** What keeps it from being sent, by the names of fields. */
  faults: { to: string; fault: string }[];
}

/**
 * A person as the other system wants them.
 * @param fields of the other system; a rule into one that is not among them is text of any length
 */
export function handedOver(
  person: HandedPerson,
  rules: readonly HandOverRule[],
  fields: readonly OutsideField[],
): HandedOver {
  const sources = new Map(handOverSources(person.fields.more.map(({ label }) => label)).map((source) => [source.key, source])); // prettier-ignore
  const record: HandedOver['record'] = {};
  const faults: HandedOver['faults'] = [];
  for (const { to, from, fixed, steps, as } of rules) {
    const field = fields.find(({ name }) => name === to);
    try {
      const given = fixed === null ? from.flatMap((key) => sources.get(key)?.get(person) ?? []) : [fixed];
      const values = steps.reduce<readonly string[]>((made, step) => taken(step, made), given);
      if (field && sentAs(field) !== as) throw new NotPossible(`This is sent as ${IN_WORDS[as]}; ${IN_WORDS[sentAs(field)]} is taken there.`); // prettier-ignore
      if (values.length > 0) record[to] = asOutside(values, as, field);
    } catch (error) {
      if (!(error instanceof NotPossible)) throw error;
      faults.push({ to, fault: error.message });
    }
  }
  for (const { name, required } of fields) {
    if (required && !(name in record) && !faults.some(({ to }) => to === name))
      faults.push({ to: name, fault: 'This must be there, and nothing is known for it.' });
  }
  return { record, faults };
}

/** @throws NotPossible for what the field does not take */
function asOutside(values: readonly string[], as: SentAs, field: OutsideField | undefined): OutsideValue {
  if (as === 'list') {
    for (const value of values) assertChoice(field, value);
    return [...values];
  }
  const value = values.join(', ');
  if (as === 'number') {
    const number = Number(value.replace(/\s/g, ''));
    if (value.trim() === '' || !Number.isFinite(number)) throw new NotPossible(`“${value}” is no number.`);
    return number;
  }
  if (as === 'yesNo') {
    if (/^(yes|true|1)$/i.test(value)) return true;
    if (/^(no|false|0)$/i.test(value)) return false;
    throw new NotPossible(`“${value}” is neither yes nor no.`);
  }
  assertChoice(field, value);
  if (field?.type === 'date' && !/\d/.test(value)) throw new NotPossible(`“${value}” is no day.`);
  if (field?.longest && value.length > field.longest)
    throw new NotPossible(`This is ${value.length} characters long; at most ${field.longest} are taken there.`);
  return value;
}

function assertChoice({ choices }: Pick<OutsideField, 'choices'> = { choices: [] }, value: string): void {
  if (choices.length > 0 && !choices.includes(value))
    throw new NotPossible(`“${value}” is none of what is possible there: ${choices.slice(0, 8).join(', ')}${choices.length > 8 ? ', …' : ''}.`); // prettier-ignore
}
