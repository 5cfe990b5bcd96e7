export { CHARACTER_DOUBT_BELOW, confidenceOf, DOUBT_BELOW, shareDoubts } from './confidence';
