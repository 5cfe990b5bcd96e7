import { parsePhoneNumberFromString } from 'libphonenumber-js/max';
import { isPoorPicture } from '../../capture';
import { fold, foldTight } from '../../text';
import { isFreeMail, registeredDomain } from '../../text/domains';
import { hasLegalForm } from '../../text/legalForm';
import { tradeWords } from '../../text/tables/companyWords';
import { departmentTopics } from '../../text/tables/departmentWords';
import { givenNames, nameParticles } from '../../text/tables/nameWords';
import { titleHeads, titleJoiners, titleModifiers } from '../../text/tables/titleWords';
import { hasStreetWord } from '../address';
import { isNextInBlock, type CardLine } from '../cardLine';
import { isMadeOf, localPartAgreement } from '../names';
import type { FieldName, SourceSpan } from '../proposal';
import { domainAgreement, likeUnknownWords } from '../roles';
import { hasItsAccents } from '../tables/accentedNames';
import { isAtHome, isForeign } from '../tables/alphabets';
import { countriesOfTowns } from '../tables/towns';
import type { ReadCharacter, Reading, ReadLine } from '../types';
import type { UnscoredProposal } from '../unscoredProposal';
import { EXACT_FIELDS, type Features } from './models';

/** From here on the letters of an unknown word are like those of a position, −1 to 1. */
const LIKE_A_TITLE = 0.25;

/** What a proposal is judged by: the card as it was read and what else is proposed for it. */
export interface JudgedCard {
  /** As the engine read it. */
  reading: Reading;
  /** The same lines after repairs; each character has its place. */
  lines: readonly ReadLine[];
  geometry: readonly CardLine[];
  drafts: readonly UnscoredProposal[];
  /** ISO 3166 code, where it is told. */
  country: string | undefined;
}

const NAME: readonly FieldName[] = ['givenName', 'middleName', 'familyName'];

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));
const flag = (is: boolean): number => (is ? 1 : 0);
const logit = (p: number): number => Math.log(p / (1 - p));

/** What speaks for a value and against it, in figures. */
export function featuresOf(draft: UnscoredProposal, card: JudgedCard): Features {
  const features: Record<string, number> = { ...ofCharacters(draft, card), ...ofChoice(draft, card), ...ofPlace(draft, card), ...ofValue(draft, card) }; // prettier-ignore
  return Object.fromEntries(Object.entries(features).filter(([, value]) => value !== 0));
}

/** Lines that proposals come from. */
export const claimedLines = (drafts: readonly UnscoredProposal[]): Set<number> =>
  new Set(drafts.flatMap(({ sources }) => sources.map(({ line }) => line)));

const charactersAt = (lines: readonly ReadLine[], { line, from, to }: SourceSpan): ReadCharacter[] =>
  lines[line]?.characters.slice(from, to).filter(({ text }) => text !== ' ') ?? [];

