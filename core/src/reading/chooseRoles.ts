import { cutLine, isNextInBlock, overlaps, piecesOfLine, sharesColumn, type CardLine } from './cardLine';
import {
  FIRM_OF_NAME,
  likenessToDomain,
  scoreCompany,
  scoreDepartment,
  scoreFirmOfName,
  scoreName,
  scoreTitle,
  type Candidate,
  type CardEvidence,
  type RoleScore,
} from './roleScores';
import { hasTitleWord } from './hasTitleWord';
import { isMadeOf, nameParts } from './personName';
import { ownerLabel } from './tables/labels';
import { nameParticles } from './tables/nameWords';
import { titleHeads, titleJoiners, titleModifiers } from './tables/titleWords';

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

const RUNNERS_UP = 3;

/** What a role is worth left empty: a candidate must be better than that. */
const EMPTY = { name: 0.4, company: 1.3, title: 0.9, department: 1.5 } as const;
const CANDIDATES_A_ROLE = 7;
/** A ring or accent on a capital makes a line this much taller. */
const ACCENT_TOLERANCE = 1.4;
/** Given and family name in two sizes of type. */
const MIXED_SIZES = 2;
/** Two lines are taken for one name or company only when that explains more than one of them. */
const PAIR = { name: 0.9, company: -1.2, row: -0.8 } as const;

/** What a title right under a name, or a little further down, speaks for both. */
const UNDER_THE_NAME = 1.2;
const BELOW_THE_NAME = 0.6;

/**
 * Decides together which lines are the person's name, the company, the title and the department:
 * the combination with the highest sum of scores, no line used twice, with a bonus for what usually
 * stands together (a title right under the name).
 * @param lines lines that no address, number or register claims
 */
export function chooseRoles(lines: readonly CardLine[], found: CardEvidence): ChosenRoles {
  const evidence = { ...found, firmLikeness: Math.max(0, ...lines.map((line) => likenessToDomain(line.text, found))) };
  const singles = [
    ...lines,
    ...lines.flatMap(piecesOfLine),
    ...lines.flatMap(behindOwnerLabel),
    ...lines.flatMap(nameAndTitle),
  ].map((line): Candidate => ({
    text: line.text,
    lines: [line],
  }));
  const pairs = pairsOf(lines);
  const besides = besidePairs(lines);
  const ranked = (candidates: readonly Candidate[], score: (c: Candidate) => RoleScore, least: number) =>
    candidates
      .map((candidate): Chosen => ({ candidate, ...score(candidate) }))
      .filter((c) => c.score > least)
      .sort((a, b) => b.score - a.score)
      .slice(0, CANDIDATES_A_ROLE);

  const names = ranked(
    [...singles, ...pairs.filter((p) => mayBeSplitName(p)), ...splitAsInMailbox(lines, evidence), ...besides],
    (c) => paired(c, scoreName(c, evidence), PAIR.name),
    // What says little by itself may still be the name when the title stands right under it.
    EMPTY.name - UNDER_THE_NAME,
  );
  const companies = ranked(
    [...singles, ...pairs.filter((p) => sameSize(p)), ...besides],
    (c) => paired(c, scoreCompany(c, evidence), PAIR.company),
    EMPTY.company - FIRM_OF_NAME,
  );
  const titles = ranked([...singles, ...pairs.filter(mayBeSplitTitle)], (c) => scoreTitle(c, evidence), EMPTY.title);

  const firmOfName = (name: Chosen | undefined, company: Chosen | undefined): RoleScore =>
    name && company ? scoreFirmOfName(company.candidate, name.candidate, evidence) : { score: 0, reasons: [] };
  let best: Roles = {};
  let bestSum = -Infinity;
  for (const name of [undefined, ...names]) {
    for (const company of [undefined, ...companies]) {
      if (share(name, company)) continue;
      const firm = firmOfName(name, company).score;
      for (const title of [undefined, ...titles]) {
        if (share(title, name) || share(title, company)) continue;
        const sum =
          (name?.score ?? EMPTY.name) +
          (company?.score ?? EMPTY.company) +
          (title?.score ?? EMPTY.title) +
          togetherness(name, title, company) +
          firm;
        if (sum > bestSum) {
          bestSum = sum;
          best = { name, company, title };
        }
      }
    }
  }
  if (best.company) {
    const more = firmOfName(best.name, best.company);
    const reasons = [...best.company.reasons, ...more.reasons];
    best.company = { ...best.company, score: best.company.score + more.score, reasons };
  }
  const free = singles.filter(
    (c) => ![best.name, best.company, best.title].some((chosen) => share(chosen, { candidate: c } as Chosen)),
  );
  if (best.title) best.title = withSecondTitle(best.title, free, evidence);
  const departments = ranked(
    free.filter((c) => !share(best.title, { candidate: c } as Chosen)),
    (c) => {
      const base = scoreDepartment(c);
      const near = best.title ?? best.name;
      const follows = near && isNextInBlock(near.candidate.lines[near.candidate.lines.length - 1]!, c.lines[0]!, 1.8);
      return follows
        ? { score: base.score + 0.6, reasons: base.reasons }
        : { score: base.score - 0.8, reasons: base.reasons };
    },
    EMPTY.department,
  );
  const roles = { ...best, department: departments[0] };
  const rest = (candidates: readonly Chosen[], own: Chosen | undefined) =>
    own ? candidates.filter((c) => !share(c, own)).slice(0, RUNNERS_UP) : [];
  return {
    roles,
    runnersUp: {
      name: rest(names, roles.name),
      company: rest(
        companies.filter((c) => c.score > EMPTY.company),
        roles.company,
      ),
      title: rest(titles, roles.title),
    },
  };
}

