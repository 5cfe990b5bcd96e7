import fc from 'fast-check';
import { emptyPersonFields, type PersonFields } from '../people';
import {
  blockKeys,
  featuresOf,
  FrequencyCounter,
  frequenciesOf,
  learnFrom,
  likeliestFirst,
  LIMITS,
  Matcher,
  RegisterSearch,
  sweep,
  type Features,
  type Match,
} from './people';
import { ASSUMED_MATCHES } from './weights';

const person = (fields: Partial<PersonFields> & { email?: string; mobile?: string }): PersonFields => ({
  ...emptyPersonFields(),
  ...(fields.email && { emails: [fields.email] }),
  ...(fields.mobile && { phones: [{ value: fields.mobile, kind: 'mobile' as const, extension: '' }] }),
  ...fields,
});

const nella = person({
  givenName: 'Nella',
  familyName: 'Harrowfield',
  title: 'Dispatch lead',
  company: 'Larkspur Foods plc',
  email: 'nella.harrowfield@larkspur.example',
  mobile: '+447700900651',
  street: '9 Quay Road',
  postalCode: 'PE4 7QX',
  locality: 'Port Ellery',
  country: 'GB',
});

/** Compared in a workspace that knows some colleagues of theirs, who share the switchboard. */
const switchboard = '+441632960100';
const colleagues = ['Otto Brandt', 'Ida Moss', 'Tamsin Crane', 'Leif Aldous', 'Amara Kelder'].map((name) =>
  person({
    givenName: name.split(' ')[0],
    familyName: name.split(' ')[1],
    company: 'Larkspur Foods plc',
    phones: [{ value: switchboard, kind: 'work', extension: '' }],
  }),
);
function matcherFor(...people: PersonFields[]): Matcher {
  const frequencies = new FrequencyCounter();
  for (const fields of people) frequencies.add(featuresOf(fields, 'GB'));
  return new Matcher({ frequencies });
}
const compare = (a: PersonFields, b: PersonFields, others: readonly PersonFields[] = colleagues): Match =>
  matcherFor(a, b, ...others).compare(featuresOf(a, 'GB'), featuresOf(b, 'GB'));
const words = (match: Match) => match.evidence.map((e) => e.words).join('; ');

describe('the same person', () => {
  it.each<[string, Partial<PersonFields>]>([
    ['with a new title', { title: 'Head of Cold Chain' }],
    ['with a letter misread', { familyName: 'Harrowfie1d', emails: [] }],
    ['in capitals, without legal form', { givenName: 'NELLA', familyName: 'HARROWFIELD', company: 'Larkspur Foods' }],
    ['without any address', { emails: [], phones: [] }],
    ['with names in each other’s place', { givenName: 'Harrowfield', familyName: 'Nella' }],
    ['by an initial and the mobile', { givenName: 'N.', emails: [], company: '' }],
  ])('%s', (_, change) => {
    const match = compare(nella, { ...nella, ...change });
    expect([match.band, match.newJob]).toEqual(['same', false]);
  });

  it('is offered as one in a new job when name and mobile agree and the firm does not', () => {
    const elsewhere = {
      ...nella,
      company: 'Bramble & Daughters',
      title: 'Owner',
      emails: ['nella@bramble.example'],
      street: '1 Dock Street',
      postalCode: 'TM2 2AA',
      locality: 'Tarnmoor',
    };
    const match = compare(nella, elsewhere);
    expect(match.newJob).toBe(true);
    expect(match.band).toBe('same');
    expect(words(match)).toMatch(/same phone, \+44 7700 900651.*another firm/);
  });

  it('is told with the reasons, the most telling first', () => {
    const match = compare(nella, { ...nella, title: '' });
    expect(match.evidence[0]!.words).toBe('same e-mail, nella.harrowfield@larkspur.example');
    expect(words(match)).toContain('family name, Harrowfield');
    expect(match.evidence.map((e) => Math.abs(e.weight))).toEqual(
      match.evidence.map((e) => Math.abs(e.weight)).sort((a, b) => b - a),
    );
  });
});

