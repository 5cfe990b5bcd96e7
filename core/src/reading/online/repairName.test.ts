import { proposeFields } from '..';
import { readingOf, type PrintedLine } from '../readingOf.testing';

describe('a name beside a mailbox that has it too', () => {
  const familyName = (printed: PrintedLine, mailbox: PrintedLine) =>
    proposeFields(readingOf(['Harrowfield Produce Ltd', printed, 'Operations Manager', mailbox])).fields.find(
      (f) => f.field === 'familyName',
    )!.value;
  const mailbox = { text: 'myles.hodkiewicz@harrowfield.example' };

  it('gets its doubtful letters from there', () => {
    expect(familyName({ text: 'Myles Hodkieuics', probability: 0.6 }, mailbox)).toBe('Hodkiewicz');
    expect(familyName({ text: 'MYLES HODKIEUICS', probability: 0.6 }, mailbox)).toBe('Hodkiewicz');
  });

  it('keeps what is sure, and what the mailbox is not sure of', () => {
    expect(familyName({ text: 'Myles Hodkieuics', probability: 0.99 }, mailbox)).toBe('Hodkieuics');
    expect(familyName({ text: 'Myles Hodkieuics', probability: 0.6 }, { ...mailbox, probability: 0.6 })).toBe(
      'Hodkieuics',
    );
  });

  it('keeps a longer difference, and the accents of equal letters', () => {
    expect(familyName({ text: 'Myles Hodskieuic', probability: 0.6 }, mailbox)).toBe('Hodskieuic');
    const accented = familyName({ text: 'Myles Hödkieuics', probability: 0.6 }, mailbox);
    expect(accented).toBe('Hödkiewicz');
  });
});
