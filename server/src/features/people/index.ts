export { log } from './changeLog';
export { removeEmptyCompanies } from './companies';
export { giveConsent } from './consents';
export { eraseLongDeleted } from './deletedPeople';
export { ChangeLogEntry, Company, Employment, FilingReceipt, Note, Person, ContactPoint } from './entities';
export { summariesOf } from './findPeople';
export { inOrder, keepApart, keepApartFurther } from './keepApart';
export { loadPerson } from './loadPerson';
export {
  LIST_BEGIN,
  type ListPlace,
  loadMatchRecordsAfter,
  loadRecords,
  type MatchRecord,
  type PersonRecord,
} from './loadRecords';
export { lockCardsOf } from './lockCardsOf';
export { lockPerson } from './lockPerson';
export { makeMissingKeys } from './matchKeys';
export { mergeLocked } from './merge';
export { Consent, MatchKey, Merge, NotSame } from './recordEntities';
export { peopleRoutes } from './routes';
export { changePerson, personColumns, saveParts } from './savePerson';
export { fieldsSettledIn } from './settledFields';
export { distinctTags } from './tags';
