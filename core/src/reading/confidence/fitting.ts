/** For the program that fits the weights. */
export { featuresOfBoth, witnessOf } from '../again';
export { draftFields, proposeFields, readAlone, scoredFields } from '../proposeFields';
export type { FieldProposal } from '../proposal';
export { featuresOf } from './features';
export { groupOfField, scoreOf } from './model';
export type { Weights } from './models';
