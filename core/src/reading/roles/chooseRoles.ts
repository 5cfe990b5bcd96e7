import { foldTight } from '../../text';
import { isFreeMail } from '../../text/domains';
import { hasLegalForm } from '../../text/legalForm';
import { tradeWords } from '../../text/tables/companyWords';
import { isNextInBlock, overlaps, piecesOfLine, sharesColumn, type CardLine } from '../cardLine';
import { hasTitleWord } from '../names';
import { rowsOf, stacksOf } from './lineGroups';
import {
  companyStep,
  grouped,
  isNameByWords,
  isSetAsOne,
  mayBeSplitFirm,
  mayBeSplitName,
  mayBeSplitTitle,
  nameStep,
  positionUnder,
  splitAsInMailbox,
  titleStep,
} from './linesAsOne';
import { behindOwnerLabel, firmBeforeComma, nameAndTitle, titleAndFirm } from './partsOfLine';
import {
  FIRM_OF_NAME,
  likenessToDomain,
  looksLikeSomebody,
  scoreCompany,
  scoreDepartment,
  scoreFirmOfName,
  scoreName,
  scoreTitle,
  type Candidate,
  type CardEvidence,
  type RoleScore,
} from './roleScores';
import { ownerLabel } from '../tables/labels';

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
/** What a title right under a name, or a little further down, speaks for both. */
const UNDER_THE_NAME = 1.2;
const BELOW_THE_NAME = 0.6;
/** What it speaks for a name, and against a firm, that a position stands right under it, where nobody else is named. */
const OVER_A_POSITION = 3;
/** What a family name speaks for where the firm is called after it. */
const FAMILY_FIRM = 1.5;
/** The mailbox of a family's firm at a free-mail provider speaks for the name; it does not speak against the firm. */
const FAMILY_MAILBOX = 2;
/** What it costs to take a part of what is set as one. */
const PART_OF_BLOCK = 1.2;

/**
 * Decides together which lines are the person's name, the company, the title and the department:
 * the combination with the highest sum of scores, no line used twice, with a bonus for what usually
 * stands together (a title right under the name).
 * @param lines lines that no address, number or register claims
 */
export function chooseRoles(lines: readonly CardLine[], found: CardEvidence): ChosenRoles {
  const evidence = {
    ...found,
    likeness: new Map(lines.map((line) => [line.index, likenessToDomain(line.text, found)])),
    named: new Set(lines.filter(({ text }) => looksLikeSomebody(text)).map(({ index }) => index)),
  };
  const singles = [
    ...lines,
    ...lines.flatMap(piecesOfLine),
    ...lines.flatMap(behindOwnerLabel),
    ...lines.flatMap(nameAndTitle),
    ...lines.flatMap(firmBeforeComma),
    ...lines.flatMap((line) => titleAndFirm(line, found)),
  ].map((line): Candidate => ({
    text: line.text,
    lines: [line],
  }));
  const stacks = stacksOf([...lines, ...lines.flatMap(behindOwnerLabel)]);
  const rows = rowsOf(lines);
  const blocks = stacks.filter(isSetAsOne);
  const isOverPosition = ({ text, lines: own }: Candidate) =>
    evidence.named.size === 0 &&
    !saysFirm(text) &&
    /^[\p{L}\s.'’-]+$/u.test(text) &&
    !ownerLabel.test(text) &&
    !hasTitleWord(text) &&
    positionUnder(own, lines) !== undefined;
  const asName = (candidate: Candidate, role: RoleScore): RoleScore =>
    isOverPosition(candidate) ? { ...role, score: role.score + OVER_A_POSITION } : role;
  const asFirm = (candidate: Candidate, role: RoleScore): RoleScore =>
    isOverPosition(candidate) ? { ...role, score: role.score - OVER_A_POSITION } : role;
  const ranked = (candidates: readonly Candidate[], score: (c: Candidate) => RoleScore, least: number) =>
    candidates
      .map((candidate): Chosen => ({ candidate, ...score(candidate) }))
      .filter((c) => c.score > least)
      .sort((a, b) => b.score - a.score)
      .slice(0, CANDIDATES_A_ROLE);

  const names = ranked(
    [
      ...singles,
      ...stacks.filter((s) => mayBeSplitName(s) || isNameByWords(s, lines)),
      ...splitAsInMailbox(lines, evidence),
      ...rows,
    ],
    (c) => grouped(c, asName(c, scoreName(c, evidence)), nameStep(evidence, lines)),
    // What says little by itself may still be the name when the title stands right under it.
    EMPTY.name - UNDER_THE_NAME,
  );
  const companies = ranked(
    [...singles, ...stacks.filter(mayBeSplitFirm), ...rows],
    (c) => grouped(c, ofWhole(c, asFirm(c, scoreCompany(c, evidence)), blocks), companyStep),
    EMPTY.company - FIRM_OF_NAME,
  );
  const titles = ranked(
    [...singles, ...stacks.filter((s) => mayBeSplitTitle(s, evidence))],
    (c) => grouped(c, scoreTitle(c, evidence), titleStep),
    // What holds no word for a position may still be one right under the name.
    EMPTY.title - UNDER_THE_NAME,
  );

  const firmOfName = (name: Chosen | undefined, company: Chosen | undefined): RoleScore =>
    name && company ? scoreFirmOfName(company.candidate, name.candidate, evidence) : { score: 0, reasons: [] };
  const hasOwnDomain = !evidence.domains.every(isFreeMail);
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
          togetherness(name, title, company, hasOwnDomain) +
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
      title: rest(
        titles.filter((c) => c.score > EMPTY.title),
        roles.title,
      ),
    },
  };
}

