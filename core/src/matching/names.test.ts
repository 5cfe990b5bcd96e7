import { emptyPersonFields } from '../people';
import { companyFormOf, companyLikeness } from './companyForm';
import { familyLikeness, givenLikeness, readShape, typingDistance } from './likeness';
import { nameFormOf } from './nameForm';
import { soundKey } from './soundKey';
import { isRoleAddress } from './tables/roleAddresses';

const name = (
  givenName: string,
  familyName: string,
  rest: { prefix?: string; suffix?: string; middleName?: string } = {},
) => nameFormOf({ ...emptyPersonFields(), givenName, familyName, ...rest });

describe('a name as it is compared', () => {
  it.each([
    [name('Jürgen', 'Müller'), name('Juergen', 'MUELLER')],
    [name('Åsa', 'Lüdersen'), name('Asa', 'Ludersen')],
    [name('Søren', "O'Rourke"), name('Soren', 'ORourke')],
    [name('Dr. Nella', 'V0ss'), name('Nella', 'Voss')],
    [name('Nella Voss', ''), name('Nella', 'Voss')],
    [name('', 'Nella Voss'), name('Nella', 'Voss')],
    [name('Юлия', 'Иванова'), name('Iuliia', 'Ivanova')],
  ])('is the same however it is spelled (%#)', (one, other) => {
    expect([one.given, one.familyLast]).toEqual([other.given, other.familyLast]);
  });

  it('is without particles, degrees and words of descent, which are kept apart', () => {
    expect(name('Pieter', 'van der Berg')).toMatchObject({ familyLast: 'berg', familyWhole: 'vanderberg' });
    expect(name('Otto', 'Voss Jr.', { prefix: 'Herr' })).toMatchObject({
      familyLast: 'voss',
      generation: 2,
      salutation: 'm',
    });
    expect(name('Otto', 'Voss', { suffix: 'MBA, III' }).generation).toBe(3);
    expect(name('Maria', 'Voss', { prefix: 'Frau Dr.' }).salutation).toBe('f');
  });

  it('keeps a compound in one, and its parts', () => {
    expect(name('Anna-Lena', 'Voss', { middleName: 'M.' })).toMatchObject({
      given: ['annalena', 'm'],
      givenParts: ['anna', 'lena', 'm'],
    });
  });
});

describe('likeness of given names', () => {
  it.each([
    ['robert', 'bob', 'shortForm'],
    ['bob', 'rob', 'shortForm'],
    ['johannes', 'hans', 'shortForm'],
    ['alexander', 'alex', 'shortForm'],
    ['katherine', 'katherinc', 'close'],
    ['bjorn', 'bjom', 'close'],
    ['stefan', 'stephan', 'sound'],
    ['anna', 'otto', 'different'],
    ['jan', 'jon', 'different'],
  ])('%s and %s: %s', (a, b, likeness) => {
    expect(givenLikeness(a, b)).toBe(likeness);
    expect(givenLikeness(b, a)).toBe(likeness);
  });
});

describe('likeness of family names', () => {
  it.each([
    ['fernridge', 'femridge', 'close'],
    ['fernridge', 'fernrigde', 'close'],
    ['meier', 'mayer', 'sound'],
    ['schmidt', 'smit', 'sound'],
    ['harrow', 'quayside', 'different'],
  ])('%s and %s: %s', (a, b, likeness) => expect(familyLikeness(a, b)).toBe(likeness));

  it('counts letters that changed places as one slip, and no further than asked', () => {
    expect(typingDistance('voss', 'vsos', 3)).toBe(1);
    expect(typingDistance('harrowfield', 'harowfeild', 3)).toBe(2);
    expect(typingDistance('voss', 'harrowfield', 2)).toBe(3);
  });

  it('has one shape for what a reader confuses, and one key for what sounds alike', () => {
    expect(readShape('barnes')).toBe(readShape('bames'));
    expect(soundKey('phillips')).toBe(soundKey('filips'));
    expect(soundKey('meyer')).toBe(soundKey('maier'));
    expect(soundKey('voss')).not.toBe(soundKey('brandt'));
  });
});

describe('likeness of companies', () => {
  it.each([
    ['Larkspur Foods plc', 'LARKSPUR FOODS', 'same'],
    ['Quay & Sons Ltd.', 'Quay and Sons', 'same'],
    ['Nordhaven Mfg. GmbH', 'Nordhaven Manufacturing', 'same'],
    ['Larkspur Foods', 'Larkspr Foods', 'close'],
    ['Harrowfield Creamery', 'Harrowfield', 'close'],
    ['Kelmouth Cold Stores', 'KCS', 'close'],
    ['Larkspur Foods', 'Larkrise Meats', 'different'],
    ['Harrowfield Creamery', 'Bramble Creamery', 'different'],
  ])('%s and %s: %s', (a, b, likeness) => {
    expect(companyLikeness(companyFormOf(a), companyFormOf(b))).toBe(likeness);
    expect(companyLikeness(companyFormOf(b), companyFormOf(a))).toBe(likeness);
  });
});

it.each([
  ['info@quay.example', true],
  ['sales.uk@quay.example', true],
  ['Vertrieb2@quay.example', true],
  ['nella.voss@quay.example', false],
  ['infante@quay.example', false],
])('%s reaches an office: %s', (email, office) => expect(isRoleAddress(email)).toBe(office));
