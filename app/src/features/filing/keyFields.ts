import { formatPhone } from '@dossier/core/people';
import type { DraftField } from '@dossier/core/proof';
import type { FieldName, SourceSpan } from '@dossier/core/reading/fields';

/** What somebody is reached by and known by: a wrong letter in any of these costs most. */
const KEY_FIELDS: readonly FieldName[] = ['familyName', 'title', 'company', 'email', 'phone'];

export interface KeyField {
  key: string;
  /** What will be filed; empty for the name, which stands above its strip. */
  value: string;
  /** Where it was read; undefined for what somebody wrote. */
  span: SourceSpan | undefined;
}

/** The key fields of a card in the order in which they are compared. */
export const keyFieldsOf = (fields: readonly DraftField[]): KeyField[] =>
  KEY_FIELDS.flatMap((name) =>
    fields
      .filter(({ field, leftOut, value }) => field === name && !leftOut && value)
      .map(({ id, field, value, extension, sources }) => ({
        key: id,
        value: field === 'familyName' ? '' : field === 'phone' ? formatPhone(value, extension) : value,
        span: sources[0],
      })),
  );
