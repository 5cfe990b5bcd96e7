export * from './contactPointKeys';
export * from './compareFields';
export { companyFormOf, companyLikeness } from './companyForm';
export { endsWithJob, withoutEndings, type Ending } from './endsWithJob';
