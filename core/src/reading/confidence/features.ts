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
import { domainAgreement } from '../roles';
import { countriesOfTowns } from '../tables/towns';
import type { ReadCharacter, Reading, ReadLine } from '../types';
import type { UnscoredProposal } from '../unscoredProposal';
import { EXACT_FIELDS, type Features } from './models';

/** What a proposal is judged by: the card as it was read and what else is proposed for it. */
export interface JudgedCard {
  /** As the engine read it. */
  reading: Reading;
  /** The same lines after repairs; each character has its place. */
  lines: readonly ReadLine[];
  geometry: readonly CardLine[];
  drafts: readonly UnscoredProposal[];
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

const charactersAt = (lines: readonly ReadLine[], { line, from, to }: SourceSpan): ReadCharacter[] =>
  lines[line]?.characters.slice(from, to).filter(({ text }) => text !== ' ') ?? [];

/** How sure the engine was of the characters. */
function ofCharacters({ field, sources }: UnscoredProposal, { reading, lines }: JudgedCard): Record<string, number> {
  const front = sources.filter(({ side }) => side === undefined);
  const places = front.map((span) => charactersAt(lines, span)).filter((characters) => characters.length > 0);
  if (places.length === 0) return { inferred: 1 };
  const leastOf = (characters: readonly ReadCharacter[]) => Math.min(...characters.map(({ probability }) => probability)); // prettier-ignore
  const surest = places.toSorted((a, b) => leastOf(b) - leastOf(a))[0]!;
  const characters = EXACT_FIELDS.includes(field) ? surest : places.flat();
  const doubtful = characters.filter(({ probability }) => probability < 0.9);
  const rival = Math.max(0, ...characters.map(({ alternatives }) => alternatives[0]?.probability ?? 0));
  const accented = characters.filter(({ text }) => text > '\u00bf' && /\p{L}/u.test(text));
  return {
    leastSure: clamp(logit(clamp(leastOf(characters), 0.02, 0.9999)) / 9, -0.4, 1),
    unsure: clamp((10 * characters.reduce((sum, { probability }) => sum - Math.log(clamp(probability, 0.01, 1)), 0)) / characters.length, 0, 1),
    doubtfulCharacters: clamp(doubtful.length / 4, 0, 1),
    below70: flag(leastOf(characters) < 0.7),
    below90: flag(doubtful.length > 0),
    below99: flag(leastOf(characters) < 0.99),
    rivalCharacter: rival,
    doubtfulAccent: flag(accented.some(({ probability }) => probability < 0.95)),
    lostAccent: clamp(1 + Math.log10(Math.max(1e-9, ...characters.flatMap(({ alternatives }) => alternatives.filter(({ text }) => text > '\u00bf').map(({ probability }) => probability)))) / 4, 0, 1),
    poorPicture: flag(reading.quality !== undefined && isPoorPicture(reading.quality)),
    printedTwice: flag(EXACT_FIELDS.includes(field) && places.length > 1),
  }; // prettier-ignore
}

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
  const claimed = new Set(drafts.flatMap((other) => other.sources.map(({ line }) => line)));
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
    looseOnNext: flag(neighbours.some((line) => unclaimedOn(line) > 0.2)),
    atEdge: flag(own.some(({ left, right }) => left < margin || right > reading.width - margin)),
    small: flag(Math.min(...own.map(({ height }) => height)) < 0.028 * Math.min(reading.width, reading.height)),
    large: flag(!EXACT_FIELDS.includes(field) && Math.max(...own.map(({ relativeHeight }) => relativeHeight)) > 1.2),
    topmost: flag(own.some(({ isTopmost }) => isTopmost)),
  };
} // prettier-ignore

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
      otherKnown: flag(field !== 'givenName' && givenNames.has(valuesOf('givenName')[0] ?? '')),
      long: clamp((words.length - 1) / 3, 0, 1),
      short: flag(value.replace(/\P{L}/gu, '').length < 3),
      trade: flag(words.some((word) => tradeWords.has(word) || titleHeads.has(word) || departmentTopics.has(word))),
      particles: flag(words.some((word) => nameParticles.has(word))),
      asFirm: Math.max(0, ...domains.map((domain) => domainAgreement(name, domain))),
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
      goesOn: flag(/(?:[-,&/]|\b(?:of|de|du|des|für|per|til|och|and|und|et|y|e|van|voor|d))$/iu.test(value)),
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
      unlabelled: flag(!draft.reasons.includes('has a label')),
      american: flag(isNational && value.startsWith('+1')),
      otherCountry: flag(valuesOf('phone').some((other) => other.slice(0, 3) !== value.slice(0, 3))),
    };
  }
  if (field === 'street') return { odd: flag(odd && /[|!?*=<>@]/.test(value)), numbered: flag(/\d/.test(value)), streetWord: flag(hasStreetWord(value)), long: clamp((words.length - 3) / 5, 0, 1), comma: flag(value.includes(',')), short: flag(value.length < 8) }; // prettier-ignore
  if (field === 'locality') return { odd: flag(odd || /\d/.test(value)), known: flag(countriesOfTowns(value).length > 0), long: clamp((words.length - 1) / 3, 0, 1), shouting: flag(value === value.toUpperCase() && fold(value).length > 3), letters: flag(/\b\p{Lu}{2}$/u.test(value)) }; // prettier-ignore
  return {};
} // prettier-ignore
