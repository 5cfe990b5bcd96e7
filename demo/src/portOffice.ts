import type { DestinationFields, HandOverMapping, OutsideObject } from '@dossier/contract';

const FOUND = { at: 'records.0', refAt: 'ref', linkAt: 'seen', valuesAt: 'values' };

const object = (name: string, find: readonly string[]): OutsideObject => ({
  find: ['ref={ref}', ...find.map((field) => `${field}={${field}}`)].map((query) => ({
    method: 'GET' as const,
    path: `/api/${name}?${query}`,
    at: null,
  })),
  create: { method: 'POST', path: `/api/${name}` },
  update: { method: 'PATCH', path: `/api/${name}/{ref}` },
  onceHeader: 'X-Once',
  bodyAt: '',
  refAt: 'ref',
  linkAt: 'seen',
  found: FOUND,
});

const hanging = (name: string) => ({
  find: [{ method: 'GET' as const, path: `/api/${name}?Key={Key}`, at: null }],
  found: FOUND,
  ours: 'Key',
  create: { method: 'POST' as const, path: `/api/${name}` },
  update: { method: 'PATCH' as const, path: `/api/${name}/{ref}` },
  onceHeader: 'X-Once',
  of: 'Of',
  refAt: 'ref',
});

/** The port office as a destination. @param base where it is asked @param secret what we are let in by */
export const portOffice = (base: string, secret: string): DestinationFields => ({
  name: 'The port office',
  to: {
    kind: 'system',
    base,
    auth: { kind: 'oauth', tokenPath: '/oauth/token', client: 'dossier', scope: '' },
    objects: {
      lead: object('prospects', ['MailA', 'Portable']),
      contact: object('parties', ['MailA', 'Portable']),
      company: object('houses', ['Style']),
      note: { ...hanging('remarks'), words: 'Words' },
      task: { ...hanging('errands'), words: 'What', due: 'By', done: 'Done' },
      picture: { ...hanging('papers'), update: null, bytes: 'Base64', side: 'Kind' },
      opportunity: { ...hanging('ventures'), title: 'Title', value: 'Worth', currency: 'Coin', stage: 'Step', state: 'Fate', expected: 'Hoped', reason: 'Because' }, // prettier-ignore
    },
    describe: {
      path: '/api/describe',
      leadAt: 'objects.prospects.fields',
      contactAt: 'objects.parties.fields',
      companyAt: 'objects.houses.fields',
    },
  },
  secret,
  when: 'leads',
  occasions: [],
  perMinute: 600,
  paused: false,
});

type Rule = HandOverMapping['lead'][number];
const rule = (to: string, from: string[], ...steps: Rule['steps']): Rule => ({
  to,
  from,
  fixed: null,
  steps,
  as: 'text',
});

const BOTH: Rule[] = [
  rule('Surname', ['familyName'], { do: 'cut', length: 40 }),
  rule('Forename', ['prefix', 'givenName'], { do: 'join', with: ' ' }, { do: 'cut', length: 40 }),
  rule('Rank', ['title'], { do: 'cut', length: 60 }),
  rule('House', ['company'], { do: 'cut', length: 60 }),
  rule('HouseRef', ['companyRef']),
  rule('MailA', ['emails'], { do: 'first' }),
  rule('Line', ['workPhones'], { do: 'first' }),
  rule('Portable', ['mobiles'], { do: 'first' }),
  rule('Quay', ['street']),
  rule('Code', ['postalCode']),
  rule('Haven', ['locality']),
  rule('Realm', ['country'], { do: 'countryCode' }),
  rule('Agent', ['owner']),
  rule('Seen', ['link']),
];

export const PORT_OFFICE_MAPPING: HandOverMapping = {
  lead: [
    ...BOTH,
    rule('Grade', ['rating'], {
      do: 'lookUp',
      rows: [
        { from: 'Hot', to: 'A' },
        { from: 'Warm', to: 'B' },
        { from: 'Cold', to: 'C' },
      ],
      otherwise: '',
    }),
    { to: 'Origin', from: [], fixed: 'Card', steps: [], as: 'text' },
    { ...rule('Marks', ['tags']), as: 'list' },
  ],
  contact: [...BOTH, rule('Since', ['filedOn'])],
  company: [rule('Style', ['company'], { do: 'cut', length: 60 }), rule('Web', ['websites'], { do: 'first' }), rule('Haven', ['locality'])], // prettier-ignore
  occasions: [],
};
