import { fieldText, LIST_FIELDS, TEXT_FIELDS, type PersonFields } from './personFields';

export interface FieldChange {
  field: string;
  before: string;
  after: string;
}

/** The fields in which two states of a person differ, in the order of the fields. */
export function changesBetween(before: PersonFields, after: PersonFields): FieldChange[] {
  return [...TEXT_FIELDS, ...LIST_FIELDS]
    .map((field) => ({ field, before: fieldText(before, field), after: fieldText(after, field) }))
    .filter((change) => change.before !== change.after);
}
