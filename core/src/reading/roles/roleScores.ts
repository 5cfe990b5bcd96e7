import { because, type Reason } from '../reasons';
import { fold, foldTight } from '../../text';
import { isFreeMail } from '../../text/domains';
import { hasLegalForm, withoutLegalForm } from '../../text/legalForm';
import { tradeWords } from '../../text/tables/companyWords';
import { departmentHeads, departmentTopics } from '../../text/tables/departmentWords';
import { givenNames, nameParticles } from '../../text/tables/nameWords';
import { agentEndings, sloganWords, titleHeads, titleJoiners, titleModifiers } from '../../text/tables/titleWords';
import type { CardLine } from '../cardLine';
import { domainAgreement } from './companyFromDomain';
import { hasTitleWord } from '../names';
import { isLikeCompany } from '../learning';
import { localPartAgreement, nameParts } from '../names';
import { looksLikeStreet } from '../address';
import { ownerLabel } from '../tables/labels';

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

/** How well a text agrees with the one of the card's domains that it is most like, 0–1. */
export const likenessToDomain = (text: string, { domains }: CardEvidence): number =>
  Math.max(0, ...domains.map((domain) => domainAgreement(text, domain)));

/** How well the line beside a candidate that is most like a domain agrees with it, 0–1. */
const likenessOfOthers = ({ lines }: Candidate, { likeness = new Map<number, number>() }: CardEvidence): number =>
  Math.max(
    0,
    ...[...likeness].filter(([index]) => lines.every((line) => line.index !== index)).map(([, like]) => like),
  );

/** What agreement with a code, or with what the workspace has filed, is worth. */
const SAID = 5;
const KNOWN = 3;
/** What a word for the owner in front of a name is worth. */
const OWNER = 3;
const SAID_REASON: Reason = because('inCode');

/** A line or neighbouring lines read as one text, as a candidate for a role. */
export interface Candidate {
  text: string;
  lines: readonly CardLine[];
}

/** How much speaks for a role; about the log-odds, so that 0 is even. */
export interface RoleScore {
  score: number;
  reasons: Reason[];
}

class Tally {
  score = 0;
  readonly reasons: Reason[] = [];
  add(points: number, reason?: Reason): void {
    this.score += points;
    if (reason && points > 0) this.reasons.push(reason);
  }
}

const wordsOf = (text: string): string[] => text.split(/[\s/|,·•]+/).filter(Boolean);
const count = (words: readonly string[], test: (word: string) => boolean): number => words.filter(test).length;

/** Everything that makes a line prose: sentence marks, several words in small letters. */
function proseLevel(text: string): number {
  const words = wordsOf(text);
  const small = count(words, (w) => /^\p{Ll}/u.test(w) && !nameParticles.has(w));
  return (
    (/[.!?…]$/.test(text) && words.length > 2 ? 1.5 : 0) +
    (/[!?]|\.\s/.test(text) ? 1 : 0) +
    (words.length > 2 ? (2 * small) / words.length : 0)
  );
}

const capitalised = (word: string): boolean => /^\P{L}*\p{Lu}/u.test(word);
const relativeHeight = (c: Candidate): number => Math.max(...c.lines.map((l) => l.relativeHeight));

