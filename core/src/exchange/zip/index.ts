export * from './zipRecords';
