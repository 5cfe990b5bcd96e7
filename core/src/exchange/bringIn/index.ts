export * from './decide';
export * from './mapping';
export * from './rowOf';
export * from './targets';
