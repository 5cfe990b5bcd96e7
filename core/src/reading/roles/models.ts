import type { CardLine } from '../cardLine';
import type { Reason } from '../reasons';

/** What the rest of the card says about its person and firm. */
export interface CardEvidence {
  localParts: readonly string[];
  domains: readonly string[];
  /** Width of its longest line in pixels. */
  widest: number;
  /** Lines that look like somebody's name, with a common given name in front. */
  named?: ReadonlySet<number>;
  /** How well each line agrees with the domain that it is most like, 0–1, by its index. */
  likeness?: ReadonlyMap<number, number>;
  /** What the card's code says, folded to letters and digits. */
  said?: { name?: string; company?: string; title?: string };
  /** The workspace's spellings of the firms behind the domains, folded likewise. */
  knownCompanies?: readonly string[];
  /** Words for positions that the workspace has filed as titles, folded. */
  knownTitleWords?: ReadonlySet<string>;
}

/** A line or neighbouring lines read as one text, as a candidate for a role. */
export interface Candidate {
  text: string;
  lines: readonly CardLine[];
}

/** What speaks for a role or against it, by name, each so strongly: 0–1 or a count. How much it is worth is fitted. */
export type Features = Readonly<Record<string, number>>;

/** How much speaks for a role; about the log-odds, so that 0 is even. */
export interface RoleScore {
  score: number;
  reasons: Reason[];
}

export interface Chosen extends RoleScore {
  candidate: Candidate;
}

export interface Roles {
  name?: Chosen;
  company?: Chosen;
  title?: Chosen;
  department?: Chosen;
}

/** The choice, and for name, company and title the best lines that were not taken. */
export interface ChosenRoles {
  roles: Roles;
  runnersUp: { name: Chosen[]; company: Chosen[]; title: Chosen[] };
}

export type RoleName = 'name' | 'company' | 'title' | 'department';
/** What each feature of a role, and of what stands together, is worth. */
export type RoleWeights = Readonly<Record<RoleName | 'together', Features>>;
