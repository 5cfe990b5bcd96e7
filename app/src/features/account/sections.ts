import type { Act } from '@dossier/core/account';

interface Section {
  href: `/settings/${string}`;
  name: string;
  /** What is to be found there, in a few words. */
  about: string;
  /** What somebody must be allowed to do to find it of use. */
  needs?: Act;
}

/** The sections of the settings, in the order in which they are listed; a room that has something to be set adds one. */
export const SECTIONS: readonly Section[] = [
  { href: '/settings/you', name: 'You', about: 'your password, signing out' },
  { href: '/settings/card', name: 'Your card', about: 'what you hand out, and its page' },
  { href: '/settings/talks', name: 'Talks', about: 'when others may book you' },
  { href: '/settings/colleagues', name: 'Colleagues', about: 'who is in the team, invitations', needs: 'invite' },
  { href: '/settings/reading', name: 'Reading', about: 'countries and languages of your cards', needs: 'settle' },
  { href: '/settings/pictures', name: 'Pictures', about: 'what is kept of them, and how long', needs: 'settle' },
  { href: '/settings/filing', name: 'Filing', about: 'filed for you, likeness', needs: 'settle' },
  { href: '/settings/occasions', name: 'Occasions', about: 'fairs, visits, routes' },
  { href: '/settings/templates', name: 'Templates', about: 'words you send again and again', needs: 'write' },
  { href: '/settings/plans', name: 'Follow-up plans', about: 'what happens after filing', needs: 'settle' },
  { href: '/settings/mail', name: 'Mail', about: 'your mail server and addresses', needs: 'connect' },
  { href: '/settings/not-written-to', name: 'Not written to', about: 'addresses and domains' },
  { href: '/settings/calendar', name: 'Calendar', about: 'tasks in your own calendar, your day by mail' },
  { href: '/settings/books', name: 'Address books', about: 'your people on your phone, kept in step' },
  { href: '/settings/pipeline', name: 'Leads and business', about: 'stages, words, goals, rates', needs: 'settle' },
  { href: '/settings/tags', name: 'Tags and words', about: 'tags, words for rating' },
  { href: '/settings/fields', name: 'Own fields', about: 'fields beside the usual ones', needs: 'settle' },
  { href: '/settings/learned', name: 'Learned', about: 'what your cards have taught Dossier' },
  { href: '/settings/deleted', name: 'Deleted people', about: 'to be brought back for a month', needs: 'delete' },
  { href: '/settings/programs', name: 'Programs', about: 'tokens, and who is told what', needs: 'connect' },
  { href: '/settings/systems', name: 'Other systems', about: 'where people are handed over to', needs: 'connect' },
  { href: '/settings/directory', name: 'Directory', about: 'what others know of firms and people', needs: 'connect' },
  { href: '/settings/backup', name: 'Backup', about: 'everything in one file', needs: 'backUp' },
  { href: '/settings/device', name: 'This device', about: 'notifications' },
];

export const SET_BY_MANAGER = 'What the team keeps, expects and files without asking is set by your manager.';
