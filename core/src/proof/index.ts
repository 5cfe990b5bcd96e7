export * from './doubtfulCharacters';
export * from './draft';
export * from './sourceArea';
