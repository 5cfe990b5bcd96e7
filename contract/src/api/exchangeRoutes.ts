import { BackupRequest, Backups, BackupSchedule } from '../backup';
import { Import, ImportMapping, ImportQuery, ImportRows, ImportRowSettled, ImportRowsQuery, ImportRun, Imports } from '../bringIn'; // prettier-ignore
import { CompaniesTakenQuery } from '../companies';
import { DeviceMade, Devices, DeviceSettings, NewDevice } from '../devices';
import {
  DirectorySettings,
  DirectorySettingsChange,
  FindingsSettled,
  FirmFacts,
  FoundOfMany,
  FoundOfPerson,
  FoundQuery,
  LookUp,
  LookUpRequest,
  LookUps,
  Portrait,
} from '../directory';
import { VcardQuery } from '../people';
import { BusinessTakenQuery } from '../pipeline';
import { ShareFields, ShareMade, Shares } from '../shares';
import { TableBack, TableBackQuery } from '../tables';
import { TakeOutColumns, TakeOutColumnsRequest, TakeOutQuery, TakeOutRequest } from '../takeOut';
import { PICTURE, type Bytes, type DescribedRoutes } from './describedRoute';

const write = 'people:write';
const FILE: Bytes = {
  types: ['text/vcard', 'text/csv', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', 'application/json', 'application/zip'], // prettier-ignore
  about: 'The file, as it was asked for.',
};
const ANY_FILE: Bytes = { types: ['application/octet-stream'], about: 'vCards, a CSV file, an XLSX workbook or JSON.' };

/** Files out and in, links to one person, backups. */
export const EXCHANGE_ROUTES: DescribedRoutes = {
  'GET /devices': {
    about: 'Devices that keep address books of whoever asks in step (CardDAV).',
    scope: null,
    answer: Devices,
  },
  'POST /devices': { about: 'Lets a device in; its password is told this once.', scope: null, body: NewDevice, answer: DeviceMade, status: 201 }, // prettier-ignore
  'DELETE /devices/:id': { about: 'Lets a device in no more.', scope: null, status: 204 },
  'PUT /device-settings': { about: 'Whether deleting somebody on a device deletes them here.', scope: 'settings', body: DeviceSettings, status: 204 }, // prettier-ignore
  'GET /directory-settings': { about: 'Which directory of firms and people is asked.', scope: 'settings', answer: DirectorySettings }, // prettier-ignore
  'PUT /directory-settings': { about: 'Says which one is asked.', scope: 'settings', body: DirectorySettingsChange, status: 204 }, // prettier-ignore
  'POST /look-ups': { about: 'Asks the directory about people, one after the other.', scope: write, body: LookUpRequest, answer: LookUp, status: 201 }, // prettier-ignore
  'GET /look-ups': { about: 'The latest such asking of whoever asks.', scope: 'people:read', answer: LookUps },
  'GET /look-ups/:id': { about: 'How far it is.', scope: 'people:read', answer: LookUp },
  'POST /look-ups/:id/stop': { about: 'Asks about nobody more.', scope: write, status: 204 },
  'POST /look-ups/:id/go-on': { about: 'Goes on with one that was stopped, or that went wrong.', scope: write, status: 204 }, // prettier-ignore
  'GET /findings': { about: 'People of whom the directory offers something, page by page.', scope: 'people:read', query: FoundQuery, answer: FoundOfMany }, // prettier-ignore
  'POST /findings/settled': { about: 'Takes some of what is offered into the records, and leaves some.', scope: write, body: FindingsSettled, status: 204 }, // prettier-ignore
  'GET /people/:id/findings': { about: 'What the directory offers of one person and their firm.', scope: 'people:read', answer: FoundOfPerson }, // prettier-ignore
  'GET /people/:id/portrait': { about: 'Whether there is a portrait of somebody, and where it is from.', scope: 'people:read', answer: Portrait }, // prettier-ignore
  'GET /people/:id/portrait/picture': { about: 'The portrait.', scope: 'people:read', answer: PICTURE },
  'DELETE /people/:id/portrait': { about: 'Takes a portrait away.', scope: write, status: 204 },
  'GET /companies/:id/facts': { about: 'What was taken of a firm, and where it is from.', scope: 'people:read', answer: FirmFacts }, // prettier-ignore
  'DELETE /firm-facts/:id': { about: 'Takes something of it away.', scope: write, status: 204 },
  'GET /people/export': {
    about: 'People as a file: those that a list shows which is narrowed in the same way.',
    scope: 'export',
    query: TakeOutQuery,
    answer: FILE,
  },
  'POST /people/export': {
    about: 'The same for people who were chosen, with columns of one’s choice.',
    scope: 'export',
    body: TakeOutRequest,
    answer: FILE,
  },
  'POST /people/export/columns': {
    about: 'Columns that a table of these people would have.',
    scope: 'export',
    body: TakeOutColumnsRequest,
    answer: TakeOutColumns,
  },
  'GET /people/:id/everything': {
    about: 'Everything that is known of one person, as a ZIP archive.',
    scope: 'export',
    answer: { types: ['application/zip'], about: 'The archive.' },
  },
  'GET /people/:id/vcard': {
    about: 'A person as a vCard.',
    scope: 'people:read',
    query: VcardQuery,
    answer: { types: ['text/vcard'], about: 'The vCard (RFC 6350 or RFC 2426).' },
  },
  'GET /business/export': {
    about: 'Opportunities of a list as a table that can come back.',
    scope: 'export',
    query: BusinessTakenQuery,
    answer: FILE,
  },
  'POST /business/import': {
    about:
      'Takes such a table back: changed cells are changed here, rows without an id are new. With `?preview=1` only says what it would do.',
    scope: write,
    query: TableBackQuery,
    body: ANY_FILE,
    answer: TableBack,
  },
  'GET /companies/export': {
    about: 'Firms of a list as a table that can come back.',
    scope: 'export',
    query: CompaniesTakenQuery,
    answer: FILE,
  },
  'POST /companies/import': {
    about:
      'Takes such a table back: firms get the names that were changed, and further notes. With `?preview=1` only says what it would do.',
    scope: write,
    query: TableBackQuery,
    body: ANY_FILE,
    answer: TableBack,
  },
  'GET /imports': { about: 'The latest files that were brought in.', scope: write, answer: Imports },
  'POST /imports': {
    about: 'Takes a file in and reads it; nobody is filed yet.',
    scope: write,
    query: ImportQuery,
    body: ANY_FILE,
    answer: Import,
    status: 201,
  },
  'GET /imports/:id': { about: 'How far a file is, and its first rows as they will be.', scope: write, answer: Import },
  'PUT /imports/:id/mapping': {
    about: 'Says what the columns of a file are.',
    scope: write,
    body: ImportMapping,
    answer: Import,
  },
  'POST /imports/:id/run': {
    about: 'Goes through all rows by a job; with dry=1 nothing is written.',
    scope: write,
    query: ImportRun,
    answer: Import,
    status: 202,
  },
  'POST /imports/:id/cancel': { about: 'Stops; the rows behind are not brought in.', scope: write, answer: Import },
  'POST /imports/:id/undo': {
    about: 'Takes everything back that a file has brought in.',
    scope: write,
    answer: Import,
    status: 202,
  },
  'GET /imports/:id/rows': {
    about: 'Rows with one outcome, a page at a time.',
    scope: write,
    query: ImportRowsQuery,
    answer: ImportRows,
  },
  'POST /imports/:id/rows/:number': {
    about: 'Says who a row is, or which of its cells are taken.',
    scope: write,
    body: ImportRowSettled,
    status: 204,
  },
  'GET /people/:id/shares': { about: 'Links by which a person can be seen.', scope: 'people:read', answer: Shares },
  'POST /people/:id/shares': {
    about: 'Makes a link by which a person’s card can be seen for some days.',
    scope: write,
    body: ShareFields,
    answer: ShareMade,
    status: 201,
  },
  'DELETE /shares/:id': { about: 'Ends a link.', scope: write, status: 204 },
  'GET /backups': { about: 'When backups are made, and the latest.', scope: 'settings', answer: Backups },
  'PUT /backups/schedule': {
    about: 'Says when backups are made.',
    scope: 'settings',
    body: BackupSchedule,
    status: 204,
  },
  'POST /backups/file': {
    about: 'Makes a backup now.',
    scope: 'settings',
    body: BackupRequest,
    answer: { types: ['application/octet-stream'], about: 'The archive.' },
  },
  'GET /backups/:id/file': {
    about: 'A backup that was made by itself.',
    scope: 'settings',
    answer: { types: ['application/octet-stream'], about: 'The archive.' },
  },
};
