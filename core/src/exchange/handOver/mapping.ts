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
}

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
  for (const { to, from, fixed, steps } of rules) {
    const field = fields.find(({ name }) => name === to);
    try {
      const given = fixed === null ? from.flatMap((key) => sources.get(key)?.get(person) ?? []) : [fixed];
      const values = steps.reduce<readonly string[]>((made, step) => taken(step, made), given);
      if (values.length > 0) record[to] = asOutside(values, field);
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
function asOutside(values: readonly string[], field: OutsideField | undefined): OutsideValue {
  if (field?.type === 'list') {
    for (const value of values) assertChoice(field, value);
    return [...values];
  }
  const value = values.join(', ');
  switch (field?.type) {
    case 'number': {
      const number = Number(value.replace(/\s/g, ''));
      if (value.trim() === '' || !Number.isFinite(number)) throw new NotPossible(`“${value}” is no number.`);
      return number;
    }
    case 'yesNo':
      if (/^(yes|true|1)$/i.test(value)) return true;
      if (/^(no|false|0)$/i.test(value)) return false;
      throw new NotPossible(`“${value}” is neither yes nor no.`);
    case 'choice':
      assertChoice(field, value);
      return value;
    case 'date':
      if (!/\d/.test(value)) throw new NotPossible(`“${value}” is no day.`);
      return value;
    default:
      if (field?.longest && value.length > field.longest)
        throw new NotPossible(`This is ${value.length} characters long; at most ${field.longest} are taken there.`);
      return value;
  }
}

function assertChoice({ choices }: OutsideField, value: string): void {
  if (choices.length > 0 && !choices.includes(value))
    throw new NotPossible(`“${value}” is none of what is possible there: ${choices.slice(0, 8).join(', ')}${choices.length > 8 ? ', …' : ''}.`); // prettier-ignore
}
