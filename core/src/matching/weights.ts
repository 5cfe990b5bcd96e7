/**
 * How probable each outcome of a comparison is for two records of one person: the m-probabilities of I. P. Fellegi and A. B.
 * Sunter, "A Theory for Record Linkage" (1969). Their u-probabilities come from how frequent the agreeing values are. The
 * numbers here are assumptions to begin with; `learn` brings them closer to the data of a workspace.
 */
export interface MatchProbabilities {
  given: Readonly<Record<'exact' | 'shortForm' | 'close' | 'sound' | 'resembling' | 'part' | 'different', number>>;
  family: Readonly<Record<'exact' | 'close' | 'sound' | 'resembling' | 'part' | 'different', number>>;
  mailbox: Readonly<Record<'same' | 'close' | 'different', number>>;
  phone: Readonly<Record<'same' | 'close' | 'different', number>>;
  firm: Readonly<Record<'same' | 'close' | 'different', number>>;
}

export const ASSUMED_MATCHES: MatchProbabilities = {
  given: { exact: 0.78, shortForm: 0.08, close: 0.08, sound: 0.01, resembling: 0.01, part: 0.03, different: 0.01 },
  family: { exact: 0.84, close: 0.09, sound: 0.015, resembling: 0.01, part: 0.03, different: 0.015 },
  mailbox: { same: 0.6, close: 0.08, different: 0.32 },
  phone: { same: 0.65, close: 0.07, different: 0.28 },
  firm: { same: 0.75, close: 0.1, different: 0.15 },
};

/** How probable close and similar outcomes are between two different people, beside what the frequencies say. */
export const CHANCE = {
  givenClose: 0.004,
  givenSound: 0.002,
  givenResembling: 0.03,
  familyClose: 0.0008,
  familyResembling: 0.01,
  firmClose: 0.002,
  mailboxClose: 0.0005,
  phoneClose: 0.002,
} as const;
