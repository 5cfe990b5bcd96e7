/** Firms as a table, out and back. */
export * from './columns';
