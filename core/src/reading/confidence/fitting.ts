/** For the program that fits the weights. */
export { draftFields } from '../proposeFields';
export type { FieldProposal } from '../proposal';
export { featuresOf } from './features';
export { groupOfField, scoreOf } from './model';
export type { Weights } from './models';
