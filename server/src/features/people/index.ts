export { changeCells } from './changeCells';
export { log, logAll, type Actor } from './changeLog';
export { PeopleChangeRecord, PeopleChangeRow } from './changes/entities';
export { forgetOldChanges } from './changes/changeState';
export { deleteEmptyCompanies } from './queries';
export { addPeople, type NewPerson } from './addPeople';
export { companyNamed, currentOf, knownCompanies, keysOfName, presentNames } from './companies';
export { giveConsent } from './consents';
export { eraseLongDeleted } from './deletedPeople';
export {
  ChangeLogEntry,
  Company,
  CompanyName,
  Employment,
  FilingReceipt,
  Note,
  Person,
  ContactPoint,
} from './entities';
export { summariesOf } from './summaries';
export { ListedMark, ListedWord, ListView, PersonListing } from './list/entities';
export { listOfAddress } from './list/listOfAddress';
export { listSpecOf, ORDERS, wordsMeant } from './list/listSpec';
export { deletePersonIn, editLocked } from './editPerson';
export { forgetUnusedWords, listedOnce } from './list/queries';
export { loadFields, type LoadedFields } from './loadFields';
export { handOverPeople } from './handOverPeople';
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
export { mergeLocked, undoMergeIn } from './merging/merge';
export { Consent, MatchKey, Merge, NotSame } from './recordEntities';
export { OwnPlaceRecord } from './map/entities';
export { mapRoutes } from './map/routes';
export { peopleRoutes } from './routes';
export { asKind, changePerson } from './savePerson';
export { fieldsSettledIn } from './settledFields';
export { distinctTags } from './tags';
export { tellOfFirm } from './tellOfFirm';
