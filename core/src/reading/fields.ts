/** The words of the reading room without its methods, for whoever only shows what was read. */
export * from './types';
export * from './proposal';
export { CHARACTER_DOUBT_BELOW, doubtBelow, isDoubt } from './confidence';
export { EXPECTABLE_LANGUAGES } from './tables/alphabets';
