import fc from 'fast-check';
import { proposeFields, readingOfText } from '.';

const valuesOf = (text: string, assumedCountry?: string) => {
  const { fields } = proposeFields(readingOfText(text), { assumedCountry });
  return Object.fromEntries(fields.map((f) => [f.field, f.value]));
};
const linesOf = (text: string) => readingOfText(text).lines.map((line) => line.text);

const SIGNATURE = [
  'Nella Harrowfield-Voss',
  'Head of Cold Chain',
  'Harrowfield Creamery Ltd',
  'T +44 1632 960117 | M +44 7700 900651',
  'nella@harrowfield.example | www.harrowfield.example',
  '9 Quay Road, Port Ellery PE4 7QX',
];

describe('reading text without a picture', () => {
  it('proposes the fields of a bare signature', () => {
    expect(valuesOf(SIGNATURE.join('\n'))).toMatchObject({
      givenName: 'Nella',
      familyName: 'Harrowfield-Voss',
      title: 'Head of Cold Chain',
      company: 'Harrowfield Creamery Ltd',
      email: 'nella@harrowfield.example',
      website: 'harrowfield.example',
      postalCode: 'PE4 7QX',
    });
  });

  it.each([
    [
      'a sign-off',
      [
        'Dear Pim,',
        '',
        'the two pallets left this morning. Call Marten Osk if they are late.',
        '',
        'Kind regards,',
        '',
      ],
    ],
    ['the separator of RFC 3676', ['Hi Pim,', 'see you at the fair in Port Ellery on Tuesday then.', '-- ']],
    [
      'a German letter',
      [
        'Hallo Pim,',
        '',
        'anbei wie besprochen die Liste. Bitte um kurze Rückmeldung bis Freitag.',
        '',
        'Mit freundlichen Grüßen',
        '',
      ],
    ],
    [
      'message headers',
      [
        'From: Nella Harrowfield-Voss <nella@harrowfield.example>',
        'To: Pim Aldersey <pim@keldermoss.example>',
        'Subject: Two pallets',
        '',
        'Hi Pim,',
        '',
        'all good now, thanks for the call you made yesterday.',
        '',
        'Best',
        '',
      ],
    ],
  ])('takes only what follows %s', (_what, before) => {
    expect(linesOf([...before, ...SIGNATURE].join('\r\n'))).toEqual(SIGNATURE);
  });

  it.each([
    [
      'a reply',
      [
        '',
        'On Tue, 3 Nov 2026 at 09:12, Pim Aldersey wrote:',
        '> When do you call?',
        '> Pim Aldersey',
        '> pim@keldermoss.example',
      ],
    ],
    [
      'an answer in French',
      ['', 'Le mar. 3 nov. 2026 à 09:12, Pim Aldersey a écrit :', 'Quand ?', 'pim@keldermoss.example'],
    ],
    [
      'a forwarded message',
      [
        '',
        'Von: Pim Aldersey <pim@keldermoss.example>',
        'Gesendet: Dienstag, 3. November 2026',
        'An: Nella',
        'Tel 030 23125 418',
      ],
    ],
    [
      'a disclaimer',
      [
        '',
        'This message is confidential and intended only for the person named above. If you are not that person, delete it.',
      ],
    ],
    ['a device’s line', ['', 'Sent from my telephone']],
    [
      'French headers',
      ['', 'De : Pim <pim@keldermoss.example>', 'Envoyé : mardi 3 novembre 2026', 'Tel 030 23125 418'],
    ],
  ])('leaves out %s below the signature', (_what, after) => {
    expect(linesOf(['Best regards', '', ...SIGNATURE, ...after].join('\n'))).toEqual(SIGNATURE);
  });

  it('takes a whole message with the head of its own, and the sender’s address from there where the signature has none', () => {
    const message = [
      '-----Original Message-----',
      'From: Nella Harrowfield-Voss <nella@harrowfield.example>',
      'Sent: Tuesday, November 3, 2026',
      'To: Pim Aldersey <pim@keldermoss.example>',
      '',
      'Kind regards / Mit freundlichen Grüßen',
      '',
      'Nella Harrowfield-Voss',
      'Head of Cold Chain',
    ];
    expect(linesOf(message.join('\n'))).toEqual([
      'Nella Harrowfield-Voss',
      'Head of Cold Chain',
      'nella@harrowfield.example',
    ]);
    expect(
      linesOf([...message, ...SIGNATURE.slice(2)].join('\n'))
        .join()
        .match(/nella@/g),
    ).toHaveLength(1);
  });

  it('leaves out stars for bold type, and the words that name what a line holds', () => {
    const lines = ['*Nella Voss*', 'Title: Head of Cold Chain', 'Société : Harrowfield', 'A: 9 Quay Road', '3*4'];
    expect(linesOf(lines.join('\n'))).toEqual([
      'Nella Voss',
      'Head of Cold Chain',
      'Harrowfield',
      'A: 9 Quay Road',
      '3*4',
    ]);
  });

  it('gives nothing for nothing', () => {
    expect(readingOfText('').lines).toEqual([]);
    expect(readingOfText('\n \r\n\t').lines).toEqual([]);
  });

  it('never throws, and keeps a character for every place of its text', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (text) => {
        for (const line of readingOfText(text).lines) {
          expect(line.characters.map((c) => c.text).join('')).toBe(line.text);
          expect(line.characters).toHaveLength(line.text.length);
        }
        expect(() => proposeFields(readingOfText(text))).not.toThrow();
      }),
    );
  });
});
