import {
  fieldsIn,
  fillTemplate,
  greet,
  languageOfCountry,
  placeholderLabel,
  textIn,
  WITHDRAW_PAGE_WORDS,
  withdrawWords,
  type Piece,
} from './templates';

const nobody = { prefix: '', givenName: '', familyName: '' };

describe('a greeting', () => {
  it.each([
    ['en', { ...nobody, givenName: 'Nella', familyName: 'Harrowfield' }, 'Dear Nella Harrowfield,'],
    ['de', { ...nobody, givenName: 'JÖRG', familyName: 'ÖSTERMANN' }, 'Guten Tag Jörg Östermann,'],
    ['de', { prefix: 'Dr.', givenName: '', familyName: 'Östermann' }, 'Guten Tag Dr. Östermann,'],
    ['en', { prefix: 'Mr', givenName: '', familyName: 'Harrowfield' }, 'Hello,'],
    ['en', { ...nobody, givenName: 'N. J.', familyName: 'Harrowfield' }, 'Hello,'],
    ['en', { ...nobody, givenName: 'Nella' }, 'Dear Nella,'],
    ['da', { ...nobody, givenName: 'Signe', familyName: 'Brix-Haugaard' }, 'Kære Signe Brix-Haugaard'],
    ['xx', nobody, 'Hello,'],
  ])('in %s to %j', (language, who, expected) => expect(greet(language, who)).toBe(expected));
});

describe('a template', () => {
  const body: Piece[] = [
    { field: 'greeting', fallback: '' },
    '\n\nYou said: ',
    { field: 'noteLine', fallback: '' },
    '.\nYours\n',
    { field: 'senderName', fallback: 'the team' },
  ];
  const values = { greeting: 'Dear Nella,', noteLine: 'leaking dock seal, wants a visit' };
  it('is filled in, with fallbacks where nothing is known', () => {
    expect(fillTemplate({ subject: ['Your ', { field: 'company', fallback: 'visit' }], body }, values)).toEqual({
      subject: 'Your visit',
      body: 'Dear Nella,\n\nYou said: leaking dock seal, wants a visit.\nYours\nthe team',
      missing: [],
    });
  });
  it('says what it cannot go without, once', () => {
    const twice: Piece[] = [...body, { field: 'noteLine', fallback: '' }];
    expect(fillTemplate({ subject: [], body: twice }, { greeting: 'Hello,', noteLine: '  ' })).toEqual({
      missing: ['noteLine'],
    });
  });
  it('takes a value for nothing but text, and a subject stays one line', () => {
    const filled = fillTemplate(
      { subject: ['For ', { field: 'company', fallback: '' }], body: [{ field: 'company', fallback: '' }] },
      { company: 'A\r\nBcc: all@x.example' },
    );
    expect(filled).toMatchObject({ subject: 'For A Bcc: all@x.example' });
  });
  it('knows its places', () => {
    expect(fieldsIn({ subject: [], body })).toEqual(['greeting', 'noteLine', 'senderName']);
    expect([placeholderLabel('noteLine'), placeholderLabel('own:Dock count')]).toEqual(['Note’s line', 'Dock count']);
  });
  it('is taken in their language, else in English, else in any', () => {
    expect(textIn({ en: 1, de: 2 }, 'de')).toEqual({ language: 'de', text: 2 });
    expect(textIn({ de: 2, en: 1 }, 'fr')).toEqual({ language: 'en', text: 1 });
    expect(textIn({ de: 2 }, 'fr')).toEqual({ language: 'de', text: 2 });
    expect(textIn({}, 'fr')).toBeUndefined();
    expect([languageOfCountry('at'), languageOfCountry('GB')]).toEqual(['de', 'en']);
    expect(withdrawWords('de', 'https://x.example/w')).toContain('https://x.example/w');
    // Whoever follows it meets a page in each of these languages.
    for (const [language, words] of Object.entries(WITHDRAW_PAGE_WORDS)) {
      expect(withdrawWords(language, '') === withdrawWords('en', '')).toBe(language === 'en');
      for (const said of [words.because, words.doneWords]) expect(said).toMatch(/\{team\}.*\{to\}/);
    }
  });
});