describe('the occasion', () => {
  const met = (fields: PersonFields, ...occasions: string[]) => featuresOf(fields, 'GB', { occasions });
  const compareMet = (a: Features, b: Features, others: Features[] = []) => {
    const frequencies = new FrequencyCounter();
    for (const features of [a, b, ...others]) frequencies.add(features);
    return new Matcher({ frequencies }).compare(a, b);
  };
  const saysOf = (match: Match) => match.evidence.find(({ about }) => about === 'occasion')?.weight;

  it('of both cards speaks a little for one person, less so where everybody was', () => {
    const others = Array.from({ length: 200 }, (_, i) => met(colleagues[i % colleagues.length]!, 'fair'));
    const visit = saysOf(compareMet(met(nella, 'visit'), met(nella, 'visit'), others))!;
    const fair = saysOf(compareMet(met(nella, 'fair'), met(nella, 'fair', 'visit'), others))!;
    expect([visit > fair, fair >= 0, visit <= 2]).toEqual([true, true, true]);
    expect(saysOf(compareMet(met(nella, 'fair'), met(nella, 'visit'), others))).toBeUndefined();
  });

  it('makes nobody the same who is somebody else', () => {
    const [a, b] = [met(colleagues[0]!, 'fair'), met(colleagues[1]!, 'fair')];
    expect(compareMet(a, b).band).toBe('different');
  });
});

describe('somebody else', () => {
  const office = { phones: [{ value: switchboard, kind: 'work' as const, extension: '' }] };
  it.each<[string, PersonFields, PersonFields, Match['band'][]]>([
    [
      'a colleague on the same switchboard',
      { ...nella, ...office },
      { ...colleagues[0]!, street: nella.street, postalCode: nella.postalCode },
      ['different'],
    ],
    [
      'a colleague behind the same general address',
      { ...nella, emails: ['info@larkspur.example'] },
      { ...colleagues[1]!, emails: ['info@larkspur.example'] },
      ['different'],
    ],
    [
      'a father and a son',
      { ...nella, ...office, givenName: 'Oskar', emails: ['oskar@larkspur.example'] },
      { ...nella, ...office, givenName: 'Henrik', emails: ['henrik@larkspur.example'] },
      ['different'],
    ],
    [
      'a father and a son of one name',
      { ...nella, suffix: 'Sr.', emails: [] },
      { ...nella, suffix: 'Jr.', emails: [], phones: [] },
      ['different', 'perhaps'],
    ],
    [
      'an extension further',
      { ...nella, emails: [], phones: [{ value: switchboard, kind: 'work', extension: '12' }], givenName: 'N.' },
      { ...nella, emails: [], phones: [{ value: switchboard, kind: 'work', extension: '14' }], givenName: 'Otto' },
      ['different'],
    ],
    [
      'man and wife',
      { ...nella, prefix: 'Mr', givenName: 'N.', emails: [] },
      { ...nella, prefix: 'Mrs', givenName: 'N.', emails: [] },
      ['different', 'perhaps'],
    ],
    [
      'a namesake elsewhere',
      person({ givenName: 'Anna', familyName: 'Voss', company: 'Larkspur Foods', email: 'anna@larkspur.example' }),
      person({ givenName: 'Anna', familyName: 'Voss', company: 'Quay Fish', email: 'a.voss@quay.example' }),
      ['different', 'perhaps'],
    ],
  ])('%s', (_, a, b, bands) => {
    expect(bands).toContain(compare(a, b).band);
  });

  it('is a matter of how common a name is', () => {
    const voss = Array.from({ length: 400 }, (_, i) =>
      person({ givenName: i % 2 ? 'Anna' : `Given${i}x`, familyName: i % 3 ? 'Voss' : `Family${i}x` }),
    );
    const [one, other] = [
      person({ givenName: 'Anna', familyName: 'Voss' }),
      person({ givenName: 'Anna', familyName: 'Voss' }),
    ];
    const [rare, too] = [
      person({ givenName: 'Isolde', familyName: 'Quillan' }),
      person({ givenName: 'Isolde', familyName: 'Quillan' }),
    ];
    expect(compare(rare, too, voss).likelihood).toBeGreaterThan(5 * compare(one, other, voss).likelihood);
    expect(compare(rare, too, voss).band).toBe('perhaps');
  });
});

