import { REASON_CODES, because, type ReasonCode } from '../reasons';
import type { Features, RoleScore, RoleWeights } from './models';
import { ROLE_WEIGHTS } from './weights';

/** What cannot have a role. */
const IMPOSSIBLE: RoleScore = { score: -9, reasons: [] };

/** Features that are told by another one's words. */
const TOLD_AS: Readonly<Record<string, ReasonCode>> = { isTopic: 'namesDepartment', mailboxNotOfName: 'inMailbox' };
const codes: ReadonlySet<string> = new Set(REASON_CODES);

/** How much features say of a role, and the strongest of them in words. @param features undefined for what cannot have it */
export function scoreOf(
  role: keyof RoleWeights,
  features: Features | undefined,
  weights: RoleWeights = ROLE_WEIGHTS,
): RoleScore {
  if (!features) return IMPOSSIBLE;
  const parts = Object.entries(features).map(([name, value]) => ({ name, points: value * (weights[role][name] ?? 0) }));
  const told = parts
    .filter(({ name, points }) => points > 0 && codes.has(TOLD_AS[name] ?? name))
    .sort((a, b) => b.points - a.points)
    .map(({ name }) => because((TOLD_AS[name] ?? name) as ReasonCode));
  return { score: parts.reduce((sum, { points }) => sum + points, 0), reasons: told };
}
