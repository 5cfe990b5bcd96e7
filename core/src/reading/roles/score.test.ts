import type { RoleWeights } from './models';
import { scoreOf } from './score';

const weights: RoleWeights = {
  name: { holdsGivenName: 1, agreesWithMailbox: 4, isLarge: 0.5, prose: -1, hasInitial: -2 },
  company: { mailboxNotOfName: 2 },
  title: {},
  department: {},
  together: { mailboxNotOfName: 2 },
};

it('adds up what each feature is worth, and tells what speaks for it, the strongest first', () => {
  const { score, reasons } = scoreOf('name', { holdsGivenName: 1, isLarge: 1, agreesWithMailbox: 0.5, prose: 1, hasInitial: 1, unheardOf: 3 }, weights); // prettier-ignore
  expect(score).toBeCloseTo(0.5);
  expect(reasons.map(({ code }) => code)).toEqual(['agreesWithMailbox', 'holdsGivenName', 'isLarge']);
});

it('has words for features that another one’s words tell', () =>
  expect(scoreOf('together', { mailboxNotOfName: 1 }, weights).reasons).toEqual([{ code: 'inMailbox' }]));

it('leaves no hope to what cannot have a role', () =>
  expect(scoreOf('name', undefined, weights).score).toBeLessThan(-5));
