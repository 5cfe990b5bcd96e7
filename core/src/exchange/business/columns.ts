import { namedWord } from '../namedWord';
import { amountOf } from '../../pipeline';
import { BETWEEN, onlyShown, type RecordColumn } from '../records';

/** An opportunity as it goes out. */
export interface TakenOpportunity {
  id: string;
  version: number;
  title: string;
  company: string;
  value: number | null;
  currency: string;
  /** As 2026-03-24. */
  expectedOn: string | null;
  /** Its own, percent; null for that of its stage. */
  chance: number | null;
  stage: string;
  about: readonly string[];
  owner: string;
  state: 'open' | 'won' | 'lost';
  endedAt: Date | null;
  reason: string;
  occasion: string;
  people: readonly string[];
}

/** What of one can be written in a table. Names stand for what they name. */
export type BusinessDraft = Pick<TakenOpportunity, 'title' | 'company' | 'value' | 'currency' | 'expectedOn' | 'chance' | 'stage' | 'owner'> & { about: string[] }; // prettier-ignore

/** The workspace's own words, which cells are read by. */
export interface BusinessWords {
  stages: readonly string[];
  owners: readonly string[];
  currency: string;
}

const LONGEST = { title: 200, company: 240 } as const;
/** A day as it is written in a spreadsheet: 2026-03-24, perhaps with a time behind it. */
const dayOf = (written: string): string | undefined => {
  const day = /^(\d{4}-\d\d-\d\d)(?:[T ].*)?$/.exec(written)?.[1];
  return day && !Number.isNaN(Date.parse(day)) && new Date(day).toISOString().startsWith(day) ? day : undefined;
};

export const BUSINESS_COLUMNS: readonly RecordColumn<TakenOpportunity, BusinessDraft, BusinessWords>[] = [
  {
    key: 'title',
    header: 'Opportunity',
    type: 'text',
    about: 'What it is called.',
    get: ({ title }) => title,
    set: (draft, written) => {
      if (!written) return 'Write what it is called.';
      if (written.length > LONGEST.title) return `Write at most ${LONGEST.title} characters.`;
      draft.title = written;
      return undefined;
    },
  },
  {
    key: 'company',
    header: 'Company',
    type: 'text',
    about: 'The firm; one that is here already, or none.',
    get: ({ company }) => company,
    set: (draft, written) => {
      if (written.length > LONGEST.company) return `Write at most ${LONGEST.company} characters.`;
      draft.company = written;
      return undefined;
    },
  },
  {
    key: 'value',
    header: 'Worth',
    type: 'number',
    about: 'In its currency; empty as long as nobody knows.',
    get: ({ value }) => (value === null ? '' : String(value)),
    set: (draft, written) => {
      const value = written === '' ? null : amountOf(written);
      if (value === undefined) return 'Write an amount such as 12400 or 99.50.';
      draft.value = value;
      return undefined;
    },
  },
  {
    key: 'currency',
    header: 'Currency',
    type: 'text',
    about: 'Three letters, such as EUR (ISO 4217).',
    get: ({ currency }) => currency,
    set: (draft, written, { currency }) => {
      const code = written.toUpperCase() || currency;
      if (!/^[A-Z]{3}$/.test(code)) return 'Write three letters, such as EUR.';
      draft.currency = code;
      return undefined;
    },
  },
  {
    key: 'expectedOn',
    header: 'Expected on',
    type: 'date',
    about: 'The day on which it is expected.',
    get: ({ expectedOn }) => expectedOn ?? '',
    set: (draft, written) => {
      const day = written === '' ? null : dayOf(written);
      if (day === undefined) return 'Write the day as 2026-03-24.';
      draft.expectedOn = day;
      return undefined;
    },
  },
  {
    key: 'chance',
    header: 'Chance, %',
    type: 'number',
    about: 'Its own chance; empty for that of its stage.',
    get: ({ chance }) => (chance === null ? '' : String(chance)),
    set: (draft, written) => {
      if (!/^(?:100|\d{1,2})?$/.test(written)) return 'Write a number from 0 to 100.';
      draft.chance = written === '' ? null : Number(written);
      return undefined;
    },
  },
  {
    key: 'stage',
    header: 'Stage',
    type: 'text',
    about: 'One of the workspace’s stages.',
    get: ({ stage }) => stage,
    set: (draft, written, { stages }) => {
      const stage = namedWord(stages, written);
      if (!stage) return `Write ${stages.join(', ')}.`;
      draft.stage = stage;
      return undefined;
    },
  },
  {
    key: 'about',
    header: 'About',
    type: 'text',
    about: 'What it is about, with semicolons between.',
    get: ({ about }) => about.join(BETWEEN),
    set: (draft, written) => {
      const about = [...new Set(written.split(';').map((word) => word.trim()).filter(Boolean))]; // prettier-ignore
      if (about.length > 30 || about.some((word) => word.length > 60)) return 'Write at most thirty words of at most 60 characters.'; // prettier-ignore
      draft.about = about;
      return undefined;
    },
  },
  {
    key: 'owner',
    header: 'Owner',
    type: 'text',
    about: 'The colleague whose it is.',
    get: ({ owner }) => owner,
    set: (draft, written, { owners }) => {
      const owner = namedWord(owners, written);
      if (!owner) return 'No colleague is called so.';
      draft.owner = owner;
      return undefined;
    },
  },
  onlyShown(
    'state',
    'State',
    'text',
    'Open, Won or Lost.',
    ({ state }) => `${state[0]!.toUpperCase()}${state.slice(1)}`,
  ),
  onlyShown('endedAt', 'Ended', 'moment', 'When it was won or lost.', ({ endedAt }) => endedAt?.toISOString() ?? ''),
  onlyShown('reason', 'Why', 'text', 'Why it was won or lost.', ({ reason }) => reason),
  onlyShown('occasion', 'Occasion', 'text', 'Where it came from.', ({ occasion }) => occasion),
  onlyShown('people', 'People', 'text', 'Who has to do with it.', ({ people }) => people.join(BETWEEN)),
];
