import { hasLegalForm } from '../../text/legalForm';
import { isAllCaps } from '../../text/naturalCase';
import { givenNames, nameParticles } from '../../text/tables/nameWords';
import { titleHeads, titleJoiners, titleModifiers } from '../../text/tables/titleWords';
import { isNextInBlock, type CardLine } from '../cardLine';
import { hasTitleWord } from '../names';
import { ACCENT_TOLERANCE, MIXED_SIZES, goesOn, isRow, sameSize, settingOf, stacksOf, stepsOf } from './lineGroups';
import { spacing } from './placeFeatures';
import { isMadeOf, localPartAgreement, nameParts } from '../names';
import { feature, together } from './features';
import type { Candidate, CardEvidence, Features } from './models';

/** Heights of lines of one type differ by what hangs below and stands above. */
const ONE_TYPE = 1.35;
/** What speaks for reading a line and the next one as one, or against it, by name. */
export type Step = (upper: CardLine, lower: CardLine) => Features;

/** What speaks for reading lines as one, step by step; nothing for one that is alone. */
export function stepFeatures(candidate: Candidate, step: Step): Features {
  if (candidate.lines.length === 1) return {};
  return isRow(candidate) ? { row: 1 } : together(...stepsOf(candidate).map(({ upper, lower }) => step(upper, lower)));
}

/** Lines of a word or two in one type, none of which is a position or holds a given name. */
export const isSetAsOne = (stack: Candidate): boolean =>
  sameSize(stack, ONE_TYPE) &&
  new Set(stack.lines.map(({ text }) => isAllCaps(text))).size === 1 &&
  stack.lines.every(
    ({ text }) =>
      /^\p{Lu}[^\d@:,]*$/u.test(text) &&
      text.split(/\s+/).length <= 2 &&
      !hasTitleWord(text) &&
      !text.split(/[\s-]+/).some((word) => givenNames.has(word)),
  );

/** For a firm: how its lines are set tells. */
export const companyStep: Step = (upper, lower) =>
  goesOn(upper, lower)
    ? { stepGoesOn: 1 }
    : together(
        { [STEP_OF[settingOf(upper, lower)]]: 1 },
        feature('stepProse', saysWhatTheyDo(lower.text)),
        feature('stepWhole', isWholeFirm(upper.text, lower.text)),
        spacing(upper, lower),
      );

const STEP_OF = { display: 'stepDisplay', even: 'stepEven', small: 'stepSmall', mixed: 'stepMixed' } as const;

/** "Conservation of ceramics and glass": words in small letters that do more than join others. */
const saysWhatTheyDo = (text: string): boolean =>
  text.split(/\s+/).filter((word) => /^\p{Ll}/u.test(word) && !titleJoiners.has(word) && !nameParticles.has(word))
    .length >= 2;

/**
 * A mailbox that is made of a line's given and family name has no need of the next one, nor one of its given name of a
 * single word more: that is a position, unless it is set in capitals as the name is and a position in small letters follows.
 * What follows a name in capitals in small letters, or in much narrower type, is none of it where no mailbox holds both.
 */
export const nameStep =
  ({ localParts }: CardEvidence, lines: readonly CardLine[]): Step =>
  (upper, lower) => {
    const space = spacing(upper, lower);
    const isMade = (text: string) => localParts.some((local) => isMadeOf(text, local));
    const isOneMailbox = isMade(`${upper.text} ${lower.text}`) && !isMade(upper.text);
    const isSetApart =
      (isAllCaps(upper.text) && !isAllCaps(lower.text)) || letterWidth(upper) > NARROWER * letterWidth(lower);
    if (isSetApart && !isOneMailbox && !goesOn(upper, lower)) return together(NO_MORE, space);
    if (goesOn(upper, lower) || isInCapitalsOverPosition([upper, lower], lines)) return together(ON, space);
    const isWhole = ({ text }: CardLine, leastAgreement: number) =>
      NAME_IN_FULL.test(text) &&
      localParts.some((local) => isMadeOf(text, local) && localPartAgreement(text, local) >= leastAgreement);
    const isLoneWord = ({ text }: CardLine) => !/\s/.test(text);
    const isEnough = isWhole(upper, isLoneWord(lower) ? 0 : 1) || (!isLoneWord(upper) && isWhole(lower, 1));
    return together(isEnough ? NO_MORE : ON, space);
  };

const ON = { stepOn: 1 };
const NO_MORE = { stepNoMore: 1 };

/** By how much letters of another type are narrower: those of one differ by their shapes. */
const NARROWER = 1.5;

/** In pixels, on average. */
const letterWidth = ({ text, left, right }: CardLine): number => (right - left) / text.length;

/** A firm that ends in its form, or in its partners and no form follows, does not go on in the next line. */
const isWholeFirm = (text: string, next: string): boolean =>
  hasLegalForm(text) || (PARTNERS_LAST.test(text) && !hasLegalForm(next));

