import fc from 'fast-check';
import { foldedWords, gradeWord, searchTerms, whereFound } from '.';

describe('what is looked for', () => {
  it.each([
    ['Weber', ['weber'], []],
    ['corwin@brackwater.example', ['corwin', 'brackwater', 'example'], []],
    ['07700 900', [], ['07700900']],
    ['+44 (0)7700', [], ['447700']],
    ['0417', [], ['0417']],
    ['9004', [], ['9004']],
    ['weber 07700 900', ['weber'], ['07700900']],
    ['07700-900/417 Straße', ['strasse'], ['07700900417']],
    ['hall 12', ['hall', '12'], []],
    ['e5 8ab', ['e5', '8ab'], []],
    ['Ångström  Ångström', ['angstrom'], []],
    ['☎ Weber 🇬🇧', ['☎', 'weber', '🇬🇧'], []],
    ['   ', [], []],
  ])('%j', (said, words, numbers) => {
    expect(searchTerms(said)).toEqual({ words, numbers });
  });

  it('never fails and never grows', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 200 }), (said) => {
        const { words, numbers } = searchTerms(said);
        expect(words.length).toBeLessThanOrEqual(8);
        expect(words.every((word) => foldedWords(word).join() === word)).toBe(true);
        expect(numbers.every((number) => /^\d+$/.test(number))).toBe(true);
      }),
    );
  });
});

describe('a word', () => {
  it.each([
    ['weber', 'weber', 'whole'],
    ['brack', 'brackwater', 'begins'],
    ['wbeer', 'weber', 'slips'],
    ['brakwater', 'brackwater', 'slips'],
    ['brakwatre', 'brackwater', 'slips'],
    ['brakwa', 'brackwater', 'slips'],
    ['water', 'brackwater', 'holds'],
    ['web', 'wob', undefined],
    ['weber', 'faber', undefined],
    ['moor', 'floor', undefined],
  ])('%s asked for %s: %s', (asked, word, grade) => {
    expect(gradeWord(asked, word)).toBe(grade);
  });
});

describe('where it was found', () => {
  const texts = [
    { field: 'fullName', text: 'Corwin Sealthwaite' },
    { field: 'company', text: 'Brackwater Quays' },
    { field: 'phones', text: '+44 7700 900417' },
    {
      field: 'note',
      text: `${'Spoke at length about the season. '.repeat(4)}Leaking dock seal, wants a visit. ${'More to come. '.repeat(6)}`,
    },
  ];
  const marked = (said: string) =>
    whereFound(searchTerms(said), texts).map(
      ({ field, text, ranges }) => `${field}: ${ranges.map(([from, to]) => text.slice(from, to)).join('|')}`,
    );

  it.each([
    ['selthwaite', ['fullName: Sealthwaite']],
    ['quays corwin', ['fullName: Corwin', 'company: Quays']],
    ['0417', ['phones: 0417']],
    ['07700 900', ['phones: 7700 900']],
    ['seal visit', ['note: seal|visit']],
    ['nobody', []],
  ])('%s', (said, expected) => {
    expect(marked(said)).toEqual(expected);
  });

  it('shows of a long text what is around it', () => {
    const [note] = whereFound(searchTerms('dock'), texts);
    expect(note!.text.length).toBeLessThan(120);
    expect(note!.text).toMatch(/^… .*Leaking dock seal, wants a visit\..* …$/);
  });
});
