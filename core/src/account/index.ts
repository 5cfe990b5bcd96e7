export * from './scopes';
export * from './roles';
