export { CHARACTER_DOUBT_BELOW, confidenceOf, doubtBelow, isDoubt, shareDoubts } from './confidence';
export type { JudgedCard } from './features';
export { missingValues } from './missing';
export { calibrated, groupOfField, scoreOf } from './model';
export type { Features, Weights } from './models';
