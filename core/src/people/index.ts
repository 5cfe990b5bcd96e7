export * from './addressLines';
export * from './formatPhone';
export * from './fullName';
export * from './isOnlyFiled';
export * from './personFields';
export * from './changesBetween';
