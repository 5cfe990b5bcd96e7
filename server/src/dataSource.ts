import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { Account, AccountSession, ApiTokenRecord, Workspace } from './features/account';
import { BackupRecord } from './features/backup';
import { Occasion, Photo, PhotoPart } from './features/capture';
import { CompanyAct, CompanyNote, CompanyRecount, CompanyStaff } from './features/companies';
import { DuplicateRow, MatchModelRow, SweepRow } from './features/matching';
import {
  ChangeLogEntry,
  Company,
  CompanyName,
  Consent,
  Employment,
  FilingReceipt,
  MatchKey,
  Merge,
  Note,
  NotSame,
  ListedMark,
  ListedWord,
  ListView,
  OwnPlaceRecord,
  PeopleChangeRecord,
  PeopleChangeRow,
  Person,
  PersonListing,
  ContactPoint,
} from './features/people';
import { AskedReadingRecord, DeliveryRecord, DestinationRecord, DeviceBook, DeviceEntry, DeviceFurther, DevicePassword, DirectoryAsked, FindingRecord, HandedRecord, ImportFile, ImportRowRecord, LookedUp, LookUpRecord, MappingRecord, PersonPortrait, ShareLink, WebhookDeliveryRecord, WebhookRecord } from './features/exchange'; // prettier-ignore
import { ProofFactRecord } from './features/filing';
import { AttachmentRecord, BookingRecord, BookingRulesRecord, BouncedAddress, CalendarFeedRecord, CardPage, DoNotWrite, EnrolmentRecord, MailSender, MailSettingsRecord, MessageRecord, MorningMail, OwnCardRecord, PlanRecord, PlanVersion, PlanWish, Task, TemplateRecord, TemplateVersion } from './features/followup'; // prettier-ignore
import { OpportunityActRecord, OpportunityFile, OpportunityNoteRecord, OpportunityPerson, OpportunityRecord, QualificationRecord, Stage } from './features/pipeline'; // prettier-ignore
import { Card, LearnedFact, LearnedSource } from './features/reading';
import { AccessLink } from './features/team';
import { SecondLook } from './features/tray';
import { FirstTables1780000000000 } from './migrations/1780000000000-firstTables';
import { Learning1780000000001 } from './migrations/1780000000001-learning';
import { Occasions1780000000002 } from './migrations/1780000000002-occasions';
import { SecondLooks1780000000003 } from './migrations/1780000000003-secondLooks';
import { ProofDesk1780000000004 } from './migrations/1780000000004-proofDesk';
import { Matching1780000000005 } from './migrations/1780000000005-matching';
import { LimitsAndSearch1780000000006 } from './migrations/1780000000006-limitsAndSearch';
import { PicturesAsTheyCome1780000000007 } from './migrations/1780000000007-picturesAsTheyCome';
import { Trust1780000000008 } from './migrations/1780000000008-trust';
import { PhotoParts1780000000009 } from './migrations/1780000000009-photoParts';
import { PlainNames1780000000010 } from './migrations/1780000000010-plainNames';
import { Team1780000000011 } from './migrations/1780000000011-team';
import { Lists1780000000012 } from './migrations/1780000000012-lists';
import { ChangesOfMany1780000000013 } from './migrations/1780000000013-changesOfMany';
import { Companies1780000000014 } from './migrations/1780000000014-companies';
import { Shares1780000000015 } from './migrations/1780000000015-shares';
import { LargeLists1780000000016 } from './migrations/1780000000016-largeLists';
import { FirmsInOrder1780000000017 } from './migrations/1780000000017-firmsInOrder';
import { Logos1780000000018 } from './migrations/1780000000018-logos';
import { NamesOfFirms1780000000019 } from './migrations/1780000000019-namesOfFirms';
import { BeginningsWithSlips1780000000020 } from './migrations/1780000000020-beginningsWithSlips';
import { WordsWellKnown1780000000021 } from './migrations/1780000000021-wordsWellKnown';
import { FirmsCounted1780000000022 } from './migrations/1780000000022-firmsCounted';
import { ListsWalked1780000000023 } from './migrations/1780000000023-listsWalked';
import { Imports1780000000024 } from './migrations/1780000000024-imports';
import { Backups1780000000025 } from './migrations/1780000000025-backups';
import { FoundOnce1780000000026 } from './migrations/1780000000026-foundOnce';
import { ApiTokens1780000000027 } from './migrations/1780000000027-apiTokens';
import { AskedReadings1780000000028 } from './migrations/1780000000028-askedReadings';
import { Events1780000000029 } from './migrations/1780000000029-events';
import { Destinations1780000000030 } from './migrations/1780000000030-destinations';
import { Followup1780000000031 } from './migrations/1780000000031-followup';
import { Pipeline1780000000032 } from './migrations/1780000000032-pipeline';
import { Insight1780000000033 } from './migrations/1780000000033-insight';
import { Steps1780000000034 } from './migrations/1780000000034-steps';
import { PlanWishes1780000000035 } from './migrations/1780000000035-planWishes';
import { OwnCards1780000000036 } from './migrations/1780000000036-ownCards';
import { Bookings1780000000037 } from './migrations/1780000000037-bookings';
import { AddressBooks1780000000038 } from './migrations/1780000000038-addressBooks';
import { WorkspaceAskedOnce1780000000039 } from './migrations/1780000000039-workspaceAskedOnce';
import { Directory1780000000040 } from './migrations/1780000000040-directory';
import { OwnPlaces1780000000041 } from './migrations/1780000000041-ownPlaces';
import { ReadFromIndexes1780000000042 } from './migrations/1780000000042-readFromIndexes';
import { ListedInTurn1780000000043 } from './migrations/1780000000043-listedInTurn';
import { Rereading1780000000044 } from './migrations/1780000000044-rereading';
import { StoredFile } from './platform/entities';

