import { emptyPersonFields } from '../../people';
import { isSameFirm, isSamePerson } from './isSame';
import type { KnownFirm, KnownPerson } from './models';
import { firmOffers, personOffers, withTaken } from './offers';

const known: KnownPerson = { ref: 'p1', fullName: 'Tobias Skerritt', company: 'Skerry Fish Auctions Ltd', emails: ['t.skerritt@skerryfish.example'], title: 'Head of auctions', phones: ['01632 960551'], pages: ['https://pages.example/skerritt'], portrait: '/portraits/p1' }; // prettier-ignore
const firm: KnownFirm = { ref: 'f1', name: 'Skerry Fish Auctions Limited', domains: ['skerryfish.example'], industry: 'Fish auctions', size: '50 to 99', founded: '1987', phone: '', address: '', pages: [] }; // prettier-ignore

describe('whom a directory means', () => {
  const here = { fullName: 'Tobias Skerritt', company: 'Skerry Fish Auctions', emails: [] as string[] };
  it.each([
    ['the same address, whatever the name', { ...here, fullName: 'T. S.', company: '', emails: ['T.Skerritt@SkerryFish.example'] }, true],
    ['the same name at the same firm', here, true],
    ['the same name, and an address of the same firm', { ...here, company: '', emails: ['office@skerryfish.example'] }, true],
    ['the same name alone', { ...here, company: '' }, false],
    ['the same name at another firm', { ...here, company: 'Tarnmoor Packers' }, false],
    ['another name at the same firm', { ...here, fullName: 'Ida Skerritt' }, false],
    ['nobody by name', { ...here, fullName: ' ' }, false],
  ])('%s', (_, who, same) => expect(isSamePerson(who, known)).toBe(same)); // prettier-ignore

  it.each([
    ['a domain of its own', { name: 'SFA', domains: ['mail.skerryfish.example'] }, true],
    ['the same name with its form written out', { name: 'Skerry Fish Auctions Ltd', domains: [] }, true],
    ['the same name with another form', { name: 'Skerry Fish Auctions GmbH', domains: [] }, false],
    ['no name at all', { name: '', domains: [] }, false],
  ])('of firms: %s', (_, who, same) => expect(isSameFirm(who, firm)).toBe(same));

  it('is nobody because both have an address where everybody has one', () => {
    const free = { ...known, company: '', emails: ['skerritt@gmail.com'] };
    expect(isSamePerson({ fullName: 'Tobias Skerritt', company: '', emails: ['other@gmail.com'] }, free)).toBe(false);
  });
});

describe('what a directory offers', () => {
  const here = { ...emptyPersonFields(), title: 'Auctioneer', phones: [{ value: '+441632960552', kind: 'work' as const, extension: '' }], websites: ['http://www.pages.example/skerritt/'] }; // prettier-ignore

  it('is only what is not here yet, numbers and pages however they are written', () => {
    expect(personOffers(here, known, 'GB', { portraits: true })).toEqual([
      { field: 'title', value: 'Head of auctions' },
      { field: 'phone', value: '+441632960551' },
      { field: 'portrait', value: '/portraits/p1' },
    ]);
    expect(personOffers({ ...here, title: 'HEAD OF AUCTIONS' }, { ...known, phones: ['+44 1632 960552'] }, 'GB', { portraits: false })).toEqual([]); // prettier-ignore
  });

  it('holds no page that is none', () => {
    const pages = ['javascript:alert(1)', 'pages.example', 'ftp://pages.example/x', `https://pages.example/${'x'.repeat(600)}`]; // prettier-ignore
    expect(personOffers(here, { ...known, title: '', phones: [], pages }, 'GB', { portraits: false })).toEqual([]);
  });

  it('of a firm leaves out what was taken before', () => {
    expect(firmOffers([{ field: 'industry', value: 'fish auctions' }], firm, 'GB')).toEqual([
      { field: 'size', value: '50 to 99' },
      { field: 'founded', value: '1987' },
    ]);
  });

  it('changes what was taken and nothing else, and twice taken is once taken', () => {
    const taken = personOffers(here, known, 'GB', { portraits: false });
    const after = withTaken(here, taken);
    expect(after).toEqual({ ...here, title: 'Head of auctions', phones: [...here.phones, { value: '+441632960551', kind: 'work', extension: '' }] }); // prettier-ignore
    expect(withTaken(after, taken)).toEqual(after);
    expect(personOffers(after, known, 'GB', { portraits: false })).toEqual([]);
  });
});
