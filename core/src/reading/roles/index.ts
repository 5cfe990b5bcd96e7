export { chooseRoles, type Chosen, type Roles } from './chooseRoles';
export { companyDraft, nameDrafts, titleDrafts } from './roleDrafts';
export { companyFromDomain, domainAgreement } from './companyFromDomain';
export { type CardEvidence, likenessToDomain } from './roleScores';
