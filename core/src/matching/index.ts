export * from './reachKeys';
export * from './compareFields';
export { companyFormOf, companyLikeness } from './companyForm';
