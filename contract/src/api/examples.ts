/** What is sent and answered, as examples of made-up people and firms: each is as its schema wants it, which a test proves. */
export const EXAMPLES: Readonly<Record<string, unknown>> = {
  NewToken: {
    name: 'Scanner at the gate',
    scopes: ['pictures:send', 'cards:read'],
    endsAt: '2027-06-30T22:00:00Z',
    perMinute: 120,
  },
  TokenMade: {
    id: '01990000-0000-7000-8000-000000000001',
    token: 'dossier_7tV0mVQe1w4c0i2m3n5p6r8s9t0u1v2w3x4y5z6a7b8',
  },
  AllowedOrigins: { origins: ['https://intranet.keldermoss.example'] },
  TextCard: {
    kind: 'text',
    takenAt: '2026-11-29T09:30:00Z',
    text: 'Nella Harrowfield\nHead of procurement\nHarrowfield Dairies\nnella@harrowfield.example\n+44 1632 960117',
  },
  PersonFields: {
    prefix: '',
    givenName: 'Nella',
    middleName: '',
    familyName: 'Harrowfield',
    suffix: '',
    title: 'Head of procurement',
    department: '',
    company: 'Harrowfield Dairies',
    emails: ['nella@harrowfield.example'],
    phones: [{ value: '+441632960117', kind: 'work', extension: '12' }],
    websites: ['harrowfield.example'],
    street: '9 Quay Road',
    postalCode: 'PE4 7QX',
    locality: 'Port Ellery',
    region: '',
    country: 'GB',
    more: [],
  },
  NoteFields: { text: 'Wants a visit before Easter.', kind: 'note' },
  TaskFields: { text: 'Send the price list', dueOn: '2026-12-04', dueTime: '10:00' },
  ConsentGiven: { channels: ['email'], scope: 'offers of cold stores', how: 'spoken' },
  Filed: { personId: '01990000-0000-7000-8000-000000000002', outcome: 'created' },
  TagRename: { from: 'coldchain', to: 'cold chain' },
  CompanyRename: { name: 'Harrowfield Dairies Ltd', version: 3 },
  OccasionFields: {
    name: 'Quayside fair',
    place: 'Port Ellery',
    startsOn: '2026-11-27',
    endsOn: '2026-11-29',
    tags: ['quayfair'],
  },
  Problem: {
    type: 'about:blank',
    title: 'Something is missing or wrong',
    status: 400,
    detail: 'Write the e-mail address in full.',
    code: 'invalid-request',
    errors: [{ path: 'fields.emails.0', message: 'Write the e-mail address in full.' }],
  },
};

export const exampleOf = (name: string): { examples?: unknown[] } =>
  name in EXAMPLES ? { examples: [EXAMPLES[name]] } : {};
