import fc from 'fast-check';
import { emptyPersonFields } from '../../people';
import { anyPerson } from '../anyPerson.testing';
import { readVcards, toVcard } from '.';

const bytes = (text: string) => new TextEncoder().encode(text);
const latin1 = (text: string) => Uint8Array.from(text, (c) => c.charCodeAt(0));
const read = (data: Uint8Array | string, country: string | null = 'GB') =>
  readVcards(typeof data === 'string' ? bytes(data) : data, { country });
const card = (...lines: string[]) => ['BEGIN:VCARD', ...lines, 'END:VCARD', ''].join('\r\n');
const one = (...lines: string[]) => read(card(...lines))[0]!;
const options = { uid: '01900000-0000-7000-8000-000000000001', revision: new Date(Date.UTC(2026, 10, 20)) };

describe.each(['4.0', '3.0'] as const)('a vCard %s that was written here', (version) => {
  it('is read back as the same person', () => {
    const words = fc.string({ unit: 'grapheme', maxLength: 40 }).map((t) => t.replace(/[^\P{Cc}\n]/gu, '').trim());
    const tags = fc.uniqueArray(words.map((t) => t.replace(/\s+/g, ' ')).filter(Boolean), { maxLength: 3 });
    fc.assert(
      fc.property(anyPerson, words, tags, (fields, note, tags) => {
        const text = toVcard(fields, { ...options, version, note, tags, kind: 'lead', rating: 'Hot' });
        const [back, ...others] = read(text);
        expect(others).toEqual([]);
        expect(back).toEqual({ fields, note, tags, uid: `urn:uuid:${options.uid}`, kind: 'lead', rating: 'Hot', pictures: [] }); // prettier-ignore
      }),
      { numRuns: 300 },
    );
  });

  it('keeps its pictures', () => {
    const text = toVcard({ ...emptyPersonFields(), familyName: 'Voss' }, { ...options, version, photos: ['/9j/4AAQ', 'AAECAw=='] }); // prettier-ignore
    expect(read(text)[0]!.pictures).toEqual([
      { type: 'image/jpeg', base64: '/9j/4AAQ' },
      { type: 'image/jpeg', base64: 'AAECAw==' },
    ]);
  });
});

