import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { Account, AccountSession, Workspace } from './features/account';
import { Occasion, Photo, PhotoPart } from './features/capture';
import { DuplicateRow, MatchModelRow, SweepRow } from './features/matching';
import {
  ChangeLogEntry,
  Company,
  Consent,
  Employment,
  FilingReceipt,
  MatchKey,
  Merge,
  Note,
  NotSame,
  Person,
  ContactPoint,
} from './features/people';
import { Card, LearnedFact, LearnedSource } from './features/reading';
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
import { StoredFile } from './platform/entities';

/** The database of Dossier through one role's connection. */
export const createDataSource = (url: string, poolSize = 10): DataSource =>
  new DataSource({
    type: 'postgres',
    url,
    poolSize,
    connectTimeoutMS: 10_000,
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
    ],
    entities: [
      Workspace,
      StoredFile,
      Account,
      AccountSession,
      Occasion,
      Photo,
      PhotoPart,
      Card,
      LearnedFact,
      LearnedSource,
      SecondLook,
      Person,
      Company,
      Employment,
      ContactPoint,
      Note,
      ChangeLogEntry,
      FilingReceipt,
      MatchKey,
      NotSame,
      Merge,
      Consent,
      MatchModelRow,
      SweepRow,
      DuplicateRow,
    ],
  });
