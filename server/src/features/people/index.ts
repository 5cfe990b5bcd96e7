export { fileByItself } from './byItself';
export { ChangeLogEntry, Company, Employment, FilingReceipt, Note, Person, Reach } from './entities';
export { summariesOf } from './findPeople';
export { eraseLongDeleted } from './deletedPeople';
export { inOrder, keepApart } from './keepApart';
export {
  LIST_BEGIN,
  loadMatchRecordsAfter,
  loadRecords,
  type ListPlace,
  type MatchRecord,
  type PersonRecord,
} from './loadRecords';
export { fieldsSettledIn } from './settledFields';
export { loadPerson } from './loadPerson';
export { makeMissingKeys } from './matchKeys';
export { mergeLocked } from './merge';
export { Consent, MatchKey, Merge, NotSame } from './recordEntities';
export { peopleRoutes } from './routes';
