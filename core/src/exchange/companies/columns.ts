import { BETWEEN, onlyShown, type RecordColumn } from '../records';

/** A firm as it goes out. */
export interface TakenCompany {
  id: string;
  name: string;
  /** Older names and other spellings that mean it too. */
  otherNames: readonly string[];
  /** How many work there now. */
  people: number;
  town: string;
  /** Of those who work there, the most common first. */
  domains: readonly string[];
  websites: readonly string[];
  phones: readonly string[];
  addresses: readonly string[];
  /** What is open and what was won, in each currency. */
  open: readonly WorthIn[];
  won: readonly WorthIn[];
  /** The latest first. */
  notes: readonly string[];
}

/** An amount, and of how many. */
export interface WorthIn {
  currency: string;
  count: number;
  value: number;
}

/** What of one can be written in a table. */
export interface CompanyDraft {
  name: string;
  /** To be noted of it; nothing where it is empty. */
  note: string;
}

const LONGEST = { name: 240, note: 4000 } as const;
const worth = (sums: readonly WorthIn[]): string =>
  sums.map(({ currency, count, value }) => `${currency} ${value} (${count})`).join(BETWEEN);

export const COMPANY_COLUMNS: readonly RecordColumn<TakenCompany, CompanyDraft, undefined>[] = [
  {
    key: 'name',
    header: 'Company',
    type: 'text',
    about: 'The name of the firm. The one that it had still means it.',
    get: ({ name }) => name,
    set: (draft, written) => {
      if (!written) return 'Write the name of the firm.';
      if (written.length > LONGEST.name) return `Write at most ${LONGEST.name} characters.`;
      draft.name = written;
      return undefined;
    },
  },
  onlyShown('otherNames', 'Also called', 'text', 'Older names and other spellings.', ({ otherNames }) => otherNames.join(BETWEEN)), // prettier-ignore
  onlyShown('people', 'People', 'number', 'How many who are known work there now.', ({ people }) => String(people)),
  onlyShown('town', 'Town', 'text', 'Where most of them work.', ({ town }) => town),
  onlyShown('addresses', 'Addresses', 'text', 'From the cards of those who work there.', ({ addresses }) => addresses.join(BETWEEN)), // prettier-ignore
  onlyShown('phones', 'Phones', 'text', 'Numbers on their cards, the most common first.', ({ phones }) =>
    phones.join(BETWEEN),
  ),
  onlyShown('domains', 'E-mail domains', 'text', 'What stands behind the @ of their addresses.', ({ domains }) => domains.join(BETWEEN)), // prettier-ignore
  onlyShown('websites', 'Websites', 'text', 'Web addresses on their cards.', ({ websites }) => websites.join(BETWEEN)),
  onlyShown('open', 'Open business', 'text', 'What is open, in each currency, with how many opportunities.', ({ open }) => worth(open)), // prettier-ignore
  onlyShown('won', 'Won business', 'text', 'What was won, in each currency, with how many opportunities.', ({ won }) => worth(won)), // prettier-ignore
  onlyShown('notes', 'Notes', 'text', 'What was noted of it, the latest first.', ({ notes }) => notes.join('\n\n')),
  {
    key: 'note',
    header: 'A further note',
    type: 'text',
    lines: true,
    about: 'Empty when it goes out; what is written here is noted of the firm, once.',
    get: () => '',
    set: (draft, written) => {
      if (written.length > LONGEST.note) return `Write at most ${LONGEST.note.toLocaleString('en')} characters.`;
      draft.note = written.replace(/\r\n?/g, '\n');
      return undefined;
    },
  },
];