describe('vCards of other programs', () => {
  it('of version 2.1 come with quoted-printable text in an encoding of their own, softly broken', () => {
    const text = card(
      'VERSION:2.1',
      'N;CHARSET=ISO-8859-1;ENCODING=QUOTED-PRINTABLE:H=E4rrowfield;J=',
      '=F8rgen;;Dr.;',
      'TEL;CELL;VOICE:07700 900651',
      'TEL;WORK;FAX:+44 1632 960118',
      'NOTE;ENCODING=QUOTED-PRINTABLE;CHARSET=UTF-8:First=0D=0ASecond =C3=A9',
      'ORG:Quay\\; Sons;Dispatch',
      'X-EXTRA:C:\\new',
    );
    const { fields, note } = read(text)[0]!;
    expect(fields).toMatchObject({
      familyName: 'Härrowfield',
      givenName: 'Jørgen',
      prefix: 'Dr.',
      company: 'Quay; Sons',
    });
    expect(fields.phones).toEqual([
      { value: '+447700900651', kind: 'mobile', extension: '' },
      { value: '+441632960118', kind: 'fax', extension: '' },
    ]);
    expect(note).toBe('First\nSecond é');
  });

  it('are put together that were folded within a character, without a blank, or not at all', () => {
    const folded = new Uint8Array([...bytes('BEGIN:VCARD\nVERSION:3.0\nFN:Nella \xc3'.replace('\xc3', '')), 0xc3, 0x0d, 0x0a, 0x20, 0x85, ...bytes('kerlund\nN:;;;;\nEMAIL:n@quay.example\nNOTE:First\nsecond without a blank\nEND:VCARD')]); // prettier-ignore
    const person = read(folded)[0]!;
    expect(person.fields).toMatchObject({ givenName: 'Nella', familyName: 'Åkerlund', emails: ['n@quay.example'] });
    expect(person.note).toBe('First\nsecond without a blank');
  });

  it('have labels beside properties of their group, and addresses elsewhere', () => {
    const { fields } = one(
      'VERSION:3.0',
      'FN:Idris Falconer',
      'item1.URL:https://falconer.example/',
      'item1.X-ABLabel:_$!<HomePage>!$_',
      'item2.ADR;type=HOME:;;9 Quay Road;Port Ellery;;PE4 7QX;United Kingdom',
      'ADR;TYPE=WORK:;Unit 3;1 Dock Street;Tarnmoor;;TM1 1AA;Großbritannien',
      'IMPP;X-SERVICE-TYPE=chat:xmpp:idris@talk.example',
      'URL:quay.example',
      'BDAY:1980-03-02',
    );
    expect(fields).toMatchObject({ street: '1 Dock Street, Unit 3', locality: 'Tarnmoor', country: 'GB', websites: ['quay.example'] }); // prettier-ignore
    expect(fields.more).toEqual([
      { label: 'HomePage', value: 'https://falconer.example/' },
      { label: 'xmpp', value: 'xmpp:idris@talk.example' },
      { label: 'Birthday', value: '1980-03-02' },
      {
        label: 'Home',
        value: '9 Quay Road, PE4 7QX Port Ellery, GB',
        address: expect.objectContaining({ country: 'GB' }),
      },
    ]);
  });

  it('come several in one file, unfinished, in each other, in any encoding', () => {
    expect(read(card('FN:One Person') + card('FN:Two People') + 'BEGIN:VCARD\nFN:Three Last').map(({ fields }) => fields.givenName)).toEqual(['One', 'Two', 'Three']); // prettier-ignore
    expect(read('BEGIN:VCARD\nFN:Open First\nBEGIN:VCARD\nFN:Second One\nEND:VCARD')).toHaveLength(2);
    const agent = card(
      'FN:Maren Okafor-Lind',
      'AGENT:',
      'BEGIN:VCARD',
      'FN:Somebody Else',
      'END:VCARD',
      'TITLE:Manager',
    );
    expect(read(agent).map(({ fields }) => [fields.familyName, fields.title])).toEqual([['Okafor-Lind', 'Manager']]);
    expect(read(latin1(card('VERSION:3.0', 'N:M\xfcller;J\xf6rg;;;')))[0]!.fields.familyName).toBe('Müller');
    const utf16 = new Uint8Array([0xff, 0xfe, ...[...card('FN:Jörg Müller')].flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8])]); // prettier-ignore
    expect(read(utf16)[0]!.fields.familyName).toBe('Müller');
  });

  it('with names, numbers and addresses of a million characters are read without looking through them', () => {
    const long = 'Ada Lund; +44 (7700) ,a@lund.example '.repeat(28_000);
    const properties = [
      'FN',
      'ORG',
      'TEL',
      'EMAIL',
      'ADR',
      'NOTE',
      'CATEGORIES',
      'URL',
      'IMPP',
      'PHOTO',
      'UID',
      'X-ANY',
    ];
    expect(one(...properties.map((name) => `${name}:${long}`)).fields.familyName.length).toBeGreaterThan(900_000);
    expect(read(`BEGIN:VCARD\nFN:A${'\n b'.repeat(500_000)}\nEND:VCARD`)[0]!.fields.familyName).toHaveLength(500_001);
    expect(read('BEGIN:VCARD\n'.repeat(20_000))).toEqual([]);
    expect(one('FN:Ada', ...Array.from({ length: 20_000 }, () => 'TEL:+44 7700 900123')).fields.phones.length).toBeGreaterThan(0); // prettier-ignore
  });

  it('give names and numbers their parts', () => {
    expect(one('FN:Dr. Nella Harrowfield MBA').fields).toMatchObject({ prefix: 'Dr.', givenName: 'Nella', familyName: 'Harrowfield', suffix: 'MBA' }); // prettier-ignore
    expect(one('FN:Quay & Sons', 'ORG:Quay & Sons').fields).toMatchObject({ familyName: '', company: 'Quay & Sons' });
    expect(one('FN:A B', 'TEL:tel:+44-1632-960117;ext=12').fields.phones).toEqual([{ value: '+441632960117', kind: 'work', extension: '12' }]); // prettier-ignore
    expect(one('FN:A B', 'TEL;TYPE="cell,voice":01632 960117 x9').fields.phones[0]).toEqual({ value: '+441632960117', kind: 'mobile', extension: '9' }); // prettier-ignore
  });
});

it('whatever text or bytes these are, they are read to an end', () => {
  const piece = fc.constantFrom('BEGIN:VCARD', 'END:VCARD', 'N:', 'FN:', 'TEL', ';', ':', '=', '"', '\\', '\r\n', '\n ', ' ', ',', 'ENCODING=B', 'QUOTED-PRINTABLE', 'CHARSET=nonsense', '\0', '\ud800', 'é', 'item1.', 'ADR:;;', 'PHOTO;ENCODING=b:'); // prettier-ignore
  fc.assert(
    fc.property(fc.string({ unit: piece, maxLength: 60 }), (text) => {
      for (const { fields } of read(`BEGIN:VCARD\n${text}`))
        expect(JSON.stringify(fields)).not.toMatch(/\\u0000|\\ud800/);
    }),
  );
  fc.assert(fc.property(fc.uint8Array({ maxLength: 300 }), (data) => void read(data)));
});

it('reads long lines in no time that grows with their square', () => {
  const long = `BEGIN:VCARD\nFN:A B\nNOTE:${'a;"'.repeat(200_000)}\nX${';A="'.repeat(100_000)}\nEND:VCARD`;
  expect(read(long)).toHaveLength(1);
});
