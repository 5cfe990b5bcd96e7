import type { RoleWeights } from '@dossier/core/reading/roles';

/** What each thing that speaks for a role or against it was thought to be worth before any of it was fitted: what the fit is drawn towards. */
export const ROLES_BY_HAND: RoleWeights = {
  name: {
    empty: 0.4, label: -4, oneWord: -2.5, someWords: 0.2, holdsGivenName: 2.2, behindOwnerWord: 3, inCode: 5, agreesWithMailbox: 4.5, mailboxOfFirm: -3, hasFormOfAddress: 1.8, hasLettersBehind: 2,
    hasInitial: 1, titleWords: -2.2, tradeWords: -1.6, wordsOfFirm: -1.2, legalForm: -3, smallWords: -2, joiners: -1.5, particleFirst: -1.5, particleWithin: 0.6, particleLast: -2.5,
    prose: -1, sameWordTwice: -3, isLarge: 0.8, likeDomainAsOwner: -0.8, likeDomain: -2.5, topic: -2, overPosition: 3, stepOn: 0.9, stepNoMore: -1.5, row: -0.8,
  },
  company: {
    empty: 1.3, label: -4, inCode: 5, knownFirm: 3, hasLegalForm: 3.2, saysTrade: 1.6, agreesWithDomain: 4.2, inMailbox: 2.5, mailboxOfPerson: -2.5, titleWord: -2.2, somebody: -2.5, givenName: -1,
    digits: -1.2, prose: -0.9, isLarge: 0.7, topic: -2, departmentWords: -1.8, isLargest: 2.3, oneWord: -0.8, street: -2, overPosition: -3, partOfMark: -1.2, stepWhole: -3, lineOfDepartment: -2, lineOfThings: -2, lineOfTitle: -1, lineOfSomebody: -2, longLines: -0.3, smallLetters: -3, lineOfPlace: -1.5, stepSizes: -3, moreLines: 0,
    stepGoesOn: 0.2, stepDisplay: 0.2, stepEven: -0.5, stepSmall: -1.2, stepMixed: -2.4, stepProse: -2, row: -0.8,
  },
  title: {
    empty: 0.9, label: -4, inCode: 5, holdsLearnedTitle: 3, sloganWords: -1, likeSlogan: -1, endsLikeTrade: 0.7, department: -3.5, holdsTitleWord: 3, moreTitleWords: 0.3, modifiers: 0.6, legalForm: -3,
    tradeWords: -0.7, givenName: -1, digits: -1.5, colonLast: -4, sentence: -1.5, listOfThings: -4, joinerLast: -1, holdsDepartment: -2, stepGoesOn: 0.2, row: -0.8,
  },
  department: { empty: 1.5, isTopic: 2.6, namesDepartment: 2.4, namesTopic: 1.6, titleWord: -2.5, legalForm: -3, follows: 0.6, apart: -0.8 },
  together: {
    titleUnderName: 1.2, titleBelowName: 0.6, titleAboveName: -0.5, familyFirm: 1.5, familyMailbox: 2, largeFirm: 0.2, mailboxNotOfName: 3.8, atTheHead: 2.4,
  },
}; // prettier-ignore
