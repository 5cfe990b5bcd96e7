import type { AddressPart, FoundPostalAddress } from './address';
import { cardLines, type CardLine } from './cardLine';
import type { CodeValue } from './codes';
import type { CountryGuess } from './country';
import type { Learned, LearnedFirm } from './learning';
import type { Online } from './online';
import type { PhoneCandidate } from './phones';
import type { CardEvidence, ChosenRoles, RoleCandidates } from './roles';
import type { Reading, ReadLine } from './types';
import type { UnscoredProposal } from './unscoredProposal';

export interface ProposeOptions {
  /** ISO 3166 code assumed where the card itself does not tell its country. */
  assumedCountry?: string;
  /** ISO 639-1 codes of languages expected beside the country's own: their letters are not repaired away. */
  languages?: readonly string[];
  /** What the workspace has learned from what people corrected. */
  learned?: Learned;
}

/** What is known of a card so far. Each step hands on another one; what no step has told yet is empty. */
export interface CardState {
  readonly reading: Reading;
  readonly options: ProposeOptions;
  /** As repaired so far; each character has its place. */
  readonly lines: readonly ReadLine[];
  readonly geometry: readonly CardLine[];
  readonly online: Online;
  readonly numbers: readonly PhoneCandidate[];
  /** What the codes on the card say. */
  readonly said: readonly CodeValue[];
  readonly guess: CountryGuess;
  /** Firms of the card's domains that the workspace knows. */
  readonly firms: readonly LearnedFirm[];
  readonly evidence: CardEvidence;
  /** Lines and pieces that no number and no address online has. */
  readonly open: readonly CardLine[];
  /** Those that may hold a postal address. */
  readonly addressLines: readonly CardLine[];
  readonly address: FoundPostalAddress;
  /** A place over the postal code that has no word for a street. */
  readonly place: AddressPart | undefined;
  readonly candidates: RoleCandidates;
  readonly chosen: ChosenRoles;
  readonly drafts: readonly UnscoredProposal[];
}

export const begun = (reading: Reading, options: ProposeOptions): CardState => ({
  reading,
  options,
  lines: reading.lines,
  geometry: cardLines(reading),
  online: { emails: [], websites: [] },
  numbers: [],
  said: [],
  guess: {},
  firms: [],
  evidence: { localParts: [], domains: [], widest: 0 },
  open: [],
  addressLines: [],
  address: {},
  place: undefined,
  candidates: { singles: [], name: [], company: [], title: [], evidence: { localParts: [], domains: [], widest: 0 } },
  chosen: { roles: {}, runnersUp: { name: [], company: [], title: [] } },
  drafts: [],
});
