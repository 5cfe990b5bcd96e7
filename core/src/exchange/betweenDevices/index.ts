export { agreeOnCode, hex, NONCE_BYTES, type Ends } from './agree';
export { giveParcel } from './give';
export { Broken, type BrokenWhy, type Channel, type Digest, type Parcel, type ParcelItem, type ParcelKind, type ParcelMessage } from './models'; // prettier-ignore
export { fingerprintOf, readSignal, writeSignal, type Side, type Signal } from './signal';
export { takeParcel, type ParcelStore } from './take';
