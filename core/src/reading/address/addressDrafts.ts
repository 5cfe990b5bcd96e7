import { because } from '../reasons';
import { learnedAddress, type LearnedFirm } from '../learning';
import type { FieldName } from '../proposal';
import { lostJoinedLetter } from '../repair';
import type { UnscoredProposal } from '../unscoredProposal';
import type { FoundPostalAddress } from './findAddress';

/** Proposals for the parts of a postal address. @param isStreetGuessed by where it stands alone */
export function addressDrafts(
  address: FoundPostalAddress,
  country: string | undefined,
  firms: readonly LearnedFirm[],
  isStreetGuessed: boolean,
): UnscoredProposal[] {
  const known = learnedAddress(
    { street: address.street?.value, postalCode: address.postalCode?.value, locality: address.locality?.value },
    firms.flatMap((f) => f.addresses),
  );
  return (['street', 'postalCode', 'locality', 'region', 'country'] as const).flatMap(
    (field: FieldName & keyof typeof address): UnscoredProposal[] => {
      const part = address[field];
      if (!part) return [];
      const isGuess = !(address.postalCode ?? address.region) || (field === 'street' && isStreetGuessed);
      const settled = known && field !== 'region' && field !== 'country' ? known[field] : undefined;
      const changed = settled !== undefined && settled !== part.value;
      const lost = !settled && field === 'locality' ? lostJoinedLetter(part.value, country) : undefined;
      return [
        {
          field,
          value: settled ?? lost?.value ?? part.value,
          sources: part.sources,
          trust: isGuess ? 1 : 3.5,
          reasons: [
            isGuess && address.postalCode ? because('whereStreetStands') : because('inAddress'),
            ...(settled ? [because('knownAddress')] : []),
          ],
          ...(settled && { certainty: 0.98 }),
          ...(lost && { disagreement: lost.disagreement }),
          ...((changed || lost) && { runnersUp: [{ value: part.value, reason: because('asRead') }] }),
        },
      ];
    },
  );
}
