/** The words of the reading room without its methods, for whoever only shows what was read. */
export * from './types';
export * from './proposal';
export { REASON_CODES, type Reason, type ReasonCode } from './reasons';
export { CHARACTER_DOUBT_BELOW, doubtBelow, isDoubt } from './confidence';
export { EXPECTABLE_LANGUAGES } from './tables/alphabets';
