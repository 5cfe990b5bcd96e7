import type { PersonFields } from '../people';
import type { FieldName, FieldProposal } from '../reading/fields';
import { fold } from '../text';
import { draftOf, isDoubtful } from './draft';
import { wantedOf } from './effort';

/** How well a card was read, as it turned out when it was filed. */
export interface ProofFact {
  /** Fields that the engine was unsure of. */
  doubts: number;
  /** Fields that were filed otherwise than they were read. */
  corrected: FieldName[];
  /** Fields that were filed and not read at all. */
  missed: FieldName[];
}

/** Case and blanks of the way between are no mistakes; numbers are the same from their last digits. */
function isSame(field: FieldName, read: string, filed: string): boolean {
  if (field !== 'phone') return fold(read) === fold(filed);
  const [one, other] = [read, filed].map((number) => number.replace(/\D/g, '').slice(-7));
  return one === other;
}

/** Found out from the others rather than read: nobody types them. */
const NOT_READ: ReadonlySet<string> = new Set(['country', 'region']);

/** What was proposed, beside what was filed. */
export function proofFactOf(proposals: readonly FieldProposal[], filed: PersonFields): ProofFact {
  const draft = draftOf(proposals);
  const wanted = wantedOf(filed) as Partial<Record<FieldName, readonly string[]>>;
  const fact: ProofFact = { doubts: draft.fields.filter(isDoubtful).length, corrected: [], missed: [] };
  for (const [name, values = []] of Object.entries(wanted)) {
    const field = name as FieldName;
    if (NOT_READ.has(field)) continue;
    const read = draft.fields.filter((one) => one.field === field && one.value !== '').map(({ value }) => value);
    if (read.length === 0) {
      if (values.length > 0) fact.missed.push(field);
    } else if (
      !values.every((value) => read.some((one) => isSame(field, one, value))) ||
      !read.every((one) => values.some((value) => isSame(field, one, value)))
    )
      // prettier-ignore
      fact.corrected.push(field);
  }
  return fact;
}
