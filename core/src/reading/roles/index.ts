export { chooseRoles, type Chosen, type ChosenRoles, type Roles } from './chooseRoles';
export { besideOnline, partForRole, spansOn } from './linesForRoles';
export { whatIsKnown } from './whatIsKnown';
export { companyDraft, nameDrafts, titleDrafts } from './roleDrafts';
export { companyFromDomain, domainAgreement } from './companyFromDomain';
export { type CardEvidence, likenessToDomain } from './roleScores';
