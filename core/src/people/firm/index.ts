/** What the records of people say of the firm they work at. */
export * from './firmFacts';
