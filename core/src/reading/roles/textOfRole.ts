import { hasLegalForm } from '../../text/legalForm';
import { isFreeMail } from '../../text/domains';
import { legalForms, tradeWords } from '../../text/tables/companyWords';
import { departmentHeads, departmentTopics } from '../../text/tables/departmentWords';
import { credentials, givenNames, namePrefixes, nameParticles } from '../../text/tables/nameWords';
import { sloganWords, titleHeads, titleJoiners, titleModifiers } from '../../text/tables/titleWords';
import { KINDS, kindsOfWord, type WordKind } from './wordKinds';
import { domainAgreement } from './companyFromDomain';
import type { Candidate, CardEvidence } from './models';

/** What any role asks of a text. */

export const wordsOf = (text: string): string[] => text.split(/[\s/|,·•]+/).filter(Boolean);
export const count = (words: readonly string[], test: (word: string) => boolean): number => words.filter(test).length;
export const isCapitalised = (word: string): boolean => /^\P{L}*\p{Lu}/u.test(word);
export const relativeHeight = ({ lines }: Candidate): number => Math.max(...lines.map((line) => line.relativeHeight));
/** Of type that is clearly larger than most of the card. */
export const isLarge = (candidate: Candidate): boolean => relativeHeight(candidate) > 1.15;

/** Everything that makes a line prose: sentence marks, several words in small letters. */
export function proseLevel(text: string): number {
  const words = wordsOf(text);
  const small = count(words, (w) => /^\p{Ll}/u.test(w) && !nameParticles.has(w));
  return (
    (/[.!?…]$/.test(text) && words.length > 2 ? 1.5 : 0) +
    (/[!?]|\.\s/.test(text) ? 1 : 0) +
    (words.length > 2 ? (2 * small) / words.length : 0)
  );
}

/** A common given name before one to three more words, none of which says what a firm does. */
export function looksLikeSomebody(text: string): boolean {
  const words = wordsOf(text);
  return (
    words.length >= 2 &&
    words.length <= 4 &&
    givenNames.has(words[0]!) &&
    words.every((w) => (isCapitalised(w) || nameParticles.has(w)) && !tradeWords.has(w) && !titleHeads.has(w)) &&
    !hasLegalForm(text) &&
    !/[\d&@]/.test(text)
  );
}

/** Whether some table tells what a word is. */
const isKnown = (word: string): boolean =>
  [titleHeads, titleModifiers, titleJoiners, sloganWords, departmentHeads, departmentTopics, givenNames, nameParticles, namePrefixes, credentials, tradeWords, legalForms].some((table) => table.has(word)); // prettier-ignore

const SHORTEST_WORD = 3;
/** More log-odds than these say no more. */
const MOST_ODDS = 4;

const logOdds = (p: number): number => Math.max(-MOST_ODDS, Math.min(MOST_ODDS, Math.log(p / (1 - p)))) / MOST_ODDS;

/**
 * What a text's words are like by their letters, −1 to 1: its likeliest word for a position and for a trade, and on average for somebody's name.
 * Undefined without such words. @param words whose letters are asked @param kindsOf tells how likely a word is of each of the kinds
 */
export function likeWords(words: readonly string[], kindsOf = kindsOfWord): Record<'title' | 'trade' | 'name', number> | undefined {
  const asked = words.filter((word) => word.length >= SHORTEST_WORD && /^\p{L}/u.test(word)).map((word) => kindsOf(word));
  if (asked.length === 0) return undefined;
  const of = (kind: WordKind) => asked.map((kinds) => logOdds(kinds[KINDS.indexOf(kind)]!));
  return { title: Math.max(...of('title')), trade: Math.max(...of('trade')), name: of('name').reduce((sum, odds) => sum + odds, 0) / asked.length };
} // prettier-ignore

/** As `likeWords`, of the words that no table knows. */
export const likeUnknownWords = (text: string) => likeWords(wordsOf(text).filter((word) => !isKnown(word)));

/** How well a text agrees with the one of the card's domains that it is most like, 0–1. */
export const likenessToDomain = (text: string, { domains }: CardEvidence): number =>
  Math.max(0, ...domains.map((domain) => domainAgreement(text, domain)));

/** How well the line beside a candidate that is most like a domain agrees with it, 0–1. */
export const likenessOfOthers = ({ lines }: Candidate, { likeness = new Map<number, number>() }: CardEvidence): number =>
  Math.max(0, ...[...likeness].filter(([index]) => lines.every((line) => line.index !== index)).map(([, like]) => like)); // prettier-ignore

/**
 * Whether a mailbox at a free-mail provider that is like a line may be the firm's: another line looks like the name, and
 * this one does not begin like one.
 */
export const isFirmsMailbox = ({ text, lines }: Candidate, { named, domains }: CardEvidence): boolean =>
  named !== undefined &&
  named.size > 0 &&
  !lines.some(({ index }) => named.has(index)) &&
  !(givenNames.has(wordsOf(text)[0]!) && count(wordsOf(text), (w) => tradeWords.has(w)) === 0) &&
  domains.every(isFreeMail);
