export * from './mapping';
export * from './requests';
export { handOverSources, type HandedPerson, type HandOverSource } from './sources';
export type { HandOverStep } from './steps';
