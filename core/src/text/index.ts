export * from './writable';
