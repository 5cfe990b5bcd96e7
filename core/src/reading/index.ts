export * from './fields';
export { naturalCompany, naturalName, naturalTitle } from './naturalCase';
export type { Learned, LearnedAddress, LearnedFirm } from './learned';
export { splitName, type PersonName } from './personName';
export { companyFromDomain, domainAgreement, isFreeMail } from './companyFromDomain';
export { proposeFields, type ProposeOptions } from './proposeFields';
export { readingOfText } from './readingOfText';
export { toPrediction, type CardPrediction } from './toPrediction';
