/** Changes of many records at once, and taking them back. */
export * from './applyChange';
export * from './undoChange';
