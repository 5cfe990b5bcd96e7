import { emptyPersonFields, type PersonFields } from '../people';
import { compareFields, emailKey, mergeFields, phoneKey, sharedReach, websiteKey } from '.';

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
    const merged = mergeFields(known, card, { familyName: 'take', emails: 'take', title: 'keep' });
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

  it('names the addresses and numbers that both have', () => {
    const reasons = sharedReach(known, { emails: ['Nella@Harrowfield.example'], phones: ['07700 900 651'] }, 'GB');
    expect(reasons).toEqual(['same e-mail, Nella@Harrowfield.example', 'same phone, 07700 900 651']);
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
