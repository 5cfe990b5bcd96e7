/** Leads that become business: money, stages and their history, what a lead lacks. No clock: moments are passed in. */
export * from './money';
export * from './stages';
export * from './qualifying';