export function scoreName(candidate: Candidate, evidence: CardEvidence): RoleScore {
  const tally = new Tally();
  const { prefixes, core, suffixes } = nameParts(candidate.text);
  if (core.length < 1 || core.length > 5 || /[\d@:;/|&!?+]/.test(core.join(' '))) return { score: -9, reasons: [] };
  tally.add(core.length === 1 ? -2.5 : 0.2);
  if (core.some((w) => w.split('-').some((part) => givenNames.has(part)) || givenNames.has(w)))
    tally.add(2.2, because('holdsGivenName'));
  if (candidate.lines.some(({ from, read }) => from > 0 && ownerLabel.test(read.text)))
    tally.add(OWNER, because('behindOwnerWord'));
  if (evidence.said?.name && foldTight(core.join('')) === evidence.said.name) tally.add(SAID, SAID_REASON);
  const agreement = Math.max(0, ...evidence.localParts.map((local) => localPartAgreement(candidate.text, local)));
  tally.add(4.5 * agreement, because('agreesWithMailbox'));
  // A mailbox at a free-mail provider may be the firm's: "Haus Alpenblick" above Rosemarie Hintermoser.
  if (isFirmsMailbox(candidate, evidence)) tally.add(-3 * agreement);
  if (prefixes.length > 0) tally.add(1.8, because('hasFormOfAddress'));
  if (suffixes.length > 0) tally.add(2, because('hasLettersBehind'));
  if (core.some((w) => /^\p{Lu}\.?$/u.test(w))) tally.add(1, because('hasInitial'));
  // "Zdzisław Ogrodnik" at zdzislaw.ogrodnik@ is called after a gardener and is none.
  const isCalledAfterTrade = core.length > 1 && givenNames.has(core[0]!) && agreement > 0.9;
  tally.add(-2.2 * count(isCalledAfterTrade ? core.slice(0, -1) : core, (w) => titleHeads.has(w)));
  tally.add(-1.6 * count(core, (w) => tradeWords.has(w)));
  const isOfFirm = (w: string) => departmentHeads.has(w) || (titleModifiers.has(w) && !nameParticles.has(w));
  tally.add(-1.2 * count(core, isOfFirm));
  if (hasLegalForm(candidate.text)) tally.add(-3);
  tally.add(-2 * count(core, (w) => !capitalised(w) && !nameParticles.has(w)));
  tally.add(-1.5 * count(core, (w) => titleJoiners.has(w) && !nameParticles.has(w)));
  if (core[0] !== undefined && nameParticles.has(core[0])) tally.add(-1.5);
  if (core.slice(1, -1).some((w) => nameParticles.has(w) && !capitalised(w))) tally.add(0.6);
  // "Annelies van der" goes on in the next line.
  const last = core[core.length - 1]!;
  if (nameParticles.has(last) && !capitalised(last)) tally.add(-2.5);
  tally.add(-proseLevel(core.join(' ')));
  // "Kühlwetter / Bastian Kühlwetter": a firm's line and its owner's are two.
  if (core.length > 2 && fold(core[0]!) === fold(core[core.length - 1]!)) tally.add(-3);
  if (relativeHeight(candidate) > 1.15) tally.add(0.8, because('isLarge'));
  const domainLike = likenessToDomain(core.join(' '), evidence);
  // A firm is often called after its owner: a known given name, or another line as like the domain, outweighs this.
  const isOwners = core.length > 1 && (givenNames.has(core[0]!) || domainLike <= likenessOfOthers(candidate, evidence));
  if (agreement < 0.8) tally.add((isOwners ? -0.8 : -2.5) * domainLike);
  if (departmentTopics.has(candidate.text)) tally.add(-2);
  return tally;
}

/**
 * Whether a mailbox at a free-mail provider that is like a line may be the firm's: another line looks like the name, and
 * this one does not begin like one.
 */
const isFirmsMailbox = ({ text, lines }: Candidate, { named, domains }: CardEvidence): boolean =>
  named !== undefined &&
  named.size > 0 &&
  !lines.some(({ index }) => named.has(index)) &&
  !(givenNames.has(wordsOf(text)[0]!) && count(wordsOf(text), (w) => tradeWords.has(w)) === 0) &&
  domains.every(isFreeMail);

/** A common given name before one to three more words, none of which says what a firm does. */
export function looksLikeSomebody(text: string): boolean {
  const words = wordsOf(text);
  return (
    words.length >= 2 &&
    words.length <= 4 &&
    givenNames.has(words[0]!) &&
    words.every((w) => (capitalised(w) || nameParticles.has(w)) && !tradeWords.has(w) && !titleHeads.has(w)) &&
    !hasLegalForm(text) &&
    !/[\d&@]/.test(text)
  );
}