/** What print and engine take for each other without a difference: cases, and kinds of apostrophe. */
const alike = (letter: string): string => (/[’‘`´]/.test(letter) ? "'" : letter.toLowerCase());

/** How sure the engine was of a letter; of the same letter under another accent, of a country where one is given, and of another letter. */
function certaintyOf({ text, probability, alternatives }: ReadCharacter, country: string | undefined): { own: number; accent: number; other: number } {
  const sum = (is: (other: string) => boolean) => alternatives.reduce((all, other) => all + (is(other.text) ? other.probability : 0), 0);
  const [letter, base] = [alike(text), fold(text)];
  const isWritten = (other: string) => country === undefined || /[a-z]/i.test(other) || (isAtHome(other, country) && !isForeign(other, country));
  return {
    own: Math.min(1, probability + sum((other) => alike(other) === letter || (fold(other) === base && !isWritten(other)))),
    accent: sum((other) => alike(other) !== letter && fold(other) === base && isWritten(other)),
    other: sum((other) => alike(other) !== letter && fold(other) !== base),
  };
} // prettier-ignore

/** 0 for a probability of no weight, 1 for certainty, in steps of tenfold. */
const ofTenfold = (probability: number, steps: number): number => clamp(1 + Math.log10(Math.max(1e-9, probability)) / steps, 0, 1); // prettier-ignore

/** How sure the engine was of the characters. */
function ofCharacters({ field, sources }: UnscoredProposal, { reading, lines, country }: JudgedCard): Record<string, number> {
  const front = sources.filter(({ side }) => side === undefined);
  const places = front.map((span) => charactersAt(lines, span).map((character) => certaintyOf(character, NAME.includes(field) ? undefined : country))).filter((characters) => characters.length > 0);
  if (places.length === 0) return { inferred: 1 };
  const leastOf = (characters: readonly { own: number }[]) => Math.min(...characters.map(({ own }) => own));
  const surest = places.toSorted((a, b) => leastOf(b) - leastOf(a))[0]!;
  const characters = EXACT_FIELDS.includes(field) ? surest : places.flat();
  const least = leastOf(characters);
  const [rivalAccent, rivalLetter] = [Math.max(...characters.map(({ accent }) => accent)), Math.max(...characters.map(({ other }) => other))];
  return {
    leastSure: clamp(logit(clamp(least, 0.02, 0.9999)) / 9, -0.4, 1),
    unsure: clamp((10 * characters.reduce((sum, { own }) => sum - Math.log(clamp(own, 0.01, 1)), 0)) / characters.length, 0, 1),
    doubtfulCharacters: clamp(characters.filter(({ own }) => own < 0.9).length / 4, 0, 1),
    below70: flag(least < 0.7),
    below90: flag(least < 0.9),
    below99: flag(least < 0.99),
    rivalLetter: ofTenfold(rivalLetter, 3),
    rivalAccent: ofTenfold(rivalAccent, 3),
    likelyAccent: flag(rivalAccent > 0.03),
    accentAsLikely: clamp(2 * rivalAccent, 0, 1),
    poorPicture: flag(reading.quality !== undefined && isPoorPicture(reading.quality)),
    printedTwice: flag(EXACT_FIELDS.includes(field) && places.length > 1),
  };
} // prettier-ignore

const printedAt = ({ sources }: UnscoredProposal, { reading }: JudgedCard): string =>
  sources
    .filter(({ side }) => side === undefined)
    .map(({ line, from, to }) => reading.lines[line]?.text.slice(from, to) ?? '')
    .join(' ');

/** How sure the choice of the role was, and what was changed. */
function ofChoice(draft: UnscoredProposal, card: JudgedCard): Record<string, number> {
  const { reading, lines, drafts } = card;
  const { trust, certainty, disagreement, runnersUp = [], sources, value, field } = draft;
  const printed = printedAt(draft, card);
  const isSame = field === 'phone' ? printed.replace(/\D/g, '').endsWith(value.slice(-6)) : foldTight(printed).includes(foldTight(value)); // prettier-ignore
  const rivals = drafts.filter((other) => other !== draft && other.field === field).length;
  return {
    trust: clamp(trust, -2, 8) / 8,
    weakRole: flag(trust < 2),
    told: certainty === undefined ? 0 : clamp(logit(clamp(certainty, 0.05, 0.995)) / 5, -0.6, 1.06),
    contested: flag(disagreement !== undefined),
    offered: clamp(runnersUp.length / 3, 0, 1),
    changed: flag(sources.length > 0 && !isSame),
    ...repairsAt(sources, reading.lines, lines),
    severalSuch: clamp(rivals / 2, 0, 1),
    joined: flag(!EXACT_FIELDS.includes(field) && sources.length > 1),
  };
}

/** Letters that a repair of the line made other ones, and those that it gave or took an accent. */
function repairsAt(sources: readonly SourceSpan[], read: readonly ReadLine[], repaired: readonly ReadLine[]): Record<string, number> {
  const pairs = sources
    .filter(({ side }) => side === undefined)
    .flatMap(({ line, from, to }) => [...(read[line]?.text.slice(from, to) ?? '')].map((letter, i) => [letter, repaired[line]!.text[from + i] ?? letter] as const))
    .filter(([letter, other]) => letter.toLowerCase() !== other.toLowerCase());
  return {
    repairedLetter: flag(pairs.some(([letter, other]) => fold(letter) !== fold(other))),
    repairedAccent: flag(pairs.some(([letter, other]) => fold(letter) === fold(other))),
  };
} // prettier-ignore

/** What stands around it that nothing claims: the rest of it, perhaps. */
function ofPlace({ sources, field }: UnscoredProposal, { geometry, drafts, reading }: JudgedCard): Record<string, number> {
  const front = sources.filter(({ side }) => side === undefined);
  const own = geometry.filter(({ index }) => front.some(({ line }) => line === index));
  if (own.length === 0) return {};
  const claimed = claimedLines(drafts);
  const loose = geometry.filter(({ index, text }) => !claimed.has(index) && /\p{L}{3}/u.test(text) && !/[@\d]/.test(text));
  const near = (a: CardLine, b: CardLine) => isNextInBlock(a, b, 1.25);
  const [first, last] = [own[0]!, own[own.length - 1]!];
  const unclaimedOn = ({ index }: CardLine) => {
    const spans = drafts.flatMap((other) => other.sources.filter((span) => span.line === index && span.side === undefined));
    const text = reading.lines[index]!.text;
    return [...text].filter((letter, i) => /[\p{L}\d]/u.test(letter) && !spans.some(({ from, to }) => i >= from && i < to)).length / Math.max(1, text.length);
  };
  const neighbours = geometry.filter((line) => claimed.has(line.index) && !own.includes(line) && (near(last, line) || near(line, first)));
  const margin = 0.012 * reading.width;
  return {
    looseBelow: flag(loose.some((line) => near(last, line))),
    looseAbove: flag(loose.some((line) => near(line, first))),
    looseBeside: clamp(Math.max(...own.map(unclaimedOn)) * 2, 0, 1),
    looseLines: clamp(loose.length / 3, 0, 1),
    looseOnNext: flag(neighbours.some((line) => unclaimedOn(line) > 0.2)),
    atEdge: flag(own.some(({ left, right }) => left < margin || right > reading.width - margin)),
    small: flag(Math.min(...own.map(({ height }) => height)) < 0.028 * Math.min(reading.width, reading.height)),
    large: flag(!EXACT_FIELDS.includes(field) && Math.max(...own.map(({ relativeHeight }) => relativeHeight)) > 1.2),
    topmost: flag(own.some(({ isTopmost }) => isTopmost)),
  };
} // prettier-ignore

const frontOf = ({ sources }: UnscoredProposal): SourceSpan | undefined =>
  sources.find(({ side }) => side === undefined);
const beforeIt = (draft: UnscoredProposal, { reading }: JudgedCard): string => {
  const at = frontOf(draft);
  return at ? (reading.lines[at.line]?.text.slice(0, at.from) ?? '') : '';
};
const afterIt = (draft: UnscoredProposal, { reading }: JudgedCard): string => {
  const at = frontOf(draft);
  return at ? (reading.lines[at.line]?.text.slice(at.to) ?? '') : '';
};
const wordsAt = ({ line, from, to }: SourceSpan, { reading }: JudgedCard): string[] =>
  (reading.lines[line]?.text.slice(from, to) ?? '').split(/[\s/|,·•&-]+/).filter(Boolean);

/** Words of lines that nothing claims. */
function looseWords({ drafts, geometry }: JudgedCard): string[] {
  const claimed = claimedLines(drafts);
  return geometry
    .filter(({ index }) => !claimed.has(index))
    .flatMap(({ text }) => text.split(/\s+/).map(foldTight))
    .filter((word) => word.length >= 4);
}

/** Whether a word of it stands elsewhere with one letter read otherwise. */
function isNearWordOf(value: string, others: readonly string[]): boolean {
  const wordsOf = (text: string) => text.split(/[\s./_-]+/).map(foldTight).filter((word) => word.length >= 5); // prettier-ignore
  const told = others.map(foldTight);
  return wordsOf(value).some((word) => !told.some((text) => text.includes(word)) && told.some((text) => hasWithOneOther(text, word))); // prettier-ignore
}

/** Whether a word stands in a text with one letter another one. */
function hasWithOneOther(text: string, word: string): boolean {
  for (let at = 0; at + word.length <= text.length; at++) {
    let other = 0;
    for (let i = 0; i < word.length && other < 2; i++) if (text[at + i] !== word[i]) other++;
    if (other === 1) return true;
  }
  return false;
}

/** Whether the 0 is not printed with which such a number is dialled at home. */
function isTrunkless(draft: UnscoredProposal, card: JudgedCard): boolean {
  const number = parsePhoneNumberFromString(draft.value);
  const hasTrunk = number?.formatNational().replace(/\D/g, '') === `0${number?.nationalNumber}`;
  return hasTrunk && !/^\P{N}*0/u.test(printedAt(draft, card));
}

/** Whether the value is like what it should be, and what else the card says of it. */
function ofValue(draft: UnscoredProposal, card: JudgedCard): Record<string, number> {
  const { drafts } = card;
  const { field, value } = draft;
  const valuesOf = (name: FieldName) => drafts.filter((other) => other.field === name && other !== draft).map((other) => other.value); // prettier-ignore
  const emails = valuesOf('email');
  const locals = emails.map((email) => email.split('@')[0]!);
  const domains = [...emails.map((email) => email.split('@')[1] ?? ''), ...valuesOf('website').map((site) => site.split('/')[0]!)];
  const words = value.split(/[\s/|,·•&-]+/).filter(Boolean);
  const share = (is: (word: string) => boolean) => words.filter(is).length / Math.max(1, words.length);
  const name = NAME.flatMap((part) => drafts.filter((other) => other.field === part).map((other) => other.value)).join(' ');
  const odd = words.some((word) => /\p{Ll}\p{Lu}{2}|\p{Lu}{2}\p{Ll}|[\d@|!?*=<>]|\p{Ll}\.\p{L}/u.test(word));
  if (NAME.includes(field)) {
    return {
      odd: flag(odd),
      agrees: Math.max(0, ...locals.map((local) => localPartAgreement(name, local))),
      inMailbox: flag(locals.some((local) => foldTight(value).length > 2 && foldTight(local).includes(foldTight(value)))),
      alone: flag(locals.length === 0),
      known: flag(words.some((word) => givenNames.has(word))),
      knownAccent: flag(words.some((word) => hasItsAccents(word, card.country))),
      otherKnown: flag(field !== 'givenName' && givenNames.has(valuesOf('givenName')[0] ?? '')),
      long: clamp((words.length - 1) / 3, 0, 1),
      short: flag(value.replace(/\P{L}/gu, '').length < 3),
      trade: flag(words.some((word) => tradeWords.has(word) || titleHeads.has(word) || departmentTopics.has(word))),
      particles: flag(words.some((word) => nameParticles.has(word))),
      asFirm: Math.max(0, ...domains.map((domain) => domainAgreement(name, domain))),
      apart: flag(claimedLines(drafts.filter((other) => NAME.includes(other.field))).size > 1),
      manyParts: clamp((name.split(/\s+/).length - 2) / 2, 0, 1),
      nearFirm: flag(isNearWordOf(value, [...valuesOf('company'), ...locals, ...domains])),
    };
  }
  if (field === 'title' || field === 'department') {
    const isKnown = (word: string) => titleHeads.has(word) || titleModifiers.has(word) || titleJoiners.has(word) || departmentTopics.has(word) || tradeWords.has(word);
    return {
      odd: flag(odd),
      known: share(isKnown),
      unknownWords: clamp(words.filter((word) => word.length > 3 && !isKnown(word)).length / 2, 0, 1),
      nearKnown: flag(words.some((word) => word.length > 4 && !isKnown(word) && [titleHeads, titleModifiers, departmentTopics].some((list) => list.oneLetterFrom(word).length > 0))),
      long: clamp((words.length - 3) / 4, 0, 1),
      single: flag(words.length === 1),
      noHead: flag(!words.some((word) => titleHeads.has(word))),
      // A motto under a name stands where a position does.
      lettersAgainst: words.some((word) => titleHeads.has(word)) ? 0 : clamp((LIKE_A_TITLE - (likeUnknownWords(value)?.title ?? 0)) / 2, 0, 1),
      goesOn: flag(/(?:[-,&/]|\b(?:of|de|du|des|für|per|til|och|and|und|et|y|e|van|voor|d))$/iu.test(value) || /\([^)]*$/.test(value)),
      strangeLine: flag(draft.sources.length > 1 && draft.sources.some((span) => !wordsAt(span, card).some(isKnown))),
    };
  }
  if (field === 'company') {
    const agreement = Math.max(0, ...domains.map((domain) => domainAgreement(value, domain)));
    return {
      odd: flag(odd || /www|\.\p{Ll}{2,}$/iu.test(value)),
      agrees: agreement,
      agreesLittle: flag(agreement > 0 && agreement < 0.75),
      alone: flag(domains.every((domain) => isFreeMail(domain))),
      form: flag(hasLegalForm(value)),
      trade: flag(words.some((word) => tradeWords.has(word))),
      single: flag(words.length === 1),
      long: clamp((words.length - 3) / 4, 0, 1),
      person: flag(words.some((word) => givenNames.has(word))),
      looseInDomain: flag(looseWords(card).some((word) => domains.some((domain) => foldTight(domain).includes(word)) && !foldTight(value).includes(word))),
      nearDomain: flag(isNearWordOf(value, [...locals, ...domains])),
      goesOn: flag(/(?:[-,&/]|\b(?:of|de|du|des|für|und|and|et|y|e|van|voor))$/iu.test(value)),
    };
  }
  if (field === 'email') {
    const [local = '', domain = ''] = value.split('@');
    const firm = valuesOf('company')[0] ?? '';
    return {
      byName: flag(isMadeOf(name, local)),
      byFirm: Math.max(domainAgreement(firm, domain), flag(foldTight(firm).length > 3 && foldTight(local).includes(foldTight(firm.split(' ')[0] ?? '')))),
      nameless: flag(!isMadeOf(name, local) && localPartAgreement(name, local) < 0.5),
      sameDomain: flag(domains.some((other) => registeredDomain(other) === registeredDomain(domain))),
      freeMail: flag(isFreeMail(domain)),
      letterBefore: flag(/^[eilm1]/.test(local) && !isMadeOf(name, local)),
      wordBefore: flag(/\p{L}{3}\s*$/u.test(beforeIt(draft, card))),
      nearName: flag(isNearWordOf(domain.split('.')[0]!, [firm, name, ...local.split(/[._-]/)]) || local.split(/[._-]/).some((word) => isNearWordOf(word, [firm, name, domain.split('.')[0]!]))),
      digits: flag(/\d/.test(local)),
      confusable: clamp((local.match(/[il1o0]/g)?.length ?? 0) / 4, 0, 1),
      signs: flag(/[._-]/.test(local)),
    };
  }
  if (field === 'website') return { sameDomain: flag(domains.some((other) => registeredDomain(other) === registeredDomain(value.split('/')[0]!))), path: flag(value.includes('/')), byFirm: Math.max(0, ...valuesOf('company').map((firm) => domainAgreement(firm, value.split('/')[0]!))) }; // prettier-ignore
  if (field === 'phone') {
    const isNational = !/^\s*\(?(?:\+|00)/.test(printedAt(draft, card).replace(/^\P{N}*(?=[+(\d])/u, ''));
    const isPlaced = valuesOf('postalCode').length > 0;
    return {
      fax: flag(draft.phoneKind === 'fax'),
      extension: flag(draft.extension !== undefined),
      few: flag(value.replace(/\D/g, '').length < 10),
      national: flag(isNational),
      nationalUnplaced: flag(isNational && !isPlaced),
      unlabelled: flag(!draft.reasons.some(({ code }) => code === 'hasLabel')),
      strangeLabel: flag(!draft.reasons.some(({ code }) => code === 'hasLabel') && /\p{L}{2}\P{L}*$/u.test(beforeIt(draft, card))),
      trunkless: flag(isNational && isTrunkless(draft, card)),
      brokenOff: flag(/^\s*[\d()/.-]*\d/.test(afterIt(draft, card))),
      american: flag(isNational && value.startsWith('+1')),
      otherCountry: flag(valuesOf('phone').some((other) => other.slice(0, 3) !== value.slice(0, 3))),
    };
  }
  if (field === 'street') {
    return {
      odd: flag((odd && /[|!?*=<>@]/.test(value)) || /[·|•.,]\s*\p{L}?-?$/u.test(value.replace(/\p{L}\.$/u, '')) || /(?<!\p{L})\d*[lIO]\d*\p{Ll}?$/u.test(value)),
      numbered: flag(/\d/.test(value)),
      streetWord: flag(hasStreetWord(value)),
      long: clamp((words.length - 3) / 5, 0, 1),
      oneWord: flag(words.length === 1),
      comma: flag(value.includes(',')),
      short: flag(value.length < 8),
      strangeLine: flag(draft.sources.length > 1 && draft.sources.some((span) => !/\d/.test(wordsAt(span, card).join(' ')) && !hasStreetWord(wordsAt(span, card).join(' ')))),
    };
  }
  if (field === 'locality') return { odd: flag(odd || /\d/.test(value)), known: flag(countriesOfTowns(value).length > 0), long: clamp((words.length - 1) / 3, 0, 1), shouting: flag(value === value.toUpperCase() && fold(value).length > 3), letters: flag(/\b\p{Lu}{2}$/u.test(value)) }; // prettier-ignore
  return {};
} // prettier-ignore
