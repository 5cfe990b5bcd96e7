export { hasTitleWord } from './hasTitleWord';
export { isMadeOf, localPartAgreement, nameParts, type PersonName, splitName } from './personName';
