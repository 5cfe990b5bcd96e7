import { fold, foldTight } from '../../text';
import { hasLegalForm } from '../../text/legalForm';
import { tradeWords } from '../../text/tables/companyWords';
import { departmentHeads, departmentTopics } from '../../text/tables/departmentWords';
import { credentials, givenNames } from '../../text/tables/nameWords';
import { agentEndings, sloganWords, titleHeads, titleJoiners, titleModifiers } from '../../text/tables/titleWords';
import { hasTitleWord } from '../names';
import { streetWords } from '../tables/addressWords';
import { countriesOfTowns } from '../tables/towns';
import { isLabel } from '../tables/labels';
import { FeatureList } from './features';
import type { Candidate, CardEvidence, Features } from './models';
import { scoreOf } from './score';
import { count, likeUnknownWords, wordsOf } from './textOfRole';

const MOST_WORDS = 10;
const MOST_WORDS_OF_DEPARTMENT = 6;
/** More words like these in one position say no more. */
const MOST_MODIFIERS = 2.5;

const bareWords = (text: string): string[] => wordsOf(text).map((w) => w.replace(/[.:,®™]/g, ''));

/** What speaks for a position and against it; undefined for what is none. */
export function titleFeatures({ text, lines }: Candidate, evidence?: CardEvidence): Features | undefined {
  const words = bareWords(text);
  if (words.length === 0 || words.length > MOST_WORDS || /[@]|\d{3}/.test(text)) return undefined;
  const list = new FeatureList();
  const heads = count(words, (w) => titleHeads.has(w));
  list.add('inCode', evidence?.said?.title !== undefined && foldTight(text) === evidence.said.title);
  if (heads === 0) {
    list.add('letters', likeUnknownWords(text)?.title ?? 0);
    list.add('holdsLearnedTitle', words.some((w) => evidence?.knownTitleWords?.has(fold(w)))); // prettier-ignore
    list.add('sloganWords', count(words, (w) => sloganWords.has(w))); // prettier-ignore
    list.add('likeSlogan', words.length > 4 || /["“„«!]/.test(text));
    list.add('endsLikeTrade', words.length <= 3 && agentEndings.test(words[words.length - 1]!));
    list.add('department', departmentHeads.has(words[0]!) || departmentTopics.has(text));
  }
  list.add('holdsTitleWord', heads > 0);
  list.add('moreTitleWords', Math.max(0, heads - 1));
  list.add('modifiers', Math.min(MOST_MODIFIERS, count(words, (w) => titleModifiers.has(w) || departmentTopics.has(w)))); // prettier-ignore
  list.add('legalForm', hasLegalForm(text));
  // "Refrigeration Technician" is no firm.
  const isTradesman = words.length === 2 && titleHeads.has(words[1]!);
  if (!isTradesman) list.add('tradeWords', count(words, (w) => tradeWords.has(w) && !titleHeads.has(w) && !titleModifiers.has(w))); // prettier-ignore
  list.add('givenName', words.some((w) => givenNames.has(w))); // prettier-ignore
  list.add('digits', /\d/.test(text));
  // "Geschäftsführer:" says who that is.
  list.add('colonLast', /:$/.test(text));
  list.add('sentence', /[!?]|\.$/.test(text) && words.length > 2);
  // "rafts · rods · guides" is what they do.
  const whole = lines[0]?.read.text ?? text;
  list.add('listOfThings', /[·•|].*[·•|]/.test(whole) && !/\p{Lu}/u.test(whole));
  list.add('smallFirst', /^\P{L}*\p{Ll}/u.test(text));
  list.add('smallWords', count(words, (w) => /^\p{Ll}/u.test(w) && !titleJoiners.has(w) && !titleHeads.has(w)) / words.length); // prettier-ignore
  list.add('brackets', /[()]/.test(text));
  list.add('colonWithin', /:\s/.test(text));
  list.add('marks', (text.match(/[·•&|,]/g) ?? []).length);
  list.add('credentials', words.every((w) => credentials.has(w))); // prettier-ignore
  list.add('joinerLast', titleJoiners.has(words[words.length - 1]!));
  list.add('holdsDepartment', holdsDepartment(text));
  list.add('placeWords', count(words, (w) => streetWords.has(w))); // prettier-ignore
  list.add('town', countriesOfTowns(text).length > 0);
  list.add('label', isLabel(text));
  return list.features;
}

/** What speaks for a department and against it; undefined for what is none. */
export function departmentFeatures({ text }: Candidate): Features | undefined {
  const words = bareWords(text);
  if (words.length === 0 || words.length > MOST_WORDS_OF_DEPARTMENT || /[\d@]/.test(text)) return undefined;
  const list = new FeatureList();
  if (departmentTopics.has(text)) list.add('isTopic');
  else if (words.some((w) => departmentHeads.has(w))) list.add('namesDepartment');
  else list.add('namesTopic', words.every((w) => departmentTopics.has(w) || titleJoiners.has(w))); // prettier-ignore
  list.add('titleWord', hasTitleWord(text) && !departmentHeads.has(words[0]!));
  list.add('legalForm', hasLegalForm(text));
  return list.features;
}

/** From here on a text is surely a department. */
const SURELY = 2;

/** A position and a department on one line between marks are two things. */
const holdsDepartment = (text: string): boolean =>
  /[|·•]/.test(text) &&
  text
    .split(/[|·•]/)
    .some(
      (piece) =>
        !hasTitleWord(piece) &&
        scoreOf('department', departmentFeatures({ text: piece.trim(), lines: [] })).score >= SURELY,
    );
