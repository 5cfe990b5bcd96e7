/** Legal forms, natural case, domains and words of names stand beside this door: they bring tables that most who come in do not need. */
export * from './editDistance';
export * from './fold';
export * from './slips';
export * from './trigrams';
export * from './writable';
