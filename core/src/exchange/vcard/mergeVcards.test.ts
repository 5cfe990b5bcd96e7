import { emptyPersonFields, type PersonFields } from '../../people';
import { mergeVcards } from './mergeVcards';
import { readVcards } from './readVcards';
import { toVcard } from './toVcard';

const ours = (fields: Partial<PersonFields>, note = '') =>
  toVcard({ ...emptyPersonFields(), givenName: 'Nella', familyName: 'Harrowfield', ...fields }, { version: '3.0', uid: '0199c1f4-0000-7000-8000-000000000001', revision: new Date('2026-11-27T09:00:00Z'), note }); // prettier-ignore
const THEIRS = [
  'BEGIN:VCARD',
  'VERSION:3.0',
  'UID:their-own',
  'PRODID:-//Somebody//EN',
  'FN:Nella Harrowfield',
  'N:Harrowfield;Nella;;;',
  'TITLE:Buyer',
  'TEL;TYPE=home:+44 1632 960400',
  'item1.EMAIL:Nella@Harrowfield.example',
  'item1.X-LABEL:private',
  'NOTE:Likes oysters\\, and a very long story that somebody has folded where it',
  '  was too long',
  'BDAY:1971-02-03',
  'END:VCARD',
  '',
].join('\r\n');
const read = (card: string) => readVcards(new TextEncoder().encode(card), { country: 'GB' } as never)[0]!;

describe('somebody’s card in another address book', () => {
  it('gets what we know, and keeps what only they know', () => {
    const { card, theirs, isChanged } = mergeVcards(THEIRS, ours({ title: 'Head of buying', emails: ['nella@harrowfield.example'], phones: [{ value: '+441632960117', kind: 'work', extension: '' }] })); // prettier-ignore
    expect(isChanged).toBe(true);
    expect(theirs).toEqual([{ to: 'TITLE', there: 'Buyer', here: 'Head of buying' }]);
    for (const line of ['UID:their-own', 'item1.X-LABEL:private', 'BDAY:1971-02-03', '  was too long'])
      expect(card.split('\r\n')).toContain(line);
    expect(card.match(/^BEGIN:VCARD/gm)).toHaveLength(1);
    expect(card.match(/^UID:/gm)).toHaveLength(1);
    expect(card.match(/EMAIL/g)).toHaveLength(1);
    expect(card.match(/^TITLE:/gm)).toEqual(['TITLE:']);
    const { fields } = read(card);
    expect(fields.title).toBe('Head of buying');
    expect(fields.phones.map(({ value }) => value)).toEqual(expect.arrayContaining(['+441632960117']));
  });

  it('is left alone where it says the same, and after it was brought there', () => {
    const mine = ours({ title: 'Buyer', emails: ['nella@harrowfield.example'] }, 'Wants doors');
    const once = mergeVcards(THEIRS, mine);
    const again = mergeVcards(once.card, mine, once.kept);
    expect(again).toMatchObject({ isChanged: false, theirs: [] });
    expect(mergeVcards(mine, mine).isChanged).toBe(false);
  });

  it('loses only what we said before, and keeps what they have changed since', () => {
    const once = mergeVcards(THEIRS, ours({ title: 'Owner' }, 'Wants doors'));
    const changed = once.card.replace('TITLE:Owner', 'TITLE:Retired');
    const { card, theirs, isChanged } = mergeVcards(changed, ours({ title: 'Owner' }, 'Wants windows'), once.kept);
    expect(isChanged).toBe(true);
    expect(theirs).toEqual([{ to: 'TITLE', there: 'Retired', here: 'Owner' }]);
    expect(card).toContain('TITLE:Retired');
    expect(card).toContain('NOTE:Wants windows');
    expect(card).not.toContain('Wants doors');
    expect(card).toContain('Likes oysters');
  });
});
