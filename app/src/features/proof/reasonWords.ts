import type { FieldProposal, Reason, ReasonCode } from '@dossier/core/reading/fields';

const countryNames = new Intl.DisplayNames(['en'], { type: 'region' });

const quoted = ({ said = '' }: Reason): string => `“${said}”`;

/** What each reason says in words: of a value or an offer, or a sentence by itself. */
const WORDS: Readonly<Record<ReasonCode, string | ((reason: Reason) => string)>> = {
  agreesWithDomain: 'agrees with the web or mail domain',
  agreesWithMailbox: 'agrees with the e-mail address',
  asRead: 'as printed and read',
  atTheHead: 'stands by itself at the head of the card',
  behindOwnerWord: 'stands behind a word for the owner',
  betweenNameAndTitle: 'stands between the name and the position',
  bySelf: 'They wrote it here themselves.',
  codeSaysOther: (reason) => `The code on the card says ${quoted(reason)}.`,
  codeSaysSame: 'the code on the card says the same',
  endsLikeTrade: 'ends like the name of a trade',
  formOfMailbox: 'has the form of an e-mail address',
  formOfWebsite: 'has the form of a web address',
  fromCode: 'from the code on the card',
  hasFormOfAddress: 'has a form of address',
  hasInitial: 'has an initial',
  hasLabel: 'has a label',
  hasLegalForm: 'has a legal form',
  hasLettersBehind: 'has letters after the name',
  holdsGivenName: 'holds a common given name',
  holdsLearnedTitle: 'holds a word your workspace has filed as a title',
  holdsTitleWord: 'holds a word for a position',
  ifFromCountry: ({ said = '' }) => `if the card is from ${countryNames.of(said)}`,
  inAddress: 'is part of the postal address',
  inCode: 'stands in the code on the card',
  inMailbox: 'stands in the e-mail address',
  inName: (reason) => `${quoted(reason)} stands in the name`,
  isLarge: 'is set larger than most',
  isLargest: 'is the largest line of a card without addresses',
  knownAddress: 'your workspace knows this address of the firm',
  knownFirm: 'your workspace knows this firm',
  knownForDomain: ({ said }) => `your workspace has it for ${said}`,
  knownNumber: 'your workspace knows this number of the firm',
  likeNumber: 'looks like a telephone number',
  mayBeFirm: 'may be the firm',
  mayBeLabel: (reason) => `${quoted(reason)} may be a label or an icon`,
  mayBeMeant: (reason) => `${quoted(reason)} may be meant: ${reason.why ? reasonWords(reason.why) : ''}.`,
  mayBeName: 'may be the name',
  mayBeTitle: 'may be a position',
  namesDepartment: 'names a part of a firm',
  namesTopic: 'names what a part of a firm does',
  noWayToReach: 'Neither an e-mail address nor a number was found on this card.',
  onBack: 'stands on the back',
  onlyInCode: 'only in the code on the card',
  otherSpelling: 'the other spelling of the name',
  partBefore: (reason) => `${quoted(reason)} before it is a part of the name`,
  perhapsOther: (reason) => `${quoted(reason)} is perhaps “${reason.other}”.`,
  perhapsPart: (reason) => `${quoted(reason)} is perhaps a part of it.`,
  pointLost: 'a point seems to have been lost in reading',
  possibleNumber: 'is a possible number',
  readOutOf: ({ said }) => `read out of ${said}`,
  readTheSecondTime: 'was read the second time',
  rightUnder: (reason) => `${quoted(reason)} stands right under it`,
  sameTypeBeside: (reason) => `${quoted(reason)} is set in the same type right beside it`,
  saysTrade: 'says what the firm does',
  setRightByCard: 'set right by what else the card says',
  setRightByCode: (reason) => `read as ${quoted(reason)}, set right by the code on the card`,
  signOfMailbox: 'has the sign of an e-mail address',
  usuallySpelled: (reason) => `${quoted(reason)} is usually spelled “${reason.other}”.`,
  validNumber: 'is a valid number',
  wasReadAs: (reason) => `Read as ${quoted(reason)}: ${reason.why ? reasonWords(reason.why) : ''}.`,
  whereStreetStands: 'stands where a street does',
  whereTitleStands: 'stands where a position does',
  wordOfFirms: (reason) => `${quoted(reason)} is a word that firms are called by`,
  wordOfTitles: (reason) => `${quoted(reason)} is a word of positions`,
  writtenSoHere: 'your workspace writes it so',
};

/** Why something is proposed or offered. @param reason a card that was read before there were codes has words in its place */
export function reasonWords(reason: Reason | string): string {
  if (typeof reason === 'string') return reason;
  const words = WORDS[reason.code];
  return typeof words === 'string' ? words : words(reason);
}

/** Why a field is doubtful, where more is known than that it is hard to read. */
export function whyDoubtful({
  disagreement,
  runnersUp = [],
}: Pick<FieldProposal, 'disagreement' | 'runnersUp'>): string | undefined {
  const [first] = runnersUp;
  if (disagreement) return doubtSentence(disagreement);
  return first?.reason.code === 'readTheSecondTime' ? `Read a second time it was “${first.value}”.` : undefined;
}

function doubtSentence(reason: Reason | string): string {
  const words = reasonWords(reason);
  return typeof reason === 'string' || words.endsWith('.') ? words : `${quoted(reason)} ${words}.`;
}
