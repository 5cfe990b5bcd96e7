import { isAddressField, LIST_FIELDS, type PersonFields, TEXT_FIELDS } from '../people';
import { FIELD_NAMES, type FieldName, type SourceSpan } from '../reading/fields';
import { fold } from '../text';
import type { Draft, DraftField } from './draft';

/** A value of a record as it stands there; numbers without spaces or extension. */
export interface RecordValue {
  field: FieldName;
  /** Name of a field of one's own. */
  label: string;
  value: string;
}

/** Where on a card a value was read. */
export interface ValueSource extends RecordValue {
  sources: readonly SourceSpan[];
}

const FIELD_OF_LIST = { emails: 'email', phones: 'phone', websites: 'website', more: 'more' } as const;

/** Everything that stands in a record, in the usual order of fields. */
export function recordValues(fields: PersonFields): RecordValue[] {
  const values: RecordValue[] = TEXT_FIELDS.flatMap((field) =>
    fields[field] ? [{ field, label: '', value: fields[field] }] : [],
  );
  for (const list of LIST_FIELDS)
    for (const entry of fields[list])
      values.push({
        field: FIELD_OF_LIST[list],
        label: typeof entry === 'object' && 'label' in entry ? entry.label : '',
        value: typeof entry === 'string' ? entry : entry.value,
      });
  return values.sort((a, b) => FIELD_NAMES.indexOf(a.field) - FIELD_NAMES.indexOf(b.field));
}

/** The values of a record that stand on a card as it was filed, each with its places there; one of several lines in their order. */
export function sourcesOf(values: readonly RecordValue[], draft: Draft): ValueSource[] {
  return values.flatMap((value) => {
    const field = draft.fields.find((one) => isSame(one, value) && one.sources.length > 0);
    return field ? [{ ...value, sources: field.sources }] : [];
  });
}

function isSame({ field, label = '', value, leftOut }: DraftField, wanted: RecordValue): boolean {
  // Parts of an address with a label are of another one.
  if (leftOut || field !== wanted.field || (isAddressField(field) && label !== '')) return false;
  if (field === 'more' && label !== wanted.label) return false;
  const key = (text: string) => (field === 'phone' ? text.replace(/\D/g, '') : fold(text.trim()));
  return key(value) === key(wanted.value);
}
