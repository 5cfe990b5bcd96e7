export * from './mapping';
export * from './requests';
export * from './rules';
export { handOverSources, type HandedPerson, type HandOverSource } from './sources';
export type { HandOverStep } from './steps';
export { asTry } from './asTry';
export * from './plainSystem';
export { fieldsOfSample } from './fieldsOfSample';
export { proposeRules } from './proposeRules';
