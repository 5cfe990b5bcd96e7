import { EMPTY_PLAIN_SYSTEM, plainOf, setUpOf, type PlainSystem } from '.';

const plain: PlainSystem = {
  ...EMPTY_PLAIN_SYSTEM,
  lead: { path: '/api/prospects', find: ['?ref={ref}', '?MailA={MailA}'] },
  contact: { path: '/api/parties', find: [] },
  company: { path: '/api/houses', find: ['?Style={Style}'] },
  answers: { ...EMPTY_PLAIN_SYSTEM.answers, onceHeader: 'X-Once', refAt: 'ref', foundAt: 'records.0' },
  note: { path: '/api/remarks', find: ['?Key={Key}'], of: 'Of', ours: 'Key', isChanged: true, words: 'Words' },
  picture: { path: '/api/papers', find: [], of: 'Of', ours: '', isChanged: false, bytes: 'Base64', side: '' },
  opportunity: { ...EMPTY_PLAIN_SYSTEM.opportunity, path: '/api/ventures', of: 'Of', title: 'Title', state: 'Fate' },
};

describe('a system as a form shows it', () => {
  it('is set up from paths, and shown again as it was written', () => {
    const system = setUpOf(plain);
    expect(system.objects.lead).toMatchObject({
      find: [{ method: 'GET', path: '/api/prospects?ref={ref}' }, { path: '/api/prospects?MailA={MailA}' }],
      create: { method: 'POST', path: '/api/prospects' },
      update: { method: 'PATCH', path: '/api/prospects/{ref}' },
    });
    expect(system.objects).toMatchObject({ task: null, picture: { update: null }, note: { find: [{ path: '/api/remarks?Key={Key}' }], found: { at: 'records.0' }, update: { path: '/api/remarks/{ref}' } } }); // prettier-ignore
    expect(system.describe).toBeNull();
    expect(plainOf(system)).toEqual(plain);
    // As it was kept before there was any word of business.
    const { opportunity, ...before } = setUpOf({ ...plain, opportunity: EMPTY_PLAIN_SYSTEM.opportunity }).objects;
    expect(opportunity).toBeNull();
    expect(plainOf({ objects: before as typeof system.objects, describe: null })?.opportunity.path).toBe('');
    // As it was kept before what hangs on people was looked for.
    const { find, found, ours, ...paper } = system.objects.picture!;
    expect([find, found.at, ours]).toEqual([[], 'records.0', '']);
    expect(plainOf({ ...system, objects: { ...system.objects, picture: paper as typeof system.objects.picture } })).toEqual(plain); // prettier-ignore
    // However its keys are ordered when it comes back.
    expect(plainOf(JSON.parse(JSON.stringify({ describe: null, objects: system.objects })))).toEqual(plain);
  });

  it('is none where a form would lose something', () => {
    const { objects, describe: described } = setUpOf(plain);
    const with_ = (change: Partial<typeof objects>) => plainOf({ objects: { ...objects, ...change }, describe: described }); // prettier-ignore
    expect(with_({ contact: { ...objects.contact, refAt: 'other' } })).toBeNull();
    expect(with_({ lead: { ...objects.lead, update: { method: 'PATCH', path: '/other/{ref}' } } })).toBeNull();
    expect(with_({ lead: { ...objects.lead, find: [{ method: 'GET', path: '/search?x={x}', at: null }] } })).toBeNull();
    expect(with_({ note: { ...objects.note!, refAt: 'data.id' } })).toBeNull();
  });
});
