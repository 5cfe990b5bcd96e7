export * from './mergeVcards';
export * from './readVcards';
export * from './toVcard';
