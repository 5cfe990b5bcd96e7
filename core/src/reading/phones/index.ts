export { besideRegisters } from './registers';
export { findPhoneCandidates, type PhoneCandidate, placePhone } from './findPhones';
export { phoneDrafts, spansOfNumber } from './phoneDrafts';
