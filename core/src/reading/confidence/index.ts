export { CHARACTER_DOUBT_BELOW, confidenceOf, DOUBT_BELOW, shareDoubts } from './confidence';
export type { JudgedCard } from './features';
export { missingValues } from './missing';
