export * from './readPeopleJson';