/** The database of Dossier through one role's connection. */
export const createDataSource = (url: string, poolSize = 10): DataSource =>
  new DataSource({
    type: 'postgres',
    url,
    poolSize,
    connectTimeoutMS: 10_000,
    // Requests are short: compiling a plan takes longer than it saves.
    extra: { options: '-c jit=off' },
    synchronize: false,
    migrationsTableName: 'migration',
    migrations: [
      FirstTables1780000000000,
      Learning1780000000001,
      Occasions1780000000002,
      SecondLooks1780000000003,
      ProofDesk1780000000004,
      Matching1780000000005,
      LimitsAndSearch1780000000006,
      PicturesAsTheyCome1780000000007,
      Trust1780000000008,
      PhotoParts1780000000009,
      PlainNames1780000000010,
      Team1780000000011,
      Lists1780000000012,
      ChangesOfMany1780000000013,
      Companies1780000000014,
      Shares1780000000015,
      LargeLists1780000000016,
      FirmsInOrder1780000000017,
      Logos1780000000018,
      NamesOfFirms1780000000019,
      BeginningsWithSlips1780000000020,
      WordsWellKnown1780000000021,
      FirmsCounted1780000000022,
      ListsWalked1780000000023,
      Imports1780000000024,
      Backups1780000000025,
      FoundOnce1780000000026,
      ApiTokens1780000000027,
      AskedReadings1780000000028,
      Events1780000000029,
      Destinations1780000000030,
      Followup1780000000031,
      Pipeline1780000000032,
      Insight1780000000033,
      Steps1780000000034,
      PlanWishes1780000000035,
      OwnCards1780000000036,
      Bookings1780000000037,
      AddressBooks1780000000038,
      WorkspaceAskedOnce1780000000039,
      Directory1780000000040,
      OwnPlaces1780000000041,
      ReadFromIndexes1780000000042,
      ListedInTurn1780000000043,
      Rereading1780000000044,
    ],
    entities: [
      Workspace,
      StoredFile,
      Account,
      AccountSession,
      ApiTokenRecord,
      AccessLink,
      Occasion,
      Photo,
      PhotoPart,
      Card,
      LearnedFact,
      LearnedSource,
      SecondLook,
      Person,
      Company,
      CompanyName,
      CompanyNote,
      CompanyAct,
      CompanyStaff,
      CompanyRecount,
      AskedReadingRecord,
      DevicePassword,
      OwnPlaceRecord,
      DirectoryAsked,
      FindingRecord,
      LookedUp,
      LookUpRecord,
      PersonPortrait,
      DeviceBook,
      DeviceEntry,
      DeviceFurther,
      WebhookRecord,
      WebhookDeliveryRecord,
      DestinationRecord,
      MappingRecord,
      HandedRecord,
      DeliveryRecord,
      ShareLink,
      ImportFile,
      ImportRowRecord,
      BackupRecord,
      Employment,
      ContactPoint,
      Note,
      ChangeLogEntry,
      FilingReceipt,
      ProofFactRecord,
      MatchKey,
      NotSame,
      Merge,
      Consent,
      MatchModelRow,
      SweepRow,
      DuplicateRow,
      PersonListing,
      ListedMark,
      ListedWord,
      ListView,
      PeopleChangeRecord,
      PeopleChangeRow,
      Task,
      CalendarFeedRecord,
      OwnCardRecord,
      CardPage,
      BookingRulesRecord,
      BookingRecord,
      MorningMail,
      MailSettingsRecord,
      MailSender,
      DoNotWrite,
      BouncedAddress,
      AttachmentRecord,
      TemplateRecord,
      TemplateVersion,
      PlanRecord,
      PlanVersion,
      PlanWish,
      EnrolmentRecord,
      MessageRecord,
      Stage,
      OpportunityRecord,
      OpportunityPerson,
      OpportunityActRecord,
      OpportunityNoteRecord,
      OpportunityFile,
      QualificationRecord,
    ],
  });
