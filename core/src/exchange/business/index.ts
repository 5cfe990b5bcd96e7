/** Opportunities as a table, out and back. */
export * from './cameBack';
export * from './columns';
