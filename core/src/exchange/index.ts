export * from './toVcard';
