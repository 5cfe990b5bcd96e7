import { because } from '../reasons';
import type { SourceSpan } from '../proposal';
import { withOffers, type UnscoredProposal } from '../unscoredProposal';
import type { FoundAddress } from './findEmails';
import type { Online } from './reconcileAddresses';

export const spansOfAddress = ({ source, rest }: FoundAddress): SourceSpan[] => (rest ? [source, rest] : [source]);

/** Proposals for the addresses of a card. */
export const onlineDrafts = ({ emails, websites }: Online): UnscoredProposal[] => [
  ...emails.map((email) => onlineDraft('email', email, 6)),
  ...websites.map((website) => onlineDraft('website', website, 5)),
];

const onlineDraft = (field: 'email' | 'website', found: FoundAddress, trust: number): UnscoredProposal => ({
  field,
  value: found.value,
  sources: spansOfAddress(found),
  trust,
  reasons: [
    field === 'email' ? because('formOfMailbox') : because('formOfWebsite'),
    ...(found.repaired ? [because('setRightByCard')] : []),
  ],
  ...(found.doubt && { disagreement: found.doubt }),
  ...withOffers([...(found.rivals ?? []), ...(found.raw ? [{ value: found.raw, reason: because('asRead') }] : [])]),
});
