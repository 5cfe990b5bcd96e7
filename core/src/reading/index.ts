export * from './fields';
export { naturalCompany, naturalName, naturalTitle } from './naturalCase';
export { splitName, type PersonName } from './personName';
export { companyFromDomain, domainAgreement, isFreeMail } from './companyFromDomain';
export { proposeFields, type ProposeOptions } from './proposeFields';
export { toPrediction, type CardPrediction } from './toPrediction';
