import { fold, foldTight } from '../../text';
import { isFreeMail } from '../../text/domains';
import { hasLegalForm, withoutLegalForm } from '../../text/legalForm';
import { tradeWords } from '../../text/tables/companyWords';
import { departmentHeads, departmentTopics } from '../../text/tables/departmentWords';
import { givenNames } from '../../text/tables/nameWords';
import { looksLikeStreet } from '../address';
import { isLikeCompany } from '../learning';
import { hasTitleWord, localPartAgreement } from '../names';
import { counties, spanishProvinces } from '../tables/addressWords';
import { isLabel } from '../tables/labels';
import { countriesOfTowns } from '../tables/towns';
import { FeatureList } from './features';
import type { Candidate, CardEvidence, Features } from './models';
import {
  count,
  isCapitalised,
  isFirmsMailbox,
  isLarge,
  likenessToDomain,
  likeUnknownWords,
  looksLikeSomebody,
  proseLevel,
  wordsOf,
} from './textOfRole';

const MOST_WORDS = 8;
/** From here on agreement with a domain tells. */
const LIKE_DOMAIN = 0.45;
const CLEARLY_LIKE_DOMAIN = 0.6;
/** More trades than these in one name say no more. */
const MOST_TRADES = 1.5;

/** What speaks for a firm and against it; undefined for what is none. */
export function companyFeatures(candidate: Candidate, evidence: CardEvidence): Features | undefined {
  const { text, lines } = candidate;
  const words = wordsOf(text);
  if (!/\p{L}{2}/u.test(text) || words.length > MOST_WORDS || /@|^\W*in\//.test(text)) return undefined;
  const list = new FeatureList();
  const key = foldTight(text);
  const trades = count(words, (w) => tradeWords.has(w.replace(/[.,]/g, '')));
  const agreement = likenessToDomain(text, evidence);
  list.add('inCode', evidence.said?.company !== undefined && key === evidence.said.company);
  list.add('knownFirm', evidence.knownCompanies?.some((known) => isLikeCompany(key, known))); // prettier-ignore
  list.add('hasLegalForm', hasLegalForm(text));
  list.add('saysTrade', Math.min(MOST_TRADES, trades));
  if (agreement > LIKE_DOMAIN) list.add('agreesWithDomain', agreement);
  const personal = Math.max(0, ...evidence.localParts.map((local) => localPartAgreement(text, local)));
  const isMailbox = trades > 0 && evidence.domains.every(isFreeMail) && isInMailbox(words, evidence);
  if (isMailbox) list.add('inMailbox');
  else if (agreement < CLEARLY_LIKE_DOMAIN && !isFirmsMailbox(candidate, evidence)) list.add('mailboxOfPerson', personal); // prettier-ignore
  const beginsMailbox = evidence.localParts.some((local) => isMailboxBeginning(text, local));
  list.add('inMailbox', words.length > 1 && beginsMailbox && trades > 0);
  list.add('titleWord', hasTitleWord(text) && agreement < CLEARLY_LIKE_DOMAIN);
  if (looksLikeSomebody(text)) list.add('somebody');
  else list.add('givenName', words.some((w) => givenNames.has(w)) && agreement < 0.5); // prettier-ignore
  list.add('digits', /\d/.test(text));
  list.add('prose', proseLevel(withoutLegalForm(text)));
  list.add('isLarge', isLarge(candidate));
  list.add('topic', departmentTopics.has(text));
  if (agreement < LIKE_DOMAIN && !hasLegalForm(text)) list.add('departmentWords', count(words, (w) => departmentHeads.has(w))); // prettier-ignore
  list.add('smallLetters', agreement < LIKE_DOMAIN && words.length > 1 && !words.some(isCapitalised)); // prettier-ignore
  // Several words in small letters are a note.
  const isMark = words.length === 1 || trades > 0 || words.some(isCapitalised);
  const isAlone = evidence.domains.length === 0 && evidence.localParts.length === 0;
  list.add('isLargest', isAlone && isMark && lines.some((line) => line.isTallest)); // prettier-ignore
  list.add('oneWord', words.length === 1 && agreement < LIKE_DOMAIN);
  list.add('street', looksLikeStreet(text) && agreement < 0.5 && /\d/.test(text));
  list.add('letters', likeUnknownWords(text)?.trade ?? 0);
  list.add('label', isLabel(text));
  return list.features;
}

/** What lines of a firm say that is read as one: each by itself, and what they only say together. */
export function linesOfFirm({ text, lines }: Candidate, evidence: CardEvidence): Features {
  const list = new FeatureList();
  if (lines.length === 1) return list.features;
  const likeness = lines.map((line) => likenessToDomain(line.text, evidence));
  list.add('joinsDomain', Math.max(0, likenessToDomain(text, evidence) - Math.max(...likeness)));
  list.add('besideDomain', Math.max(...likeness) > CLEARLY_LIKE_DOMAIN && Math.min(...likeness) < LIKE_DOMAIN);
  list.add('linesOfTrade', count(lines.map((line) => line.text), saysTrade)); // prettier-ignore
  list.add('lineOfSomebody', lines.some(({ index }) => evidence.named?.has(index))); // prettier-ignore
  list.add('lineOfTitle', lines.some((line) => hasTitleWord(line.text))); // prettier-ignore
  list.add('lineOfDepartment', lines.some((line) => isDepartment(line.text))); // prettier-ignore
  list.add('lineOfThings', lines.some((line) => /[·•|]|,.*,/.test(line.text))); // prettier-ignore
  list.add('lineOfPlace', lines.slice(1).some((line) => namesPlace(line.text))); // prettier-ignore
  list.add('longLines', lines.slice(1).filter((line) => wordsOf(line.text).length > 2).length); // prettier-ignore
  list.add('formWithin', lines.slice(0, -1).some((line) => hasLegalForm(line.text))); // prettier-ignore
  return list.features;
}

const isDepartment = (text: string): boolean => departmentTopics.has(text) || departmentHeads.has(wordsOf(text)[0] ?? ''); // prettier-ignore

const namesPlace = (text: string): boolean => countriesOfTowns(text).length > 0 || wordsOf(text).some((w) => counties.has(w) || spanishProvinces.has(w)); // prettier-ignore

const saysTrade = (text: string): boolean => wordsOf(text).some((w) => tradeWords.has(w.replace(/[.,]/g, '')));

/**
 * What speaks for a company beside the name where no domain tells the firm: a mailbox at a free-mail provider that is
 * called after it and not after the person, or a place by itself at the head of the card.
 */
export function firmOfNameFeatures(company: Candidate, name: Candidate, evidence: CardEvidence): Features {
  const list = new FeatureList();
  if (!evidence.domains.every(isFreeMail)) return list.features;
  const key = foldTight(company.text);
  const isCalledSo = (local: string) =>
    foldTight(local) === key || local.split(/[._-]+/).some((p) => foldTight(p) === key);
  const isTheirs = evidence.localParts.some(
    (local) => key.length > 4 && isCalledSo(local) && localPartAgreement(name.text, local) < 0.3,
  );
  if (isTheirs) {
    list.add('mailboxNotOfName');
    return list.features;
  }
  const words = wordsOf(company.text);
  const mayBeFirm = words.length <= 4 && words.every(isCapitalised) && !/\d/.test(company.text);
  const [line, below] = [company.lines[0]!, name.lines[0]!];
  list.add('atTheHead', mayBeFirm && line.isTopmost && below.top - line.bottom > 1.5 * line.height);
  return list.features;
}

/** "Panadería La Espiga" at laespiga@, and "Treviño Custom Tile" at trevinotile@, of a free-mail provider. */
const isInMailbox = (words: readonly string[], { localParts }: CardEvidence): boolean =>
  words.some(
    (word) =>
      foldTight(word).length > 4 &&
      !tradeWords.has(word) &&
      !givenNames.has(word) &&
      localParts.some((local) => foldTight(local).includes(foldTight(word))),
  );

const isMailboxBeginning = (text: string, local: string): boolean => {
  const key = fold(local).replace(/[^a-z]/g, '');
  const name = fold(text).replace(/[^a-z]/g, '');
  return key.length > 5 && name.startsWith(key.slice(0, Math.max(6, Math.floor(key.length * 0.8))));
};
