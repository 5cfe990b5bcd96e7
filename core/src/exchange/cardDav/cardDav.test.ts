import { emptyPersonFields, type PersonFields } from '../../people';
import { giveCard } from './giveCard';
import { meets, type Filter } from './filter';
import { takeCard } from './takeCard';

const FIELDS: PersonFields = {
  ...emptyPersonFields(),
  givenName: 'Tove',
  familyName: 'McArdle',
  company: 'Harrow Quay Dairy',
  title: 'Buyer',
  emails: ['tove@harrowquay.example'],
  phones: [{ value: '+441632960204', kind: 'work', extension: '12' }],
  websites: ['harrowquay.example'],
  country: 'GB',
  more: [{ label: 'Dock seals', value: 'four, leaking' }],
};
const GIVEN = { personId: '01900000-0000-7000-8000-000000000001', fields: FIELDS, tags: ['dairy'], kind: 'lead' as const, rating: 'Warm', changedAt: new Date(0) }; // prettier-ignore
const BEFORE = { fields: FIELDS, tags: ['dairy'] };
const card = (...lines: string[]): string => ['BEGIN:VCARD', 'VERSION:3.0', ...lines, 'END:VCARD', ''].join('\r\n');

describe('a card on a device', () => {
  it('comes back as it was given', () => {
    const back = takeCard(giveCard(GIVEN), BEFORE, 'GB')!;
    expect(back.fields).toEqual(FIELDS);
    expect(back.tags).toEqual(['dairy']);
    expect(back.further).toMatchObject({ note: '', lines: [] });
  });

  it('keeps what only the device knows, whatever happens to the record here', () => {
    const foreign = ['BDAY:1980-02-03', 'NICKNAME:Tov', 'X-PHONE-RINGTONE;VALUE=uri:file:///a.ogg', 'PHOTO;ENCODING=b;TYPE=JPEG:/9j/4AAQ\r\n SkZJRg=='];
    const sent = card('UID:abc-123', 'N:McArdle;Tove;;;', 'FN:Tove McArdle', 'NOTE:Likes tea', ...foreign);
    const { further } = takeCard(sent, undefined, 'GB')!;
    expect(further).toEqual({ uid: 'abc-123', note: 'Likes tea', lines: foreign });
    const again = giveCard({ ...GIVEN, fields: { ...FIELDS, title: 'Head of buying' }, further });
    for (const line of foreign) expect(again).toContain(`${line}\r\n`);
    expect(again).toContain('UID:abc-123\r\n');
    expect(again).toContain('TITLE:Head of buying\r\n');
    expect(takeCard(again, BEFORE, 'GB')!.further).toEqual(further);
  }); // prettier-ignore

  it('takes nothing away that the device has only dropped', () => {
    const plain = giveCard(GIVEN)
      .split('\r\n')
      .filter((line) => !/^(?:X-DOSSIER|CATEGORIES)/.test(line))
      .map((line) => line.replace(/;X-DOSSIER-[A-Z]+=[^;:]*/g, ''))
      .join('\r\n')
      .replace('TITLE:Buyer', 'TITLE:Head of buying');
    const back = takeCard(plain, BEFORE, 'GB')!;
    expect(back.fields).toEqual({ ...FIELDS, title: 'Head of buying' });
    expect(back.tags).toEqual(['dairy']);
    expect(back.further.note).toBe('');
  });

  it('is none where it says nothing of anybody', () => {
    expect(takeCard('Not a card', undefined, 'GB')).toBeUndefined();
    expect(takeCard(card('NOTE:Only words'), undefined, 'GB')).toBeUndefined();
  });
});

describe('a filter of a book', () => {
  const one = (name: string, text: string, type: 'contains' | 'equals' | 'starts-with' = 'contains'): Filter => ({ test: 'anyof', properties: [{ name, test: 'anyof', isNotDefined: false, matches: [{ text, type, negate: false }] }] }); // prettier-ignore
  const given = giveCard({ ...GIVEN, fields: { ...FIELDS, familyName: 'Ærøskøbing' } });
  it.each([
    [one('FN', 'TOVE'), true],
    [one('EMAIL', 'tove@harrowquay.example', 'equals'), true],
    [one('FN', 'mcardle', 'starts-with'), false],
    [{ test: 'anyof' as const, properties: [] }, true],
    [{ test: 'allof' as const, properties: [...one('FN', 'tove').properties, { name: 'BDAY', test: 'anyof' as const, isNotDefined: true, matches: [] }] }, true],
    [{ test: 'allof' as const, properties: [...one('FN', 'tove').properties, ...one('TITLE', 'seller').properties] }, false],
  ])('finds what it says: %j', (filter, met) => expect(meets(given, filter)).toBe(met)); // prettier-ignore
});