/** A part of a word mark over some lines is none: "Teatro / Lunense" under "Fondazione". */
const ofWhole = (candidate: Candidate, role: RoleScore, blocks: readonly Candidate[]): RoleScore => {
  const isPart = blocks.some(
    ({ lines }) =>
      lines.length > candidate.lines.length &&
      candidate.lines.every((line) => lines.some((other) => overlaps(line, other) && line.text === other.text)),
  );
  return isPart ? { ...role, score: role.score - PART_OF_BLOCK } : role;
};

const share = (a: Chosen | undefined, b: Chosen | undefined): boolean =>
  Boolean(a && b && a.candidate.lines.some((line) => b.candidate.lines.some((other) => overlaps(line, other))));

function togetherness(
  name: Chosen | undefined,
  title: Chosen | undefined,
  company: Chosen | undefined,
  hasOwnDomain: boolean,
): number {
  let bonus = 0;
  if (name && title) bonus += titleUnder(name.candidate, title.candidate);
  if (name && company && isFamilyFirm(name.candidate, company.candidate))
    bonus += FAMILY_FIRM + (hasOwnDomain ? 0 : FAMILY_MAILBOX);
  if (name && company && Math.max(...company.candidate.lines.map((l) => l.relativeHeight)) > 1.05) bonus += 0.2;
  return bonus;
}

/** Whether a text itself says that it is a firm. */
const saysFirm = (text: string): boolean =>
  hasLegalForm(text) ||
  /[&\d]/.test(text) ||
  text.split(/[\s-]+/).length < 2 ||
  text.split(/[\s-]+/).some((word) => tradeWords.has(word));

function titleUnder(name: Candidate, title: Candidate): number {
  const last = name.lines[name.lines.length - 1]!;
  const first = title.lines[0]!;
  const gap = first.top - last.bottom;
  const near = gap > -0.8 * last.height && gap < 1.6 * Math.max(last.height, first.height);
  if (last.index === first.index) return UNDER_THE_NAME;
  if (near && sharesColumn(last, first, 1.5 * last.height))
    return gap < 0.7 * last.height ? UNDER_THE_NAME : BELOW_THE_NAME;
  return first.top < last.top ? -0.5 : 0;
}

/** "Dakwerken Van den Broeck" beside Roeland van den Broeck. */
function isFamilyFirm(name: Candidate, company: Candidate): boolean {
  const words = (text: string) => text.split(/\s+/).map(foldTight);
  const [given, family] = [words(name.text)[0]!, words(name.text).slice(1).pop() ?? ''];
  const firm = words(company.text);
  return family.length > 3 && firm.includes(family) && !firm.includes(given);
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
