export * from './reachKeys';
export * from './compareFields';
