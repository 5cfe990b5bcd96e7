import { isNextInBlock, overlaps } from '../cardLine';
import type { Candidate, CardEvidence, Chosen, ChosenRoles, RoleName, Roles, RoleWeights } from './models';
import type { RoleCandidates, Weighed } from './roleCandidates';
import { scoreOf } from './score';
import { departmentFeatures, titleFeatures } from './titleFeatures';
import { firmBesideName, firmBesideTitle, titleBesideName } from './togetherFeatures';
import { ROLE_WEIGHTS } from './weights';

const RUNNERS_UP = 3;
const CANDIDATES_A_ROLE = 7;

/**
 * Decides together which lines are the person's name, the company, the title and the department:
 * the combination with the highest sum of scores, no line used twice, with a bonus for what usually
 * stands together (a title right under the name).
 * @param weights in place of those that were fitted
 */
export function chooseRoles(
  { singles, evidence, ...candidates }: RoleCandidates,
  weights: RoleWeights = ROLE_WEIGHTS,
): ChosenRoles {
  const worth = (name: string) => weights.together[name] ?? 0;
  const emptyOf = (role: RoleName) => weights[role].empty ?? 0;
  const ranked = (role: RoleName, all: readonly Weighed[], least: number) =>
    all
      .map(({ candidate, features }): Chosen => ({ candidate, ...scoreOf(role, features, weights) }))
      .filter((c) => c.score > least)
      .sort((a, b) => b.score - a.score)
      .slice(0, CANDIDATES_A_ROLE);
  // What says little by itself may still be the name when the title stands right under it, or a title that holds no word for a position.
  const names = ranked('name', candidates.name, emptyOf('name') - worth('titleUnderName'));
  const companies = ranked('company', candidates.company, emptyOf('company') - worth('mailboxNotOfName'));
  const titles = ranked('title', candidates.title, emptyOf('title') - worth('titleUnderName'));
  let best: Roles = {};
  let bestSum = -Infinity;
  for (const name of [undefined, ...names]) {
    for (const company of [undefined, ...companies]) {
      if (share(name, company)) continue;
      const firm = name && company ? scoreOf('together', firmBesideName(name.candidate, company.candidate, evidence), weights).score : 0; // prettier-ignore
      for (const title of [undefined, ...titles]) {
        if (share(title, name) || share(title, company)) continue;
        const under = name && title ? scoreOf('together', titleBesideName(name.candidate, title.candidate), weights).score : 0; // prettier-ignore
        const beside = company && title ? scoreOf('together', firmBesideTitle(company.candidate, title.candidate), weights).score : 0; // prettier-ignore
        const sum = (name?.score ?? emptyOf('name')) + (company?.score ?? emptyOf('company')) + (title?.score ?? emptyOf('title')) + firm + under + beside; // prettier-ignore
        if (sum > bestSum) {
          bestSum = sum;
          best = { name, company, title };
        }
      }
    }
  }
  if (best.company && best.name) {
    const more = scoreOf('together', firmBesideName(best.name.candidate, best.company.candidate, evidence), weights);
    best.company = { ...best.company, score: best.company.score + more.score, reasons: [...best.company.reasons, ...more.reasons] }; // prettier-ignore
  }
  const chosen = best;
  const free = singles.filter((candidate) => ![chosen.name, chosen.company, chosen.title].some((own) => share(own, { candidate }))); // prettier-ignore
  if (best.title) best.title = withSecondTitle(best.title, free, evidence);
  const department = departmentOf(free, best, weights);
  const roles = { ...best, department };
  const rest = (all: readonly Chosen[], role: 'name' | 'company' | 'title') => {
    const own = roles[role];
    const isTaken = (c: Chosen) => Object.values(roles).some((taken?: Chosen) => taken !== own && share(c, taken));
    const isOther = (c: Chosen) => !share(c, own) || (role === 'company' && !isTaken(c) && isNearlyAsGood(c, own!));
    return own ? all.filter((c) => c.score > emptyOf(role)).filter(isOther).slice(0, RUNNERS_UP) : []; // prettier-ignore
  };
  return {
    roles,
    runnersUp: { name: rest(names, 'name'), company: rest(companies, 'company'), title: rest(titles, 'title') },
  };
}

export const share = (a: Pick<Chosen, 'candidate'> | undefined, b: Pick<Chosen, 'candidate'> | undefined): boolean =>
  Boolean(a && b && a.candidate.lines.some((line) => b.candidate.lines.some((other) => overlaps(line, other))));

/** So much less speaks for what is offered beside the lines that were chosen, of which it has some. */
const NEARLY = 2.5;

/** A part of the lines that were chosen, or more than those, for which hardly less speaks. */
const isNearlyAsGood = (other: Chosen, own: Chosen): boolean =>
  other.score > own.score - NEARLY && other.candidate.lines.length !== own.candidate.lines.length;

/** The department among what is left, more likely right under the position. */
function departmentOf(
  free: readonly Candidate[],
  { name, title }: Pick<Roles, 'name' | 'title'>,
  weights: RoleWeights,
): Chosen | undefined {
  const near = title ?? name;
  const all = free.flatMap((candidate): Chosen[] => {
    const own = departmentFeatures(candidate);
    if (!own || share(title, { candidate })) return [];
    const follows = near && isNextInBlock(near.candidate.lines[near.candidate.lines.length - 1]!, candidate.lines[0]!, 1.8); // prettier-ignore
    const features = { ...own, [follows ? 'follows' : 'apart']: 1 };
    return [{ candidate, ...scoreOf('department', features, weights) }];
  });
  return all.filter(({ score }) => score > (weights.department.empty ?? 0)).sort((a, b) => b.score - a.score)[0];
}

/** From here on a text surely is a position, and below a department is none. */
const SURELY_TITLE = 2.5;
const NO_DEPARTMENT = 1;

/** A second position printed right under or above the first joins it, in the order of the print. */
function withSecondTitle(title: Chosen, free: readonly Candidate[], evidence: CardEvidence): Chosen {
  const { lines } = title.candidate;
  const isPosition = (c: Candidate) =>
    scoreOf('title', titleFeatures(c, evidence)).score >= SURELY_TITLE &&
    scoreOf('department', departmentFeatures(c)).score < NO_DEPARTMENT;
  const below = free.find((c) => isNextInBlock(lines[lines.length - 1]!, c.lines[0]!, 1.2) && isPosition(c));
  const above = below ? undefined : free.find((c) => isNextInBlock(c.lines[0]!, lines[0]!, 1.2) && isPosition(c));
  const [first, second] = above ? [above, title.candidate] : [title.candidate, below];
  if (!second) return title;
  return { ...title, candidate: { text: `${first.text}, ${second.text}`, lines: [...first.lines, ...second.lines] } };
}
