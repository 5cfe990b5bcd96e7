import { emptyPersonFields, type PersonFields } from '../people';
import { compareFields, emailKey, mergeFields, mergeRecords, phoneKey, websiteKey } from '.';

const known: PersonFields = {
  ...emptyPersonFields(),
  givenName: 'Nella',
  familyName: 'Voss',
  title: 'Dispatch lead',
  emails: ['nella@harrowfield.example'],
  phones: [{ value: '+447700900651', kind: 'mobile', extension: '' }],
};
const card: PersonFields = {
  ...emptyPersonFields(),
  givenName: 'Nella',
  familyName: 'Harrowfield-Voss',
  title: 'Dispatch lead',
  emails: ['NELLA@harrowfield.example', 'office@harrowfield.example'],
  phones: [{ value: '07700 900651', kind: 'mobile', extension: '' }],
};

describe('the card against the record', () => {
  it('differs only where the card says something else', () => {
    expect(compareFields(known, { ...card, phones: known.phones }).map((d) => d.field)).toEqual([
      'familyName',
      'emails',
    ]);
    expect(compareFields(known, emptyPersonFields())).toEqual([]);
    expect(compareFields(known, known)).toEqual([]);
  });

  it('keeps or takes field by field, and loses no address', () => {
    const merged = mergeFields(known, card, { familyName: 'take', emails: 'both', title: 'keep' });
    expect(merged.familyName).toBe('Harrowfield-Voss');
    expect(merged.emails).toEqual(['NELLA@harrowfield.example', 'office@harrowfield.example']);
    expect(merged.phones).toEqual(known.phones);
    expect(mergeFields(known, card, {})).toEqual(known);
  });

  it('never empties a field that the card is silent about', () => {
    expect(mergeFields(known, emptyPersonFields(), { familyName: 'take', emails: 'take', phones: 'take' })).toEqual(
      known,
    );
  });

  it('calls neither another spelling of a web address nor other capitals a difference', () => {
    const site = { ...known, websites: ['www.harrowfield.example'], company: 'Larkspur Foods plc' };
    expect(compareFields(site, { ...site, websites: ['harrowfield.example'], company: 'LARKSPUR FOODS PLC' })).toEqual(
      [],
    );
  });

  it('does not call another order of the same addresses a difference', () => {
    const two = { ...known, emails: ['a@h.example', 'b@h.example'] };
    expect(compareFields(two, { ...two, emails: ['b@h.example', 'a@h.example'] })).toEqual([]);
  });

  it('replaces a list only when asked to', () => {
    expect(mergeFields(known, card, { emails: 'take', phones: 'take' })).toMatchObject({
      emails: card.emails,
      phones: card.phones,
    });
    expect(compareFields(known, card).find(({ field }) => field === 'emails')!.suggestion).toBe('both');
  });

  it('does not call another legal form another company', () => {
    const firm = { ...known, company: 'Larkspur Foods plc' };
    expect(compareFields(firm, { ...firm, company: 'Larkspur Foods' })).toEqual([]);
    expect(compareFields(firm, { ...firm, company: 'Larkrise Foods' })).toHaveLength(1);
  });

  it('keeps what a person settled against what was only read, but for the job', () => {
    const settled = { inRecord: new Set(['familyName', 'title']), onCard: new Set<string>() };
    const changed = { ...card, title: 'Head of Cold Chain' };
    const suggestions = Object.fromEntries(compareFields(known, changed, settled).map((d) => [d.field, d.suggestion]));
    expect(suggestions).toMatchObject({ familyName: 'keep', title: 'take' });
    const proved = compareFields(known, changed, { ...settled, onCard: new Set(['familyName']) });
    expect(proved.find(({ field }) => field === 'familyName')!.suggestion).toBe('take');
  });
});

describe('records of one person', () => {
  it('come together without losing a value, the job being that of the latest', () => {
    const older = { ...known, company: 'Larkspur Foods', locality: '' };
    const newer = { ...card, company: 'Bramble', title: 'Owner', locality: 'Tarnmoor', givenName: 'N.' };
    const merged = mergeRecords([
      { fields: older, at: 1 },
      { fields: newer, at: 2 },
    ]);
    expect(merged).toMatchObject({
      givenName: 'Nella',
      familyName: 'Voss',
      company: 'Bramble',
      title: 'Owner',
      locality: 'Tarnmoor',
    });
    expect(merged.emails).toEqual(expect.arrayContaining(['NELLA@harrowfield.example', 'office@harrowfield.example']));
    expect(
      mergeRecords([
        { fields: older, at: 2 },
        { fields: newer, at: 1 },
      ]).title,
    ).toBe('Dispatch lead');
  });
});

describe('keys', () => {
  it.each([
    ['+44 (0)1632 960 117', '+441632960117'],
    ['01632-960117', '+441632960117'],
    ['12', '12'],
  ])('bring %s to %s', (phone, key) => expect(phoneKey(phone, 'GB')).toBe(key));

  it('ignore case and decoration', () => {
    expect(emailKey(' A@B.example ')).toBe('a@b.example');
    expect(websiteKey('https://www.Quay.example/')).toBe('quay.example');
  });
});
