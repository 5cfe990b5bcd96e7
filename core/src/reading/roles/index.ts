export { chooseRoles } from './chooseRoles';
export { roleCandidates, type RoleCandidates } from './roleCandidates';
export type { CardEvidence, Chosen, ChosenRoles, Roles } from './models';
export { besideOnline, partForRole, spansOn } from './linesForRoles';
export { whatIsKnown } from './whatIsKnown';
export { companyDraft, nameDrafts, titleDrafts } from './roleDrafts';
export { companyFromDomain, domainAgreement } from './companyFromDomain';
export { likenessToDomain, likeUnknownWords } from './textOfRole';