export function scoreCompany(candidate: Candidate, evidence: CardEvidence): RoleScore {
  const tally = new Tally();
  const { text } = candidate;
  const words = wordsOf(text);
  if (!/\p{L}{2}/u.test(text) || words.length > 8 || /@|^\W*in\//.test(text)) return { score: -9, reasons: [] };
  const key = foldTight(text);
  if (evidence.said?.company && key === evidence.said.company) tally.add(SAID, SAID_REASON);
  if (evidence.knownCompanies?.some((known) => isLikeCompany(key, known))) tally.add(KNOWN, because('knownFirm'));
  if (hasLegalForm(text)) tally.add(3.2, because('hasLegalForm'));
  const trades = count(words, (w) => tradeWords.has(w.replace(/[.,]/g, '')));
  tally.add(Math.min(2.4, 1.6 * trades), because('saysTrade'));
  const agreement = likenessToDomain(text, evidence);
  if (agreement > 0.45) tally.add(4.2 * agreement, because('agreesWithDomain'));
  const personal = Math.max(0, ...evidence.localParts.map((local) => localPartAgreement(text, local)));
  const isMailbox = trades > 0 && evidence.domains.every(isFreeMail) && isInMailbox(words, evidence);
  if (isMailbox) tally.add(2.5, because('inMailbox'));
  else if (agreement < 0.6 && !isFirmsMailbox(candidate, evidence)) tally.add(-2.5 * personal);
  const inMailbox = Math.max(0, ...evidence.localParts.map((local) => mailboxAgreement(text, local)));
  if (words.length > 1 && inMailbox > 0.9 && trades > 0) tally.add(2.5, because('inMailbox'));
  if (hasTitleWord(text) && agreement < 0.6) tally.add(-2.2);
  if (looksLikeSomebody(text)) tally.add(-2.5);
  else if (words.some((w) => givenNames.has(w)) && agreement < 0.5) tally.add(-1);
  if (/\d/.test(text)) tally.add(-1.2);
  tally.add(-0.9 * proseLevel(withoutLegalForm(text)));
  if (relativeHeight(candidate) > 1.15) tally.add(0.7, because('isLarge'));
  if (departmentTopics.has(text)) tally.add(-2);
  if (agreement < 0.45 && !hasLegalForm(text)) tally.add(-1.8 * count(words, (w) => departmentHeads.has(w)));
  // Several words in small letters are a note.
  const isMark = words.length === 1 || trades > 0 || words.some(capitalised);
  const isAlone = evidence.domains.length === 0 && evidence.localParts.length === 0;
  if (isAlone && isMark && candidate.lines.some((l) => l.isTallest)) {
    tally.add(2.3, because('isLargest'));
  }
  if (words.length === 1 && agreement < 0.45) tally.add(-0.8);
  if (looksLikeStreet(text) && agreement < 0.5 && /\d/.test(text)) tally.add(-2);
  return tally;
}

/**
 * What speaks for a company beside the name where no domain tells the firm: a mailbox at a free-mail provider that is
 * called after it and not after the person, or a place by itself at the head of the card.
 */
export function scoreFirmOfName(company: Candidate, name: Candidate, evidence: CardEvidence): RoleScore {
  const tally = new Tally();
  if (!evidence.domains.every(isFreeMail)) return tally;
  const key = foldTight(company.text);
  const isCalledSo = (local: string) =>
    foldTight(local) === key || local.split(/[._-]+/).some((p) => foldTight(p) === key);
  const isTheirs = evidence.localParts.some(
    (local) => key.length > 4 && isCalledSo(local) && localPartAgreement(name.text, local) < 0.3,
  );
  if (isTheirs) tally.add(FIRM_OF_NAME, because('inMailbox'));
  if (isTheirs) return tally;
  const words = wordsOf(company.text);
  const mayBeFirm = words.length <= 4 && words.every(capitalised) && !/\d/.test(company.text);
  const [line, below] = [company.lines[0]!, name.lines[0]!];
  const isAtHead = line.isTopmost && below.top - line.bottom > 1.5 * line.height;
  if (mayBeFirm && isAtHead) tally.add(AT_THE_HEAD, because('atTheHead'));
  return tally;
}

/** What a firm's mailbox is worth, and a lone line at the head. */
export const FIRM_OF_NAME = 3;
const AT_THE_HEAD = 2.4;

/** "Panadería La Espiga" at laespiga@, and "Treviño Custom Tile" at trevinotile@, of a free-mail provider. */
const isInMailbox = (words: readonly string[], { localParts }: CardEvidence): boolean =>
  words.some(
    (word) =>
      foldTight(word).length > 4 &&
      !tradeWords.has(word) &&
      !givenNames.has(word) &&
      localParts.some((local) => foldTight(local).includes(foldTight(word))),
  );

const mailboxAgreement = (text: string, local: string): number => {
  const key = fold(local).replace(/[^a-z]/g, '');
  const name = fold(text).replace(/[^a-z]/g, '');
  return key.length > 5 && name.startsWith(key.slice(0, Math.max(6, Math.floor(key.length * 0.8)))) ? 1 : 0;
};

/** What an ending like that of "Tea Taster" is worth, where no word for a position stands. */
const AGENT = 0.7;

export function scoreTitle(candidate: Candidate, evidence?: CardEvidence): RoleScore {
  const tally = new Tally();
  const words = wordsOf(candidate.text).map((w) => w.replace(/[.:,®™]/g, ''));
  if (words.length === 0 || words.length > 10 || /[@]|\d{3}/.test(candidate.text)) return { score: -9, reasons: [] };
  const heads = count(words, (w) => titleHeads.has(w));
  if (evidence?.said?.title && foldTight(candidate.text) === evidence.said.title) tally.add(SAID, SAID_REASON);
  if (heads === 0 && words.some((w) => evidence?.knownTitleWords?.has(fold(w))))
    tally.add(KNOWN, because('holdsLearnedTitle'));
  if (heads === 0)
    tally.add(
      -(count(words, (w) => sloganWords.has(w)) + (words.length > 4 || /["“„«!]/.test(candidate.text) ? 1 : 0)),
    );
  if (heads > 0) tally.add(3 + 0.3 * (heads - 1), because('holdsTitleWord'));
  else if (words.length <= 3 && agentEndings.test(words[words.length - 1]!)) tally.add(AGENT, because('endsLikeTrade'));
  tally.add(Math.min(1.5, 0.6 * count(words, (w) => titleModifiers.has(w) || departmentTopics.has(w))));
  if (hasLegalForm(candidate.text)) tally.add(-3);
  // "Refrigeration Technician" is no firm.
  const isTradesman = words.length === 2 && titleHeads.has(words[1]!);
  const trades = count(words, (w) => tradeWords.has(w) && !titleHeads.has(w) && !titleModifiers.has(w));
  if (!isTradesman) tally.add(-0.7 * trades);
  if (words.some((w) => givenNames.has(w))) tally.add(-1);
  if (/\d/.test(candidate.text)) tally.add(-1.5);
  // "Geschäftsführer:" says who that is.
  if (/:$/.test(candidate.text)) tally.add(-4);
  if (/[!?]|\.$/.test(candidate.text) && words.length > 2) tally.add(-1.5);
  if (heads === 0 && (departmentHeads.has(words[0]!) || departmentTopics.has(candidate.text))) tally.add(-1.5);
  // "rafts · rods · guides" is what they do.
  const whole = candidate.lines[0]?.read.text ?? candidate.text;
  if (/[·•|].*[·•|]/.test(whole) && !/\p{Lu}/u.test(whole)) tally.add(-4);
  if (titleJoiners.has(words[words.length - 1]!)) tally.add(-1);
  if (holdsDepartment(candidate.text)) tally.add(-2);
  return tally;
}

/** A position and a department on one line between marks are two things. */
const holdsDepartment = (text: string): boolean =>
  /[|·•]/.test(text) &&
  text
    .split(/[|·•]/)
    .some((piece) => !hasTitleWord(piece) && scoreDepartment({ text: piece.trim(), lines: [] }).score >= 2);

export function scoreDepartment(candidate: Candidate): RoleScore {
  const tally = new Tally();
  const words = wordsOf(candidate.text).map((w) => w.replace(/[.:,®™]/g, ''));
  if (words.length === 0 || words.length > 6 || /[\d@]/.test(candidate.text)) return { score: -9, reasons: [] };
  if (departmentTopics.has(candidate.text)) tally.add(2.6, because('namesDepartment'));
  else if (words.some((w) => departmentHeads.has(w))) tally.add(2.4, because('namesDepartment'));
  else if (words.every((w) => departmentTopics.has(w) || titleJoiners.has(w))) tally.add(1.6, because('namesTopic'));
  if (hasTitleWord(candidate.text) && !departmentHeads.has(words[0]!)) tally.add(-2.5);
  if (hasLegalForm(candidate.text)) tally.add(-3);
  return tally;
}
