import type { Role } from '@dossier/core/account';

/** What each role is called, and what it may do, in a few words. */
export const ROLE_WORDS: Readonly<Record<Role, { name: string; about: string }>> = {
  rep: { name: 'Rep', about: 'photographs, proves, files, brings duplicates together' },
  assistant: { name: 'Assistant', about: 'proves and files, deletes nobody' },
  manager: { name: 'Manager', about: 'sets what holds for all, invites colleagues' },
  administrator: { name: 'Administrator', about: 'everything, and makes administrators' },
};
