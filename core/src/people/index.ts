export * from './fullName';
export * from './personFields';
export * from './changesBetween';
