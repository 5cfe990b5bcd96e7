import { because } from '../reasons';
import { learnedPhone, type LearnedFirm } from '../learning';
import type { RunnerUp, SourceSpan } from '../proposal';
import type { UnscoredProposal } from '../unscoredProposal';
import { placePhone, type PhoneCandidate } from './findPhones';

export const spansOfNumber = ({ source, rest }: PhoneCandidate): SourceSpan[] => (rest ? [source, rest] : [source]);

/** Certainty of a national number on a card that hardly tells its country. */
const UNTOLD_COUNTRY = 0.7;

/** What a national number is in another country that the card may be from, where that has one like it. */
function numberAbroad(candidate: PhoneCandidate, value: string, rival: string | undefined): RunnerUp[] {
  if (!rival || /^(?:\+|00|\(\+)/.test(candidate.printed)) return [];
  const abroad = placePhone(candidate, rival);
  return abroad?.valid && abroad.value !== value
    ? [{ value: abroad.value, reason: because('ifFromCountry', rival) }]
    : [];
}

/**
 * Proposals for the numbers of a card.
 * @param rival another country that the card may be from
 * @param postcode where the postal code stands, which is no number to call
 */
export function phoneDrafts(
  candidates: readonly PhoneCandidate[],
  postcode: readonly SourceSpan[],
  { country, rival }: { country?: string; rival?: string },
  firms: readonly LearnedFirm[],
): UnscoredProposal[] {
  return candidates.flatMap((candidate): UnscoredProposal[] => {
    const isPostcode = postcode.some(
      (p) => p.line === candidate.source.line && p.from < candidate.source.to && candidate.source.from < p.to,
    );
    const phone = isPostcode ? undefined : placePhone(candidate, country);
    if (!phone) return [];
    // A number that cannot exist and is one digit off a number of the firm is that number.
    const known = phone.valid
      ? undefined
      : learnedPhone(
          phone.value,
          firms.flatMap((f) => f.phones),
        );
    const abroad = known ? [] : numberAbroad(candidate, phone.value, rival);
    return [
      {
        field: 'phone',
        value: known ?? phone.value,
        phoneKind: phone.kind,
        extension: phone.extension,
        sources: spansOfNumber(candidate),
        trust: (phone.valid || known ? 4 : 2) + (phone.labelled ? 2 : 0),
        reasons: [
          phone.valid ? because('validNumber') : because('possibleNumber'),
          ...(phone.labelled ? [because('hasLabel')] : []),
          ...(known ? [because('knownNumber')] : []),
        ],
        ...(abroad.length > 0 && { certainty: UNTOLD_COUNTRY, runnersUp: abroad }),
        ...(known && { runnersUp: [{ value: phone.value, reason: because('asRead') }] }),
      },
    ];
  });
}
