import { because, type ReasonCode } from '../reasons';
import { parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js/max';
import { isNextInBlock, type CardLine } from '../cardLine';
import { hasTitleWord } from '../names';
import type { FieldName, FieldProposal, RunnerUp } from '../proposal';
import { sloganWords } from '../../text/tables/titleWords';
import { isRegistration } from '../tables/labels';
import { claimedLines, type JudgedCard } from './features';

/** That something which the card seems to have was not found is a doubt like any other. */
const MISSING = 0.4;
const MOST_OFFERS = 3;
/** A name and the position under it may be set in two sizes of type. */
const TWO_SIZES = 2;

const SIGN_OF_MAILBOX = /[\p{L}\d._-]{2,}\s?@\s?[\p{L}\d-]{2,}|\(at\)|(?<![\p{L}\d])e-?mail\s?[.:]?\s*\S{4,}/iu;
const SIGN_OF_NUMBER =
  /(?<![\p{L}\d])(?:t|tel|telefon|phone|m|mob|mobile?|cell|fon|tlf|puh)\s?[.:]\s*[+(]?\d|(?:\+|\(0|\b0)(?:[\s().\-–/]{0,2}\d){6,}/iu;
const WORDS = /^[^@\d]*\p{L}{3}[^@\d]*$/u;

/**
 * Values that the card seems to have and none was found for: an e-mail address where its sign stands, a number behind its label, the position
 * under the name, the firm, the name. They are proposed empty, with the lines that may hold them as offers.
 */
export function missingValues({ lines, geometry, drafts, country }: JudgedCard): FieldProposal[] {
  const linesOf = (...fields: readonly FieldName[]) => claimedLines(drafts.filter(({ field }) => fields.includes(field)));
  const claimed = claimedLines(drafts);
  const loose = geometry.filter(({ index }) => !claimed.has(index));
  const has = (field: FieldName) => drafts.some((draft) => draft.field === field);
  const online = linesOf('email', 'website');
  const unclaimedOn = (index: number) => drafts.flatMap(({ sources }) => sources).filter(({ line, side }) => line === index && side === undefined)
    .reduce((text, { from, to }) => text.slice(0, from) + '\n'.repeat(to - from) + text.slice(to), lines[index]!.text);
  const wordy = loose.filter(({ text }) => WORDS.test(text) && text.length < 60 && !isRegistration(text));
  const name = geometry.filter(({ index }) => linesOf('givenName', 'familyName').has(index)).at(-1);
  const found: FieldProposal[] = [];
  const miss = (field: FieldName, at: readonly CardLine[], reason: ReasonCode, offerOf = ({ text }: CardLine) => text) => found.push(emptyField(field, at, reason, offerOf));

  const mailbox = geometry.filter(({ index }) => !linesOf('email').has(index)).find(({ index }) => SIGN_OF_MAILBOX.test(lines[index]!.text));
  if (mailbox && !(has('email') && online.has(mailbox.index))) miss('email', [mailbox], 'signOfMailbox', mailboxIn);
  // Beside a number that was found there may be one that was not.
  const number = geometry.find(({ index }) => SIGN_OF_NUMBER.test(unclaimedOn(index)) && !isRegistration(lines[index]!.text));
  if (number) miss('phone', [number], 'likeNumber', ({ text }) => parsePhoneNumberFromString(text, country as CountryCode | undefined)?.number ?? text.replace(/^\P{N}*(?=[+\d])/u, ''));
  if (!has('title') && name) {
    const others = linesOf('company', 'street', 'locality', 'email', 'department', 'givenName', 'familyName');
    const titled = geometry.filter(({ index, text }) => !others.has(index) && hasTitleWord(text));
    const under = [...wordy.filter((line) => isNextInBlock(name, line, TWO_SIZES) && !speaksToSomebody(line.text)), ...titled].filter((line, i, all) => all.indexOf(line) === i);
    if (under.length > 0) miss('title', under, 'whereTitleStands');
  }
  if (!has('company')) {
    const rest = wordy.toSorted((a, b) => b.height - a.height).slice(0, MOST_OFFERS);
    if (rest.length > 0) miss('company', rest, 'mayBeFirm');
  }
  if (!has('givenName') && !has('familyName')) {
    const rest = wordy.filter(({ text }) => text.split(/\s+/).length >= 2).toSorted((a, b) => b.height - a.height).slice(0, MOST_OFFERS);
    if (rest.length > 0) miss('familyName', rest, 'mayBeName');
  } else if (![...drafts, ...found].some(({ field }) => field === 'email' || field === 'phone')) {
    found.push({ ...NOTHING, field: 'email', disagreement: because('noWayToReach') });
  }
  return found;
} // prettier-ignore

const speaksToSomebody = (text: string): boolean => text.split(/\s+/).some((word) => sloganWords.has(word));

const mailboxIn = ({ text }: CardLine): string => SIGN_OF_MAILBOX.exec(text)?.[0].replace(/\s/g, '') ?? text;

const NOTHING = { value: '', sources: [], confidence: MISSING, reasons: [] };

function emptyField(
  field: FieldName,
  at: readonly CardLine[],
  reason: ReasonCode,
  offerOf: (line: CardLine) => string,
): FieldProposal {
  const offers = at.slice(0, MOST_OFFERS).map((line): RunnerUp => ({ value: offerOf(line), reason: because(reason) })); // prettier-ignore
  return {
    ...NOTHING,
    field,
    ...(field === 'phone' && { phoneKind: 'work' as const }),
    sources: at.slice(0, 1).map(({ index, from, text }) => ({ line: index, from, to: from + text.length })),
    runnersUp: offers,
    disagreement: because(reason, at[0]!.text),
  };
}
