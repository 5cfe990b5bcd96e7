export * from './repeat';
export * from './snooze';