const text = (...values: string[]) => fc.constantFrom('', ...values);
const anybody = fc
  .record({
    prefix: text('Mr', 'Mrs', 'Dr.'),
    givenName: text('Nella', 'Bob', 'Robert', 'R.', 'Anna-Lena', 'Voss'),
    middleName: text('M.', 'Maria'),
    familyName: text('Voss', 'Voß', 'Harrowfield-Voss', 'Boss', 'Robert'),
    suffix: text('Jr.', 'Sr.', 'MBA'),
    title: text('Buyer', 'Head buyer'),
    company: text('Larkspur Foods', 'Larkspur Foods plc', 'Quay Fish'),
    emails: fc.subarray([
      'info@larkspur.example',
      'nella@larkspur.example',
      'bob.voss@quay.example',
      'bob.vos@quay.example',
    ]),
    phones: fc
      .subarray(['+447700900651', '+447700900652', '+441632960100'])
      .map((list) => list.map((value) => ({ value, kind: 'work' as const, extension: '' }))),
    street: text('9 Quay Road'),
    postalCode: text('PE4 7QX'),
    locality: text('Port Ellery', 'Tarnmoor'),
    country: text('GB', 'DE'),
  })
  .map((fields): PersonFields => ({ ...emptyPersonFields(), ...fields }));

describe('the likelihood', () => {
  it('is the same whichever of two is asked about', () => {
    fc.assert(
      fc.property(anybody, anybody, (a, b) => {
        const matcher = matcherFor(a, b, ...colleagues);
        const [one, other] = [featuresOf(a, 'GB'), featuresOf(b, 'GB')];
        expect(matcher.compare(one, other).likelihood).toBeCloseTo(matcher.compare(other, one).likelihood, 12);
      }),
    );
  });

  it('is highest for a record like itself', () => {
    fc.assert(
      fc.property(anybody, fc.array(anybody, { maxLength: 6 }), (a, others) => {
        const matcher = matcherFor(a, a, ...others);
        const features = [a, a, ...others].map((fields) => featuresOf(fields, 'GB'));
        const itself = matcher.compare(features[0]!, features[1]!).likelihood;
        for (const other of features.slice(2))
          expect(matcher.compare(features[0]!, other).likelihood).toBeLessThanOrEqual(itself + 1e-9);
      }),
    );
  });

  it('is no lower for a postal code and its town than for the town alone, though more people have that code', () => {
    const both = person({ familyName: '', givenName: '', postalCode: 'PE4 7QX', locality: 'Port Ellery' });
    const town = { ...both, postalCode: '' };
    const code = { ...both, locality: '' };
    const matcher = matcherFor(both, both, town, code, code);
    const of = (other: PersonFields) => matcher.compare(featuresOf(both, 'GB'), featuresOf(other, 'GB')).likelihood;
    expect(of(both)).toBeGreaterThanOrEqual(of(town));
    expect(of(both)).toBeGreaterThanOrEqual(of(code));
  });

  it('is no lower for a firm and its town than for the firm alone, though the town is rarer', () => {
    const whole = person({ givenName: 'Isolde', familyName: 'Quillan', company: 'Quay Fish', locality: 'Port Ellery' });
    const firm = { ...whole, locality: '' };
    const matcher = matcherFor(whole, whole, firm);
    const of = (other: PersonFields) => matcher.compare(featuresOf(whole, 'GB'), featuresOf(other, 'GB')).likelihood;
    expect(of(whole)).toBeGreaterThanOrEqual(of(firm));
  });

  it('is no higher for a slip in a mailbox that several share than for that mailbox', () => {
    const [whole, slip] = ['bob.voss@quay.example', 'bob.vos@quay.example'].map((email) => person({ email }));
    const matcher = matcherFor(whole!, whole!, whole!, whole!, slip!);
    const of = (other: PersonFields) => matcher.compare(featuresOf(whole!, 'GB'), featuresOf(other, 'GB')).likelihood;
    expect(of(slip!)).toBeLessThanOrEqual(of(whole!));
  });

  it('is not lost on what is kept of the frequencies', () => {
    const counter = new FrequencyCounter();
    for (const fields of [...colleagues, ...colleagues, ...colleagues, nella]) counter.add(featuresOf(fields, 'GB'));
    const kept = frequenciesOf(
      JSON.parse(JSON.stringify(counter.toTable())) as ReturnType<FrequencyCounter['toTable']>,
    );
    expect(kept.count('firm', 'larkspurfoods')).toBe(16);
    expect(kept.sharers(switchboard)).toBe(5);
    expect(kept.count('family', 'brandt')).toBe(3);
  });
});

