import fc from 'fast-check';
import { readCode } from './readCode';

const valuesOf = (text: string) => readCode(text).map((v) => [v.field, v.value, ...(v.phoneKind ? [v.phoneKind] : [])]);

describe('what a code says', () => {
  it('reads a vCard 3.0 with groups, escapes and folded lines', () => {
    const card = [
      'BEGIN:VCARD',
      'VERSION:3.0',
      'N:Harrowfield-Voss;Nella;;Dr.;MBA',
      'FN:Dr. Nella Harrowfield-Voss',
      'ORG:Harrowfield Creamery\\, Ltd;Cold Chain',
      'TITLE:Head of Cold',
      '  Chain',
      'TEL;TYPE=CELL:+44 7700 900651',
      'item1.EMAIL;TYPE=INTERNET:nella@harrowfield.example',
      'URL:https://www.harrowfield.example/team/',
      'ADR;TYPE=WORK:;;9 Quay Road;Port Ellery;;PE4 7QX;United Kingdom',
      'NOTE:nothing',
      'END:VCARD',
    ].join('\r\n');
    expect(valuesOf(card)).toEqual([
      ['familyName', 'Harrowfield-Voss'],
      ['givenName', 'Nella'],
      ['prefix', 'Dr.'],
      ['suffix', 'MBA'],
      ['fullName', 'Dr. Nella Harrowfield-Voss'],
      ['company', 'Harrowfield Creamery, Ltd'],
      ['department', 'Cold Chain'],
      ['title', 'Head of Cold Chain'],
      ['phone', '+44 7700 900651', 'mobile'],
      ['email', 'nella@harrowfield.example'],
      ['website', 'harrowfield.example/team'],
      ['street', '9 Quay Road'],
      ['locality', 'Port Ellery'],
      ['postalCode', 'PE4 7QX'],
      ['country', 'United Kingdom'],
    ]);
  });

  it('reads vCard 2.1 in quoted-printable', () => {
    expect(
      valuesOf(
        'BEGIN:VCARD\nVERSION:2.1\nN;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:Br=C3=BCggemann;J=C3=B6rn\nTEL;WORK;FAX:030 23125 419\nEND:VCARD',
      ),
    ).toEqual([
      ['familyName', 'Brüggemann'],
      ['givenName', 'Jörn'],
      ['phone', '030 23125 419', 'fax'],
    ]);
  });

  it('reads a MECARD', () => {
    expect(
      valuesOf('MECARD:N:Voss,Nella;ORG:Harrowfield\\; Sons;TEL:+441632960117;EMAIL:nella@harrowfield.example;;'),
    ).toEqual([
      ['familyName', 'Voss'],
      ['givenName', 'Nella'],
      ['company', 'Harrowfield; Sons'],
      ['phone', '+441632960117'],
      ['email', 'nella@harrowfield.example'],
    ]);
  });

  it.each([
    ['https://www.harrowfield.example/?utm=card', [['website', 'harrowfield.example']]],
    ['harrowfield.example/nella', [['website', 'harrowfield.example/nella']]],
    ['mailto:nella@harrowfield.example?subject=Hi', [['email', 'nella@harrowfield.example']]],
    ['tel:+441632960117', [['phone', '+441632960117']]],
    ['A table at the window', []],
    ['WIFI:S:guests;T:WPA;P:secret;;', []],
  ])('reads %s', (text, expected) => {
    expect(valuesOf(text)).toEqual(expected);
  });

  it('never throws', () => {
    const pieces = fc.constantFrom(
      'BEGIN:VCARD\n',
      'MECARD:',
      'N:',
      ';',
      '\\',
      ':',
      '=C3',
      'TEL;',
      '\n',
      'ADR:',
      '%zz',
      'mailto:',
    );
    fc.assert(
      fc.property(fc.array(fc.oneof(pieces, fc.string()), { maxLength: 20 }), (parts) => {
        expect(() => readCode(parts.join(''))).not.toThrow();
      }),
    );
  });
});
