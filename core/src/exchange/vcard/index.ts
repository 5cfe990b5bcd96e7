export * from './readVcards';
export * from './toVcard';
