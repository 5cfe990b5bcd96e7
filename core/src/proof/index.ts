export * from './alternatives';
export * from './doubtfulCharacters';
export * from './draft';
export * from './effort';
export * from './moves';
export * from './sourceArea';
export * from './words';