/** "Inh. Jörg Hansen": the name itself. */
function behindOwnerLabel(line: CardLine): CardLine[] {
  const label = ownerLabel.exec(line.text);
  return label ? cutLine(line, [{ from: 0, to: label[0].length }]) : [];
}

/** "Rasmus Ahlgren, VD": what stands before the comma, and the position behind it. */
function nameAndTitle(line: CardLine): CardLine[] {
  const [before = '', behind, ...more] = line.text.split(/,\s+/);
  if (behind === undefined || more.length > 0 || hasTitleWord(before) || !hasTitleWord(behind)) return [];
  return cutLine(line, [{ from: before.length, to: line.text.length - behind.length }]);
}

const paired = (candidate: Candidate, role: RoleScore, bonus: number): RoleScore =>
  candidate.lines.length > 1 ? { ...role, score: role.score + (isRow(candidate) ? PAIR.row : bonus) } : role;

const isRow = ({ lines: [a, b] }: Candidate): boolean =>
  b!.top < a!.bottom && b!.left > a!.left && b!.left >= a!.right - a!.height;

const share = (a: Chosen | undefined, b: Chosen | undefined): boolean =>
  Boolean(a && b && a.candidate.lines.some((line) => b.candidate.lines.some((other) => overlaps(line, other))));

function pairsOf(lines: readonly CardLine[], sizeTolerance: number = ACCENT_TOLERANCE): Candidate[] {
  return lines.flatMap((upper) =>
    lines
      .filter((lower) => lower !== upper && isNextInBlock(upper, lower, sizeTolerance))
      .map((lower): Candidate => ({ text: `${upper.text} ${lower.text}`, lines: [upper, lower] })),
  );
}

/** Two neighbours on one row, as wide-set names and word marks are cut apart. */
function besidePairs(lines: readonly CardLine[]): Candidate[] {
  return lines.flatMap((left) =>
    lines
      .filter((right) => {
        const height = Math.max(left.height, right.height);
        const level = Math.abs(left.top + left.bottom - right.top - right.bottom) / 2 < 0.4 * height;
        const gap = right.left - left.right;
        return right.left > left.left && level && gap > -0.3 * height && gap < 1.6 * height;
      })
      .filter((right) => Math.max(left.height, right.height) < 1.6 * Math.min(left.height, right.height))
      .map((right): Candidate => ({ text: `${left.text} ${right.text}`, lines: [left, right] })),
  );
}

