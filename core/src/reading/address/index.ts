export type { AddressPart } from './postcodeAnchor';
export { findAddress, type FoundPostalAddress, holdsPostcode, mayHoldAddress, placeAboveCode } from './findAddress';
export { hasStreetWord, looksLikeStreet } from './streetLine';
export { addressDrafts } from './addressDrafts';
