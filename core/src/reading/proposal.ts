import type { Reason } from './reasons';

/** What a proposal can be for, in the order in which fields stand on the proof desk. Those of `REPEATABLE_FIELDS` may occur several times, the others once; `more` has a name of its own. */
export const FIELD_NAMES = [
  'prefix',
  'givenName',
  'middleName',
  'familyName',
  'suffix',
  'title',
  'department',
  'company',
  'email',
  'phone',
  'website',
  'street',
  'postalCode',
  'locality',
  'region',
  'country',
  'more',
  'note',
] as const;
export type FieldName = (typeof FIELD_NAMES)[number];

export const REPEATABLE_FIELDS: readonly FieldName[] = ['email', 'phone', 'website', 'more'];

export type PhoneKind = 'work' | 'mobile' | 'fax';

/** Characters `from` (included) to `to` (excluded) of `reading.lines[line].text`. */
export interface SourceSpan {
  line: number;
  from: number;
  to: number;
  /** On which side of a card that was read on both; the front when not given. */
  side?: 'back';
}

export interface FieldProposal {
  field: FieldName;
  /** Name of an address beside the card's own that it is a part of. */
  label?: string;
  /** Phones in E.164 where the number could be placed in a country, else as printed. */
  value: string;
  phoneKind?: PhoneKind;
  /** Digits of an extension. */
  extension?: string;
  /** Where on the card it stands; empty when it was inferred (see `reasons`). */
  sources: readonly SourceSpan[];
  /** Estimated probability 0–1 that a person would leave it as it is. */
  confidence: number;
  /** Why it was proposed. */
  reasons: readonly Reason[];
  /** What else it could be, likeliest first. */
  runnersUp?: readonly RunnerUp[];
  /** What another part of the card says against it; such a field is a doubt. */
  disagreement?: Reason;
}

export interface RunnerUp {
  value: string;
  reason: Reason;
}

export interface CardProposal {
  fields: FieldProposal[];
  /** Indices of lines that no field claims. */
  looseLines: number[];
  /** ISO 3166 code of the country that the card speaks for, when it can be told. */
  country?: string;
}
