/** For the program that fits the weights. */
export { candidatesOf } from '../steps';
export { nameParts } from '../names';
export { share } from './chooseRoles';
export { firmBesideName, firmBesideTitle, titleBesideName } from './togetherFeatures';
export type { Candidate, Features, RoleWeights } from './models';
export type { RoleCandidates } from './roleCandidates';
export { scoreOf } from './score';
export { likeWords, wordsOf } from './textOfRole';
export { wordsByKind } from './wordsByKind';
export { KINDS, kindsOfWord, runsOf } from './wordKinds';
export type { WordKindModel } from '../tables/wordKindModel';
