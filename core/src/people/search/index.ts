/** Finding people by what is written into one field. */
export * from './gradeWord';
export * from './searchTerms';
export * from './whereFound';
