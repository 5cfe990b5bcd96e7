import { because } from './reasons';
import { isAddressField } from '../people';
import { foldTight } from '../text';
import { REPEATABLE_FIELDS, type CardProposal, type FieldName, type FieldProposal } from './proposal';
import { proposeFields, type ProposeOptions } from './proposeFields';
import type { Reading } from './types';

/** Text given to the note is printed or written as it is; whether it is wanted only a person knows. */
const NOTE_CONFIDENCE = 0.85;
const SHORTEST_NOTE = 3;

/**
 * One proposal for a card whose two sides were read: what the front does not say is taken from the
 * back, addresses and numbers of both are kept once, a second wording on the back is offered beside
 * the front's, another address is that of another office, and what else stands on the back, written or printed, is offered as a note. Sources
 * on the back are marked so; loose lines are those of the front.
 */
export function proposeSides(front: Reading, back: Reading, options: ProposeOptions = {}): CardProposal {
  const first = proposeFields(front, options);
  const second = proposeFields(back, { ...options, assumedCountry: first.country ?? options.assumedCountry });
  const said = second.fields.filter(({ value }) => value !== '');
  // What one side lacks may stand on the other.
  const fields = first.fields
    .filter(
      ({ field, value, sources }) =>
        value !== '' || !said.some((other) => other.field === field || (sources.length === 0 && isWayToReach(other))),
    ) // prettier-ignore
    .map((field) => ({ ...field }));
  const used = new Set<number>();
  const isOtherOffice = hasOtherAddress(first.fields, said);
  for (const proposal of said) {
    if (isOtherOffice && isAddressField(proposal.field)) {
      proposal.sources.forEach((source) => used.add(source.line));
      fields.push({ ...onBack(proposal), label: OTHER_OFFICE });
      continue;
    }
    const own = fields.filter((f) => f.field === proposal.field);
    const same = own.find((f) => foldTight(f.value) === foldTight(proposal.value));
    proposal.sources.forEach((source) => used.add(source.line));
    if (same) same.confidence = Math.max(same.confidence, proposal.confidence);
    else if (own.length === 0 || REPEATABLE_FIELDS.includes(proposal.field)) fields.push(onBack(proposal));
    else own[0]!.runnersUp = [...(own[0]!.runnersUp ?? []), { value: proposal.value, reason: because('onBack') }];
  }
  const note = noteFrom(back, used, fields);
  return { ...first, fields: note ? [...fields, note] : fields };
}

const isWayToReach = ({ field }: FieldProposal): boolean => field === 'email' || field === 'phone';

/** What an address beside the card's own is called. */
const OTHER_OFFICE = 'Other office';

/** Whether both sides have an address, and not the same: an office beside that of the front. */
function hasOtherAddress(front: readonly FieldProposal[], back: readonly FieldProposal[]): boolean {
  const value = (fields: readonly FieldProposal[], field: FieldName) =>
    foldTight(fields.find((f) => f.field === field)?.value ?? '');
  return (['street', 'postalCode'] as const).some((field) => {
    const [own, other] = [value(front, field), value(back, field)];
    return own !== '' && other !== '' && own !== other;
  });
}

const onBack = (proposal: FieldProposal): FieldProposal => ({
  ...proposal,
  sources: proposal.sources.map((source) => ({ ...source, side: 'back' })),
  reasons: [...proposal.reasons, because('onBack')],
});

/** Lines of the back that no field uses and that do not only repeat one. */
function noteFrom(
  back: Reading,
  used: ReadonlySet<number>,
  fields: readonly FieldProposal[],
): FieldProposal | undefined {
  const known = fields.map((f) => foldTight(f.value)).filter(Boolean);
  const lines = back.lines
    .map((line, index) => ({ index, text: line.text.trim(), key: foldTight(line.text), sure: line.confidence }))
    .filter(({ index, key }) => !used.has(index) && key.length >= SHORTEST_NOTE)
    .filter(({ key }) => !known.some((value) => value.includes(key) || key === value));
  if (lines.length === 0) return undefined;
  return {
    field: 'note',
    value: lines.map((l) => l.text).join('\n'),
    sources: lines.map(({ index, text }) => ({ line: index, from: 0, to: text.length, side: 'back' })),
    confidence: Math.min(NOTE_CONFIDENCE, ...lines.map((l) => l.sure)),
    reasons: [because('onBack')],
  };
}
