import type { FieldName, SourceSpan } from '../reading/fields';
import { addField, deleteField, editField, type Draft, type DraftField } from './draft';

/** A part of a field's text that would stand better elsewhere. */
export interface PartMove {
  /** Characters `from` (included) to `to` (excluded) of the value. */
  from: number;
  to: number;
  text: string;
  field: FieldName;
}

/** What separates a part from the rest and goes with neither. */
const SEPARATORS = /^[\s,;·•|/–—-]+|[\s,;·•|/–—-]+$/g;

/** Takes a part out of a field and gives it to another, with its place on the card. */
export function movePart(
  draft: Draft,
  id: string,
  { from, to, field }: Pick<PartMove, 'from' | 'to' | 'field'>,
): Draft {
  const own = draft.fields.find((f) => f.id === id);
  if (!own || own.field === field) return draft;
  const text = own.value.slice(from, to).trim();
  const rest = [own.value.slice(0, from), own.value.slice(to)]
    .map((piece) => piece.replace(SEPARATORS, ''))
    .filter(Boolean)
    .join(' ');
  if (!text) return draft;
  const remaining = rest ? editField(draft, id, { value: rest }) : deleteField(draft, id);
  return addField(remaining, field, text, sourceOfPart(own, from, to));
}

/** Where a part of a printed value stands; where the whole stands when the value is not as printed. */
function sourceOfPart({ sources, value }: DraftField, from: number, to: number): readonly SourceSpan[] {
  const [source] = sources;
  if (!source || sources.length > 1 || source.to - source.from !== value.length) return sources;
  return [{ ...source, from: source.from + from, to: source.from + to }];
}

/** Gives a field's whole text to another field. */
export function moveField(draft: Draft, id: string, field: FieldName): Draft {
  const own = draft.fields.find((f) => f.id === id);
  if (!own || own.field === field) return draft;
  return addField(deleteField(draft, id), field, own.value, own.sources);
}

/** Puts one of several of a kind before the others: the first is the main one. */
export function putFirst(draft: Draft, id: string): Draft {
  const own = draft.fields.find((f) => f.id === id);
  const first = draft.fields.find((f) => f.field === own?.field && !f.leftOut);
  if (!own || !first || first === own || !HAVE_A_MAIN_ONE.includes(own.field)) return draft;
  const others = draft.fields.filter((f) => f !== own);
  const at = others.indexOf(first);
  return { ...draft, fields: [...others.slice(0, at), { ...own }, ...others.slice(at)] };
}

const HAVE_A_MAIN_ONE: readonly FieldName[] = ['email', 'phone', 'website'];

/** Exchanges the texts of two fields; both are settled. */
export function swapFields(draft: Draft, a: string, b: string): Draft {
  const [one, other] = [a, b].map((id) => draft.fields.find((f) => f.id === id));
  if (!one || !other || one === other) return draft;
  const filled = (field: DraftField, by: DraftField): DraftField => ({
    ...field,
    value: by.value,
    sources: by.sources,
    runnersUp: by.runnersUp,
    disagreement: undefined,
    confidence: 1,
  });
  return {
    ...draft,
    fields: draft.fields.map((field) =>
      field === one ? filled(one, other) : field === other ? filled(other, one) : field,
    ),
  };
}

/** Text picked from the picture put into a field, in place of what stands there or behind it. */
export function putIntoField(
  draft: Draft,
  id: string,
  text: string,
  sources: readonly SourceSpan[],
  behind: boolean,
): Draft {
  return {
    ...draft,
    fields: draft.fields.map((field) =>
      field.id !== id
        ? field
        : {
            ...field,
            value: behind && field.value ? `${field.value} ${text}` : text,
            sources: behind ? [...field.sources, ...sources] : sources,
            disagreement: undefined,
            confidence: 1,
          },
    ),
  };
}

/** Fields that a text can be given to by one act from another field, the likeliest first. */
export function swapPartners(draft: Draft, { id, field }: DraftField): DraftField[] {
  const LIKELY: Partial<Record<FieldName, readonly FieldName[]>> = {
    givenName: ['familyName'],
    familyName: ['givenName'],
    title: ['department', 'company'],
    department: ['title'],
    company: ['title', 'familyName'],
    locality: ['region', 'street'],
    region: ['locality'],
    street: ['locality'],
  };
  const order = LIKELY[field] ?? [];
  return order.flatMap((other) => draft.fields.filter((f) => f.field === other && f.id !== id && !f.leftOut));
}
