import { hasLegalForm } from '../../text/legalForm';
import { tradeWords } from '../../text/tables/companyWords';
import { overlaps, piecesOfLine, type CardLine } from '../cardLine';
import { hasTitleWord } from '../names';
import { ownerLabel } from '../tables/labels';
import { companyFeatures, linesOfFirm } from './companyFeatures';
import { feature, together } from './features';
import { MIXED_SIZES, rowsOf, stacksOf } from './lineGroups';
import {
  companyStep,
  isNameByWords,
  isSetAsOne,
  mayBeSplitName,
  mayBeSplitTitle,
  nameStep,
  positionUnder,
  splitAsInMailbox,
  stepFeatures,
  titleStep,
} from './linesAsOne';
import type { Candidate, CardEvidence, Features } from './models';
import { nameFeatures } from './nameFeatures';
import { blocksOf, placeFeatures } from './placeFeatures';
import { behindOwnerLabel, firmBeforeComma, nameAndTitle, titleAndFirm } from './partsOfLine';
import { likenessToDomain, looksLikeSomebody } from './textOfRole';
import { titleFeatures } from './titleFeatures';

/** A candidate with what speaks for it in a role and against it. */
export interface Weighed {
  candidate: Candidate;
  features: Features;
}

/** All that may have a role on a card. */
export interface RoleCandidates {
  /** Lines, and parts of lines. */
  singles: readonly Candidate[];
  name: readonly Weighed[];
  company: readonly Weighed[];
  title: readonly Weighed[];
  evidence: CardEvidence;
}

/**
 * What may be the person's name, the company and the title: lines, parts of lines, and lines read as one.
 * @param free lines that no address, number or register claims @param geometry all that was read on the card
 */
export function roleCandidates(
  free: readonly CardLine[],
  found: CardEvidence,
  geometry: readonly CardLine[] = free,
): RoleCandidates {
  // Chinese characters are left for a person to give.
  const lines = free.filter(({ text }) => !/\p{Script=Han}/u.test(text));
  const evidence = {
    ...found,
    likeness: new Map(lines.map((line) => [line.index, likenessToDomain(line.text, found)])),
    named: new Set(lines.filter(({ text }) => looksLikeSomebody(text)).map(({ index }) => index)),
  };
  const owners = lines.flatMap(behindOwnerLabel);
  const singles = [
    ...lines,
    ...lines.flatMap(piecesOfLine),
    ...owners,
    ...lines.flatMap(nameAndTitle),
    ...lines.flatMap(firmBeforeComma),
    ...lines.flatMap((line) => titleAndFirm(line, found)),
  ].map((line): Candidate => ({ text: line.text, lines: [line] }));
  const stacks = stacksOf([...lines, ...owners]);
  const rows = rowsOf(lines);
  const marks = stacks.filter(isSetAsOne);
  const blocks = blocksOf(geometry);
  const firms = [...singles, ...stacksOf(lines, MIXED_SIZES), ...rows];
  const names = [
    ...singles,
    ...stacks.filter((s) => mayBeSplitName(s) || isNameByWords(s, lines)),
    ...splitAsInMailbox(lines, evidence),
    ...rows,
  ];
  const overPosition = (c: Candidate) => feature('overPosition', isOverPosition(c, lines, evidence));
  return {
    singles,
    evidence,
    name: weighed(names, (c) => [nameFeatures(c, evidence), stepFeatures(c, nameStep(evidence, lines)), overPosition(c), placeFeatures(c, blocks)]), // prettier-ignore
    company: weighed(firms, (c) => [
      companyFeatures(c, evidence),
      stepFeatures(c, companyStep),
      overPosition(c),
      feature('partOfMark', isPartOfMark(c, marks)),
      placeFeatures(c, blocks),
      linesOfFirm(c, evidence),
    ]),
    title: weighed([...singles, ...stacks.filter((s) => mayBeSplitTitle(s, evidence))], (c) => [
      titleFeatures(c, evidence),
      stepFeatures(c, titleStep),
      placeFeatures(c, blocks),
    ]),
  };
}

/** Those that may have the role at all. */
const weighed = (
  candidates: readonly Candidate[],
  tell: (candidate: Candidate) => readonly [Features | undefined, ...Features[]],
): Weighed[] =>
  candidates.flatMap((candidate) => {
    const [own, ...more] = tell(candidate);
    return own ? [{ candidate, features: together(own, ...more) }] : [];
  });

/** A part of a word mark over some lines is none: "Teatro / Lunense" under "Fondazione". */
const isPartOfMark = (candidate: Candidate, marks: readonly Candidate[]): boolean =>
  marks.some(
    ({ lines }) =>
      lines.length > candidate.lines.length &&
      candidate.lines.every((line) => lines.some((other) => overlaps(line, other) && line.text === other.text)),
  );

/** Whether a position stands right under it, where nobody else is named. */
const isOverPosition = ({ text, lines: own }: Candidate, lines: readonly CardLine[], { named }: CardEvidence): boolean =>
  named?.size === 0 &&
  !saysFirm(text) &&
  /^[\p{L}\s.'’-]+$/u.test(text) &&
  !ownerLabel.test(text) &&
  !hasTitleWord(text) &&
  positionUnder(own, lines) !== undefined; // prettier-ignore

/** Whether a text itself says that it is a firm. */
const saysFirm = (text: string): boolean =>
  hasLegalForm(text) ||
  /[&\d]/.test(text) ||
  text.split(/[\s-]+/).length < 2 ||
  text.split(/[\s-]+/).some((word) => tradeWords.has(word));
