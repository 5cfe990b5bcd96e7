export * from './mapping';
export { handOverSources, type HandedPerson, type HandOverSource } from './sources';
export type { HandOverStep } from './steps';
