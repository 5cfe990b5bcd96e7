export { forgetOldImports } from './bringIn/bringIn';
export { ImportFile, ImportRowRecord } from './bringIn/entities';
export { ShareLink } from './entities';
export { exchangeRoutes, shareRoutes } from './routes';
export { removeEndedShares } from './shares';
export { AskedReadingRecord } from './readings/entities';
export { readingOnRequestRoutes } from './readings/routes';
