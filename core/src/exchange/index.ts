export * from './incomingPerson';
export * from './vcard';
