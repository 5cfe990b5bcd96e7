import ICAL from 'ical.js';
import fc from 'fast-check';
import { emptyPersonFields, type PersonFields } from '../../people';
import { anyPerson } from '../anyPerson.testing';
import { toVcard, type VcardVersion } from './toVcard';

const nella: PersonFields = {
  ...emptyPersonFields(),
  prefix: 'Dr.',
  givenName: 'Nella',
  familyName: 'Harrowfield; Voss, née Åkerlund',
  suffix: 'MBA',
  title: 'Head of Cold Chain',
  company: 'Harrowfield, Creamery',
  department: 'Dispatch',
  emails: ['nella@harrowfield.example'],
  websites: ['harrowfield.example'],
  street: '9 Quay Road',
  postalCode: 'PE4 7QX',
  locality: 'Port Ellery',
  country: 'GB',
  phones: [
    { value: '+441632960117', kind: 'work', extension: '12' },
    { value: '+447700900651', kind: 'mobile', extension: '' },
    { value: '+441632960118', kind: 'fax', extension: '' },
  ],
};
const options = { uid: '01900000-0000-7000-8000-000000000001', revision: new Date(Date.UTC(2026, 10, 20)) };
const write = (fields: PersonFields, version: VcardVersion, more = {}) =>
  toVcard(fields, { ...options, version, ...more });
const parse = (text: string) => new ICAL.Component(ICAL.parse(text) as never);

describe.each(['4.0', '3.0'] as const)('a vCard %s', (version) => {
  it('says what is known, to an independent reader', () => {
    const card = parse(write(nella, version, { note: 'First line\nSecond, line' }));
    expect(card.getFirstPropertyValue('version')).toBe(version);
    expect(card.getFirstPropertyValue('n')).toEqual(['Harrowfield; Voss, née Åkerlund', 'Nella', '', 'Dr.', 'MBA']);
    expect(card.getFirstPropertyValue('org')).toEqual(['Harrowfield, Creamery', 'Dispatch']);
    expect(card.getFirstPropertyValue('email')).toBe('nella@harrowfield.example');
    expect(card.getFirstPropertyValue('adr')).toEqual(['', '', '9 Quay Road', 'Port Ellery', '', 'PE4 7QX', 'GB']);
    expect(card.getFirstPropertyValue('note')).toBe('First line\nSecond, line');
    expect(card.getAllProperties('tel').map((t) => [t.getParameter('type')].flat().join())).toEqual(
      expect.arrayContaining([
        expect.stringContaining('work'),
        expect.stringContaining('cell'),
        expect.stringContaining('fax'),
      ]),
    );
  });

  it('says the same of anybody, whatever stands in their fields', () => {
    const told = (card: InstanceType<typeof ICAL.Component>, name: string) =>
      card.getAllProperties(name).map((property) => property.getFirstValue() as unknown);
    const words = fc.string({ unit: fc.constantFrom('\n', ':', ';', ',', '\\', '"', 'ä', 'END:VCARD', 'a', ' ') });
    fc.assert(
      fc.property(anyPerson, words, (fields, given) => {
        const note = given.trim();
        const card = parse(write(fields, version, { note, tags: ['a;b', 'c,d'] }));
        const { familyName, givenName, middleName, prefix, suffix } = fields;
        // This reader takes a backslash at the end of a part for one that escapes the next semicolon.
        const isPlain = (part: string) => !part.endsWith('\\');
        fc.pre([familyName, givenName, middleName, prefix, fields.company].every(isPlain));
        expect(card.getFirstPropertyValue('n')).toEqual([familyName, givenName, middleName, prefix, suffix]);
        // Nor does it take the backslash away that 3.0 asks for before any semicolon.
        const isRead = (text: string) => text !== '' && (version === '4.0' || !/[\\;]/.test(text));
        if (fields.emails.every(isRead)) expect(told(card, 'email')).toEqual(fields.emails);
        if (isRead(fields.title)) expect(told(card, 'title')[0]).toBe(fields.title);
        if (fields.company || fields.department) expect([told(card, 'org')[0]].flat()[0]).toBe(fields.company);
        expect(card.getAllProperties('tel')).toHaveLength(fields.phones.length);
        const tags = card.getFirstProperty('categories')!.getValues() as string[];
        expect(tags.map((tag) => tag.replace('\\;', ';'))).toEqual(['a;b', 'c,d']);
        expect(tags[0]).toBe(version === '4.0' ? 'a;b' : 'a\\;b');
        if (isRead(note) && fields.more.length === 0) expect(told(card, 'note')).toEqual([note]);
      }),
    );
  });

  it('is folded at 75 octets with CRLF, and unfolds to the same photograph', () => {
    const photo = Buffer.from('x'.repeat(900)).toString('base64');
    const text = write(nella, version, { photos: [photo] });
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(text.replace(/\r\n/g, '')).not.toMatch(/[\r\n]/);
    expect(text.replace(/\r\n /g, '')).toContain(photo);
  });

  it('lets nothing on a card add a line of its own', () => {
    const hostile = fc.string({ unit: fc.constantFrom('\r', '\n', ':', ';', ',', '\\', 'END:VCARD', 'a', ' ') });
    fc.assert(
      fc.property(hostile, hostile, (company, website) => {
        const text = write({ ...nella, company, websites: [`h.example/${website}`] }, version, { note: company });
        const names = text
          .replace(/\r\n /g, '')
          .split('\r\n')
          .filter(Boolean)
          .map((line) => line.split(/[;:]/)[0]);
        expect(names.filter((n) => n === 'END')).toHaveLength(1);
        for (const name of names) expect(name).toMatch(/^[A-Z]+$/);
      }),
    );
  });

  it.each([
    ['+44 (0)1632 960117', '', '+441632960117', ''],
    ['+441632960117;ext=12', '', '+441632960117', '12'],
    ['(0)1632 960117', '12', '01632960117', '12'],
    ['0800 FLOWERS', '', undefined, ''],
    ['01632 960117 ask for Ann', '', undefined, ''],
    ['01632 960117', '12b', undefined, ''],
  ])('dials %s, extension "%s", or says it as it is', (value, extension, number, dialledExtension) => {
    const card = parse(write({ ...nella, phones: [{ value, kind: 'work', extension }] }, version));
    const told = String(card.getFirstPropertyValue('tel'));
    if (number === undefined) expect(told).toBe([value, extension].filter(Boolean).join(' ext. '));
    else if (version === '4.0') expect(told).toBe(`tel:${number}${dialledExtension && `;ext=${dialledExtension}`}`);
    else expect(told).toBe(`${number}${dialledExtension && ` ext. ${dialledExtension}`}`);
  });
});
