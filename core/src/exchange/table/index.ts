export * from './cellState';
export * from './columns';
export * from './csv';
export * from './guardedCell';
export * from './models';
