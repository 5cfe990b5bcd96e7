/**
 * What a backup holds of a workspace, in the order in which it is put back: what something belongs to comes before it. The workspace
 * itself and the bytes of pictures have places of their own.
 */
export const KEPT_TABLES = [
  'account',
  'stored_file',
  'occasion',
  'photo',
  'card',
  'learned_fact',
  'person',
  'learned_source',
  'second_look',
  'company',
  'company_name',
  'company_note',
  'company_act',
  'employment',
  'contact_point',
  'note',
  'task',
  'consent',
  'change_log',
  'filing_receipt',
  'merge',
  'not_same',
  'match_key',
  'match_model',
  'duplicate',
  'list_view',
  'people_change',
  'people_change_row',
  'import_file',
  'import_row',
] as const;
export type KeptTable = (typeof KEPT_TABLES)[number];

/** What no backup holds, and why. */
export const LEFT_OUT: Readonly<Record<string, string>> = {
  session: 'whoever has a copy of it is not to be let in',
  api_token: 'whoever has a copy of it is not to be let in',
  access_link: 'whoever has a copy of it is not to be let in',
  share: 'whoever has a copy of it is not to be shown anybody',
  photo_part: 'the device that is sending the photograph still has it',
  asked_reading: 'what it is about is in the tray, or was only to be read',
  sweep: 'a search for duplicates that is under way begins again',
  person_listing: 'made anew from the records',
  listed_word: 'made anew from the records',
  listed_mark: 'made anew from the records',
  company_staff: 'made anew from the records',
  company_recount: 'made anew from the records',
  backup: 'files of this machine',
  workspace: 'one row, in about.json',
  worker_heartbeat: 'of this machine',
  migration: 'of this database',
};
