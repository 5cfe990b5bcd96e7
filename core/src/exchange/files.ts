/** Files of people: what is taken out, and what is brought in. */
export * from './bringIn';
export { addressOnOneLine } from './asFiled';
export * from './countryCode';
export * from './decodeText';
export * from './incomingPerson';
export * from './json';
export * from './table';
export * from './takenPerson';
export * from './vcard';
export * from './zip';
