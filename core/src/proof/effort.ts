import type { PersonFields } from '../people';
import { REPEATABLE_FIELDS, type FieldName, type Reading } from '../reading/fields';
import { fold, editDistance } from '../text';
import { alternativesOf } from './alternatives';
import { draftOf, looseLines, type Draft, type DraftField } from './draft';
import { movePart, swapPartners } from './moves';
import { otherCase, partsToMove } from './wording';
import { textOfWords, wordsOf } from './words';

/** What an ideal user does on the desk; every tap, key and typed character is one act. */
export interface Effort {
  /** Acts from the proposal to the filed record, the filing itself included. */
  acts: number;
  /** Keys to type the same record by hand: its characters and one key from field to field. */
  typing: number;
}

/** Filing, and going on to the next card, is one act. */
const FILE = 1;
/** Going to a field (a tap, or the key for the next doubt), then one button or key of it. */
const AT_FIELD = 2;
/** Opening the list of fields and choosing one. */
const ADD_FIELD = 2;
/** A loose line is touched, then the field it is given to. */
const GIVE_LINE = 2;
/** Words are swept over on the picture, then given to a field. */
const PICK = 2;
/** Going to a field and setting the caret. */
const TO_TYPE = 2;

type Wanted = Partial<Record<FieldName, readonly string[]>>;

/**
 * The fewest acts with which the desk's own means make a proposal into the wanted record: alternatives, runners-up,
 * other case, swapped fields, moved parts, loose lines, words picked from the picture, and typing as the last resort.
 * @param wanted what the record is to be; fields that are not named do not matter
 */
export function effortOf(proposals: Parameters<typeof draftOf>[0], reading: Reading, wanted: Wanted): Effort {
  const typing = Object.values(wanted)
    .flat()
    .reduce((sum, value) => sum + value.length + 1, FILE);
  return { acts: actsFor(draftOf(proposals), reading, wanted), typing };
}

/** What of a person's record a card can say, as the wanted values of the desk's fields. */
export function wantedOf(person: Partial<PersonFields>): Wanted {
  const { emails, phones, websites, more: _, ...texts } = person;
  return {
    ...Object.fromEntries(Object.entries(texts).map(([field, value]) => [field, value ? [value as string] : []])),
    ...(emails && { email: emails }),
    ...(phones && { phone: phones.map((phone) => phone.value) }),
    ...(websites && { website: websites }),
  };
}

function actsFor(draft: Draft, reading: Reading, wanted: Wanted): number {
  const improved = betterByMoving(draft, wanted);
  if (improved) return AT_FIELD + actsFor(improved, reading, wanted);
  return (Object.keys(wanted) as FieldName[]).reduce(
    (sum, field) => sum + actsForField(draft, reading, field, wanted[field]!),
    FILE,
  );
}

/** A swap or a moved part that makes more values right than it makes wrong. */
function betterByMoving(draft: Draft, wanted: Wanted): Draft | undefined {
  const now = rightOnes(draft, wanted);
  for (const field of draft.fields) {
    const moves = [
      ...partsToMove(field).map((part) => () => movePart(draft, field.id, part)),
      ...swapPartners(draft, field).map((other) => () => swapped(draft, field, other)),
    ];
    const better = moves.map((move) => move()).find((next) => rightOnes(next, wanted) > now);
    if (better) return better;
  }
  return undefined;
}

const swapped = (draft: Draft, a: DraftField, b: DraftField): Draft => ({
  ...draft,
  fields: draft.fields.map((f) => (f === a ? { ...a, value: b.value } : f === b ? { ...b, value: a.value } : f)),
});

const rightOnes = (draft: Draft, wanted: Wanted): number =>
  draft.fields.filter((f) => wanted[f.field]?.some((value) => same(f.field, f.value, value))).length;

function actsForField(draft: Draft, reading: Reading, field: FieldName, wanted: readonly string[]): number {
  const standing = draft.fields.filter((f) => f.field === field && f.value.trim() !== '');
  const missing = wanted.filter((value) => !standing.some((f) => same(field, f.value, value)));
  const wrong = standing.filter((f) => !wanted.some((value) => same(field, f.value, value)));
  // Each missing value is made out of the wrong one that is nearest to it; what is left over is left out.
  let acts = 0;
  for (const value of missing) {
    const nearest = wrong.sort((a, b) => editDistance(a.value, value) - editDistance(b.value, value)).shift();
    acts += Math.min(fromCard(draft, reading, field, value) + (nearest && isList(field) ? AT_FIELD : 0), nearest ? mend(nearest, reading, value) : ADD_FIELD + value.length); // prettier-ignore
  }
  return acts + wrong.length * AT_FIELD;
}

/** Acts at a field that has something else. */
function mend(field: DraftField, reading: Reading, value: string): number {
  const offered = [
    ...(field.runnersUp ?? []).map((other) => other.value),
    ...alternativesOf(field, reading).map((other) => other.value),
    otherCase(field),
  ];
  if (offered.some((other) => same(field.field, other, value))) return AT_FIELD;
  return TO_TYPE + Math.min(editDistance(field.value, value), 1 + value.length);
}

/** Acts to bring a value from a line or from words of the picture. */
function fromCard(draft: Draft, reading: Reading, field: FieldName, value: string): number {
  const loose = looseLines(draft, reading.lines.length).map((line) => reading.lines[line]!.text);
  if (loose.some((text) => same(field, text, value))) return GIVE_LINE;
  const words = wordsOf(reading);
  const lines = reading.lines.map((_, line) => words.filter((word) => word.span.line === line));
  for (const line of lines) {
    for (let from = 0; from < line.length; from++)
      for (let to = from + 1; to <= line.length; to++)
        if (same(field, textOfWords(line.slice(from, to)).text, value)) return PICK;
  }
  return Infinity;
}

const isList = (field: FieldName): boolean => REPEATABLE_FIELDS.includes(field);

/** The same for whoever keeps records: case and the marks between words do not matter, accents do. */
function same(field: FieldName, a: string, b: string): boolean {
  if (field === 'phone') return a.replace(/\D/g, '') === b.replace(/\D/g, '');
  const plain = (text: string) =>
    text
      .normalize('NFC')
      .toLowerCase()
      .replace(/[’‘]/g, "'")
      .replace(/[–—]/g, '-')
      .replace(/\s*(?:&|\band\b|[/,|·•.])\s*/g, ' ')
      .replace(/\s+/g, ' ')
      .trim();
  return (
    plain(a) === plain(b) || (field === 'company' && fold(a).replace(/[\s-]/g, '') === fold(b).replace(/[\s-]/g, ''))
  );
}
