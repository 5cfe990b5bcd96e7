export const ROLES = ['rep', 'assistant', 'manager', 'administrator'] as const;
export type Role = (typeof ROLES)[number];

/**
 * What can be done in a workspace, as far as roles tell it apart. Everybody sees its records: they are the team's.
 *
 * - `see` lists, cards, people and how far work is
 * - `capture` photographs, texts and occasions come in
 * - `prove` what was read is corrected, joined, set aside and asked about
 * - `file` proved cards become people, also known ones; a filing is taken back
 * - `edit` people are corrected by hand, with tags, owners and consents; two are said not to be the same
 * - `merge` records are brought together and parted again, duplicates are looked for, tags renamed for everybody
 * - `delete` people are taken out of the lists and brought back
 * - `erase` people are forgotten for good
 * - `write` messages go out to people, and plans that send them begin
 * - `takeOut` many people at once leave as a file, or come in by one
 * - `backUp` everything leaves as one file, also what lets colleagues in
 * - `settle` what the workspace keeps, expects and does by itself; what it has learned
 * - `invite` colleagues come and go, with their roles
 * - `connect` programs of others are let in
 */
export type Act =
  | 'see'
  | 'capture'
  | 'prove'
  | 'file'
  | 'edit'
  | 'merge'
  | 'delete'
  | 'erase'
  | 'write'
  | 'takeOut'
  | 'backUp'
  | 'settle'
  | 'invite'
  | 'connect';

const EVERYBODY: readonly Role[] = ROLES;
const OWN_RECORDS: readonly Role[] = ['rep', 'manager', 'administrator'];
const IN_CHARGE: readonly Role[] = ['manager', 'administrator'];

/** Who may do what: the one place where it is said. */
export const ALLOWED: Readonly<Record<Act, readonly Role[]>> = {
  see: EVERYBODY,
  capture: EVERYBODY,
  prove: EVERYBODY,
  file: EVERYBODY,
  edit: EVERYBODY,
  merge: OWN_RECORDS,
  delete: OWN_RECORDS,
  erase: IN_CHARGE,
  write: OWN_RECORDS,
  takeOut: OWN_RECORDS,
  backUp: ['administrator'],
  settle: IN_CHARGE,
  invite: IN_CHARGE,
  connect: IN_CHARGE,
};

export const may = (role: Role, act: Act): boolean => ALLOWED[act].includes(role);

/** Whether somebody may give a role to a colleague, or change who has it: nobody makes anybody more than they are themselves. */
export const mayGive = (role: Role, given: Role): boolean =>
  may(role, 'invite') && (given !== 'administrator' || role === 'administrator');
