/** Why something is proposed, offered or doubted. What each says in words is told where it is shown. */
export const REASON_CODES = [
  'agreesWithDomain',
  'agreesWithMailbox',
  'asRead',
  'atTheHead',
  'behindOwnerWord',
  'betweenNameAndTitle',
  'bySelf',
  'codeSaysOther',
  'codeSaysSame',
  'endsLikeTrade',
  'formOfMailbox',
  'formOfWebsite',
  'fromCode',
  'hasFormOfAddress',
  'hasInitial',
  'hasLabel',
  'hasLegalForm',
  'hasLettersBehind',
  'holdsGivenName',
  'holdsLearnedTitle',
  'holdsTitleWord',
  'ifFromCountry',
  'inAddress',
  'inCode',
  'inMailbox',
  'inName',
  'isLarge',
  'isLargest',
  'knownAddress',
  'knownFirm',
  'knownForDomain',
  'knownNumber',
  'likeNumber',
  'mayBeFirm',
  'mayBeLabel',
  'mayBeMeant',
  'mayBeName',
  'mayBeTitle',
  'namesDepartment',
  'namesTopic',
  'noWayToReach',
  'onBack',
  'onlyInCode',
  'otherSpelling',
  'partBefore',
  'perhapsOther',
  'perhapsPart',
  'pointLost',
  'possibleNumber',
  'readOutOf',
  'readTheSecondTime',
  'rightUnder',
  'sameTypeBeside',
  'saysTrade',
  'setRightByCard',
  'setRightByCode',
  'signOfMailbox',
  'usuallySpelled',
  'validNumber',
  'wasReadAs',
  'whereStreetStands',
  'whereTitleStands',
  'wordOfFirms',
  'wordOfTitles',
  'writtenSoHere',
] as const;
export type ReasonCode = (typeof REASON_CODES)[number];

export interface Reason {
  code: ReasonCode;
  /** What is quoted: text of the card, a domain, an ISO 3166 code. */
  said?: string;
  /** What stands against it. */
  other?: string;
  /** What speaks for that. */
  why?: Reason;
}

export const because = (code: ReasonCode, said?: string, other?: string): Reason => ({
  code,
  ...(said !== undefined && { said }),
  ...(other !== undefined && { other }),
});
