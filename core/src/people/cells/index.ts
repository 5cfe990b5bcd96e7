/** People as the cells of a table. */
export * from './cells';
