/** Tables whose rows are records that are here: out, changed, and back. */
export * from './cameBack';
export * from './columns';