const sameSize = ({ lines: [a, b] }: Candidate, tolerance = 1.2): boolean =>
  Math.max(a!.height, b!.height) / Math.min(a!.height, b!.height) < tolerance;

/** A name over two lines has one or two words on each, in type larger than the rest. */
function mayBeSplitName(pair: Candidate, sizeTolerance: number = ACCENT_TOLERANCE): boolean {
  const [upper, lower] = pair.lines as [CardLine, CardLine];
  const words = [upper, lower].map(({ text }) => nameParts(text).core.filter((w) => !nameParticles.has(w)).length);
  return (
    sameSize(pair, sizeTolerance) &&
    words[0]! <= 2 &&
    words[1]! <= 3 &&
    Math.min(upper.relativeHeight, lower.relativeHeight) > 1.05
  );
}

/** A name whose two lines are set in different sizes is one where a mailbox is made of both and of neither alone. */
const splitAsInMailbox = (lines: readonly CardLine[], { localParts }: CardEvidence): Candidate[] =>
  pairsOf(lines, MIXED_SIZES)
    .filter((pair) => !mayBeSplitName(pair) && mayBeSplitName(pair, MIXED_SIZES))
    .filter(({ text, lines: both }) =>
      localParts.some((local) => isMadeOf(text, local) && !both.some((line) => isMadeOf(line.text, local))),
    );

/** A title over two lines: the first line is no title on its own, or says that it goes on. */
function mayBeSplitTitle({ lines: [upper, lower] }: Candidate): boolean {
  const words = upper!.text.split(/\s+/);
  const goesOn = titleJoiners.has(words[words.length - 1]!) || titleJoiners.has(lower!.text.split(/\s+/)[0]!);
  const incomplete =
    !words.some((w) => titleHeads.has(w)) && words.every((w) => titleModifiers.has(w) || titleJoiners.has(w));
  return goesOn || incomplete;
}

function togetherness(name: Chosen | undefined, title: Chosen | undefined, company: Chosen | undefined): number {
  let bonus = 0;
  if (name && title) {
    const last = name.candidate.lines[name.candidate.lines.length - 1]!;
    const first = title.candidate.lines[0]!;
    const gap = first.top - last.bottom;
    const near = gap > -0.8 * last.height && gap < 1.6 * Math.max(last.height, first.height);
    if (last.index === first.index) bonus += UNDER_THE_NAME;
    else if (near && sharesColumn(last, first, 1.5 * last.height))
      bonus += gap < 0.7 * last.height ? UNDER_THE_NAME : BELOW_THE_NAME;
    else if (first.top < last.top) bonus -= 0.5;
  }
  if (name && company && Math.max(...company.candidate.lines.map((l) => l.relativeHeight)) > 1.05) bonus += 0.2;
  return bonus;
}

/** A second position printed right under or above the first joins it, in the order of the print. */
function withSecondTitle(title: Chosen, free: readonly Candidate[], evidence: CardEvidence): Chosen {
  const { lines } = title.candidate;
  const isPosition = (c: Candidate) => scoreTitle(c, evidence).score >= 2.5 && scoreDepartment(c).score < 1;
  const below = free.find((c) => isNextInBlock(lines[lines.length - 1]!, c.lines[0]!, 1.2) && isPosition(c));
  const above = below ? undefined : free.find((c) => isNextInBlock(c.lines[0]!, lines[0]!, 1.2) && isPosition(c));
  const [first, second] = above ? [above, title.candidate] : [title.candidate, below];
  if (!second) return title;
  return { ...title, candidate: { text: `${first.text}, ${second.text}`, lines: [...first.lines, ...second.lines] } };
}
