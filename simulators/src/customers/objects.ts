/** A field as this system describes it to whoever wants to fill it. */
export interface FieldSays {
  name: string;
  label: string;
  type: 'text' | 'list' | 'number' | 'yesNo' | 'date' | 'choice';
  required: boolean;
  longest: number | null;
  choices: readonly string[];
}

export interface ObjectSays {
  label: string;
  /** What the references of its records begin with. */
  mark: string;
  /** No two records may have the same in it. */
  unique: string | null;
  fields: readonly FieldSays[];
}

const text = (name: string, label: string, longest: number | null = null, required = false): FieldSays => ({
  name,
  label,
  type: 'text',
  required,
  longest,
  choices: [],
});
const choice = (name: string, label: string, ...choices: string[]): FieldSays => ({
  name,
  label,
  type: 'choice',
  required: false,
  longest: null,
  choices,
});

const OF = [text('Of', 'Of whom', null, true), text('Key', 'Key of whoever sent it', 60)];

const CALLED = [
  text('Surname', 'Surname', 40, true),
  text('Forename', 'Forename', 40),
  text('Rank', 'Rank in the house', 60),
  text('House', 'House', 60, true),
  text('HouseRef', 'Ref of the house', 10),
  text('MailA', 'First mail', 120),
  text('MailB', 'Second mail', 120),
  text('Line', 'Line', 30),
  text('Portable', 'Portable', 30),
  text('Quay', 'Street or quay', 80),
  text('Code', 'Post code', 12),
  text('Haven', 'Town', 60),
  text('Realm', 'Country, two letters', 2),
  text('Agent', 'Agent'),
  text('Seen', 'Where it can be seen'),
];

/** What this customer system keeps, in its own words: nobody else's objects and fields are called so. */
export const OBJECTS: Readonly<Record<string, ObjectSays>> = {
  prospects: {
    label: 'Prospects',
    mark: 'P',
    unique: 'MailA',
    fields: [
      ...CALLED,
      choice('Grade', 'Grade', 'A', 'B', 'C'),
      choice('Origin', 'Origin', 'Fair', 'Visit', 'Card', 'Other'),
      { name: 'Marks', label: 'Marks', type: 'list', required: false, longest: null, choices: [] },
      { name: 'May mail', label: 'May be mailed', type: 'yesNo', required: false, longest: null, choices: [] },
    ],
  },
  parties: { label: 'Parties', mark: 'Y', unique: 'MailA', fields: [...CALLED, text('Since', 'Party since', 10)] },
  houses: {
    label: 'Houses',
    mark: 'H',
    unique: 'Style',
    fields: [text('Style', 'Style of the house', 60, true), text('Web', 'Web'), text('Haven', 'Town', 60)],
  },
  ventures: {
    label: 'Ventures',
    mark: 'V',
    unique: null,
    fields: [
      text('Title', 'Title', 80, true),
      ...OF,
      { name: 'Worth', label: 'Worth', type: 'number', required: false, longest: null, choices: [] },
      text('Coin', 'Coin', 3),
      text('Step', 'Step', 60),
      choice('Fate', 'Fate', 'open', 'won', 'lost'),
      text('Hoped', 'Hoped for', 10),
      text('Because', 'Because', 200),
    ],
  },
  remarks: {
    label: 'Remarks',
    mark: 'R',
    unique: null,
    fields: [...OF, text('Words', 'Words', 2000, true)],
  },
  errands: { label: 'Errands', mark: 'E', unique: null, fields: [...OF, text('What', 'What', 200, true), text('By', 'By', 10), text('Done', 'Done on', 10)] }, // prettier-ignore
  papers: { label: 'Papers', mark: 'B', unique: null, fields: [...OF, text('Kind', 'Kind', 40), text('Base64', 'Base64', null, true)] }, // prettier-ignore
};