const PARTNERS_LAST =
  /(?:&|\b(?:et|und|y|e|and|og|och|en|i))\s(?:ass?oci\p{L}+|partner\p{L}*|söhne|sohn|sons?|daughters?|co\.?|fils|figli|hijos|filhos|cie\.?|zonen|søn|söner|synowie)$/iu;

/** A name over some lines has one or two words on each but the last, in type larger than the rest. */
export function mayBeSplitName(stack: Candidate, sizeTolerance: number = ACCENT_TOLERANCE): boolean {
  const words = stack.lines.map(
    ({ text }) => nameParts(text).core.filter((w) => !nameParticles.has(w) && w !== 'i').length,
  );
  const mayBeLong = (i: number) => i === stack.lines.length - 1 || goesOn(stack.lines[i]!, stack.lines[i + 1]!);
  const isLarge = stack.lines.every((line) => line.relativeHeight > 1.05);
  return (
    sameSize(stack, sizeTolerance) &&
    words.every((count, i) => count <= (mayBeLong(i) ? 3 : 2)) &&
    words.reduce((sum, count) => sum + count) <= MOST_NAMES &&
    (isLarge || stepsOf(stack).every(({ upper, lower }) => goesOn(upper, lower)))
  );
}

/** A name whose two lines are set in different sizes is one where a mailbox is made of both and of neither alone. */
export const splitAsInMailbox = (lines: readonly CardLine[], { localParts }: CardEvidence): Candidate[] =>
  stacksOf(lines, MIXED_SIZES)
    .filter((stack) => !mayBeSplitName(stack) && mayBeSplitName(stack, MIXED_SIZES))
    .filter(({ text, lines: parts }) =>
      localParts.some((local) => isMadeOf(text, local) && !parts.some((line) => isMadeOf(line.text, local))),
    );

/** Words of a name without its particles. */
const MOST_NAMES = 5;
/** Given and family name. */
const NAME_IN_FULL = /\p{L}{2,}\P{L}+\p{L}{2,}/u;

/** "Directeur adjoint, Opérations" over "forestières". */
const isRestOfTitle = (upper: CardLine, lower: CardLine): boolean =>
  /^\p{Ll}\P{Lu}*$/u.test(lower.text) && lower.text.split(/\s+/).length <= 2 && hasTitleWord(upper.text);

/** For a position: only what goes on speaks for it. */
export const titleStep: Step = (upper, lower) => feature('stepGoesOn', isRestOfTitle(upper, lower));

/** The position that stands right under some lines. */
export const positionUnder = (name: readonly CardLine[], lines: readonly CardLine[]): CardLine | undefined =>
  lines.find((below) => hasTitleWord(below.text) && isNextInBlock(name[name.length - 1]!, below, MIXED_SIZES));

/** "EULALIA FERRER", "MONZÓ" and, under them, "Gerente". */
function isInCapitalsOverPosition(name: readonly CardLine[], lines: readonly CardLine[]): boolean {
  const position = positionUnder(name, lines);
  return (
    position !== undefined &&
    !isAllCaps(position.text) &&
    name.every(({ text }) => isAllCaps(text) && !hasTitleWord(text))
  );
}

/** A given name by itself and one more word, over a position. */
export const isNameByWords = ({ lines: [given, family, ...more] }: Candidate, lines: readonly CardLine[]): boolean =>
  more.length === 0 &&
  givenNames.has(given!.text) &&
  /^\p{Lu}[\p{L}'’-]+$/u.test(family!.text) &&
  positionUnder([family!], lines) !== undefined;

/** Nobody breaks a line whose two halves have room beside each other, as far as the card's longest line tells. */
function wouldFit(upper: CardLine, lower: CardLine, { widest }: CardEvidence): boolean {
  const space = 0.4 * Math.max(upper.height, lower.height);
  return upper.right - upper.left + space + lower.right - lower.left < widest;
}

/** A title over some lines: each but the last is no title on its own, or says that it goes on. */
export const mayBeSplitTitle = (stack: Candidate, evidence: CardEvidence): boolean =>
  stepsOf(stack).every(({ upper, lower }) => {
    const words = upper.text.split(/\s+/);
    const joins = titleJoiners.has(words[words.length - 1]!) || titleJoiners.has(lower.text.split(/\s+/)[0]!);
    const isIncomplete =
      !words.some((w) => titleHeads.has(w)) && words.every((w) => titleModifiers.has(w) || titleJoiners.has(w));
    const isLoneHead =
      !hasTitleWord(upper.text) &&
      titleHeads.has(lower.text) &&
      isAllCaps(upper.text) === isAllCaps(lower.text) &&
      !wouldFit(upper, lower, evidence);
    return !/:$/.test(lower.text) && (joins || isIncomplete || isLoneHead || isRestOfTitle(upper, lower));
  });
