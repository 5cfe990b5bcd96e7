export * from './draft';
export * from './sourceArea';
