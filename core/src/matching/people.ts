/** Whether two records are one person: features, comparison, and the search through a whole register. */
export { blockKeys } from './blockKeys';
export { Matcher, LIMITS, type Band, type Limits, type Match, type MatchModel } from './comparePeople';
export type { Evidence } from './evidence';
export { featuresOf, type Features, type Known, type MatchFields } from './features';
export { findPairs, type Pair } from './findPairs';
export { learnFrom, type Learned } from './learn';
export { likeliestFirst, RegisterSearch, sweep, type MatchedPair, type Sweep } from './sweep';
export { FrequencyCounter, frequenciesOf, withoutPerson, type Frequencies, type FrequencyTable } from './frequencies';
export { groupPairs, type Group, type Link } from './groupPairs';
