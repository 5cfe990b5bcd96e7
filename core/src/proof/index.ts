/** Complaints, effort and wording stand beside this door: they bring tables that most who come in do not need. */
export * from './alternatives';
export * from './doubtfulCharacters';
export * from './draft';
export * from './inkOnPaper';
export * from './logoArea';
export * from './moves';
export * from './sourceArea';
export * from './sources';
export * from './words';