describe('a whole register', () => {
  const register = [
    nella,
    ...colleagues,
    { ...nella, givenName: 'Nela' },
    { ...nella, company: 'Bramble', emails: [] },
  ].map((f) => featuresOf(f, 'GB'));

  it('has its pairs found, the likeliest first', () => {
    const steps = [...sweep(register)];
    const search = sweep(register);
    let step = search.next();
    while (!step.done) step = search.next();
    expect(steps.every((share) => share > 0 && share <= 1)).toBe(true);
    expect(step.value.pairs.map(({ a, b }) => [a, b])).toEqual(
      expect.arrayContaining([
        [0, 6],
        [0, 7],
        [6, 7],
      ]),
    );
    expect(step.value.pairs).toHaveLength(3);
  });

  it('is searched in parts with the same result', () => {
    const found = (part: number, parts: number) => {
      const search = new RegisterSearch(register, LIMITS, part, parts);
      const steps = search.candidates();
      let step = steps.next();
      while (!step.done) step = steps.next();
      return { candidates: step.value, search };
    };
    const whole = found(0, 1);
    const shares = [found(0, 3), found(1, 3), found(2, 3)];
    const learned = learnFrom(whole.candidates, register.length);
    expect(learnFrom(shares.flatMap(({ candidates }) => candidates), register.length)).toEqual(learned); // prettier-ignore
    const judged = likeliestFirst(shares.flatMap(({ search }) => search.judge(learned)));
    expect(judged).toEqual(likeliestFirst(whole.search.judge(learned)));
    expect(judged).toHaveLength(3);
  });

  it('brings together whatever single thing is wrong', () => {
    const keys = new Set(blockKeys(featuresOf(nella)));
    const changes: Partial<PersonFields>[] = [
      { givenName: 'Mella' }, { familyName: 'Barrowfield' }, { familyName: 'Harrowfielt' }, { emails: [], phones: [] }, { company: '', emails: [], phones: [], postalCode: '' },
    ]; // prettier-ignore
    for (const change of changes) {
      expect(blockKeys(featuresOf({ ...nella, ...change })).some((key) => keys.has(key))).toBe(true);
    }
  });

  it('teaches how records differ, when there are enough of them', () => {
    const outcome = { given: 'exact', family: 'exact', mailbox: 'different', phone: 'same', firm: 'same' } as const;
    const few = learnFrom([{ outcome, likelihood: 1 }], 50);
    expect(few.matches.given.exact).toBeCloseTo(ASSUMED_MATCHES.given.exact, 2);
    const many = learnFrom(
      Array.from({ length: 3000 }, () => ({ outcome, likelihood: 1 })),
      10_000,
    );
    expect(many.matches.mailbox.different).toBeGreaterThan(0.8);
    expect(many.doubles).toBeCloseTo(0.29, 1);
    const sum = Object.values(many.matches.mailbox).reduce((total, share) => total + share, 0);
    expect(sum).toBeCloseTo(1, 9);
  });
});
