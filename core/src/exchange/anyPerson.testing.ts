import fc from 'fast-check';
import { emptyPersonFields, type PersonFields } from '../people';
import { writable } from '../text';

/** Texts as they stand in one line of a record, hostile ones among them. */
const line = (maxLength: number) =>
  fc
    .oneof(
      { weight: 3, arbitrary: fc.string({ unit: 'grapheme', maxLength }) },
      fc.string({ unit: fc.constantFrom(...`=+-@'"\\;,:|^~<&>\t#%äŁ𠮷 a1`, 'END:VCARD'), maxLength: 12 }),
      fc.constantFrom('=1+1', '+441632960117', '@home', "'=x", '-2', 'a;b,c', 'ext. 12', '007', '1e9', '2026-03-24', 'TRUE', '1.5.'),
    )
    .map((text) => writable(text).replace(/[\s\p{Cc}]+/gu, ' ').trim()); // prettier-ignore
const some = (maxLength: number) => line(maxLength).filter((text) => text !== '');

const phone = fc.record({
  value: fc.oneof(fc.constantFrom('+441632960117', '+44 (0)1632 960117', '01632 960117', '0800 FLOWERS', '+4915112345678'), some(30)), // prettier-ignore
  kind: fc.constantFrom('work' as const, 'mobile' as const, 'fax' as const),
  extension: fc.constantFrom('', '12', '004', '12b'),
});
const address = fc.record({
  street: line(40),
  postalCode: line(10),
  locality: line(30),
  region: line(20),
  country: fc.oneof(fc.constantFrom('', 'GB', 'DE', 'Atlantis'), line(12)),
});
const byKey = <T>(entry: T): string => JSON.stringify(entry);

/** Anybody who can be filed: with a name, a firm or something to reach them by. */
export const anyPerson: fc.Arbitrary<PersonFields> = fc
  .record({
    prefix: line(12),
    givenName: line(20),
    middleName: line(12),
    familyName: some(30),
    suffix: line(12),
    title: line(40),
    department: line(30),
    company: line(40),
    emails: fc.uniqueArray(fc.oneof(fc.constantFrom('nella@harrowfield.example', 'o.brandt@quay.example'), some(20).map((text) => text.toLowerCase())), { maxLength: 3 }), // prettier-ignore
    phones: fc.uniqueArray(phone, { maxLength: 3, selector: ({ value, extension }) => `${value} ${extension}` }),
    websites: fc.uniqueArray(fc.oneof(fc.constantFrom('harrowfield.example', 'https://quay.example/', 'quay.example/ä b'), some(20)), { maxLength: 2 }), // prettier-ignore
    main: address,
    more: fc.uniqueArray(
      fc.oneof(
        fc.record({ label: line(20), value: fc.oneof(some(30), fc.constantFrom('https://elsewhere.example/@nella', 'xmpp:nella@talk.example')) }), // prettier-ignore
        // One without any part is none.
        fc.record({ label: line(20), value: some(40), address: address.filter((parts) => Object.values(parts).some(Boolean)) }), // prettier-ignore
      ),
      { maxLength: 3, selector: byKey },
    ),
  })
  .map(({ main, ...fields }) => ({ ...emptyPersonFields(), ...fields, ...main }));
