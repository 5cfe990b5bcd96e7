import { isDoubt, proposeFields } from '..';
import { readingOf } from '../readingOf.testing';

const card = (...lines: readonly string[]) =>
  proposeFields(readingOf(lines)).fields.find(({ field }) => field === 'email')!;
const offersOf = (email: ReturnType<typeof card>) => email.runnersUp?.map(({ value }) => value) ?? []; // prettier-ignore

describe('a letter before a mailbox that may be its label', () => {
  it('is taken away where name and print both say so', () => {
    const byCapital = card('Isaac Xavier', 'Eisaac.xavier@quay.example');
    const byLabels = card('Isaac Xavier', 'T 020 7946 0812', 'eisaac.xavier@quay.example');
    for (const email of [byCapital, byLabels]) {
      expect(email).toMatchObject({ value: 'isaac.xavier@quay.example' });
      expect(email.disagreement).toBeUndefined();
      expect(offersOf(email)).toContain('eisaac.xavier@quay.example');
    }
  });

  it('is a doubt with both readings where only the name says so', () => {
    const email = card('Isaac Xavier', 'eisaac.xavier@quay.example');
    expect(email.value).toBe('isaac.xavier@quay.example');
    expect(isDoubt(email)).toBe(true);
    expect(email.disagreement?.said).toBe('eisaac.xavier@quay.example');
    expect(offersOf(email)).toContain('eisaac.xavier@quay.example');
  });

  it('stands and is a doubt where it may be an initial as well', () => {
    const email = card('Elena Rossi', 'mrossi@quay.example');
    expect(email.value).toBe('mrossi@quay.example');
    expect(isDoubt(email)).toBe(true);
    expect(offersOf(email)).toContain('rossi@quay.example');
  });

  it.each([
    ['it is the initial of the name', 'Elsa Smith', 'esmith@quay.example'],
    ['the mailbox is one for everybody', 'Elsa Smith', 'export@quay.example'],
    ['nothing speaks for a label', 'Nella Voss', 'marlowe@quay.example'],
    ['a point stands behind it, as behind an initial', 'Nella Voss', 'c.voss@quay.example'],
  ])('stands without a doubt where %s', (_, name, printed) => {
    const email = card(name, printed);
    expect(email.value).toBe(printed);
    expect(email.disagreement).toBeUndefined();
  });

  it('is told by the gap behind it', () => {
    const reading = readingOf(['Isaac Xavier', 'eisaac.xavier@quay.example']);
    const [name, mailbox] = reading.lines;
    const apart = mailbox!.characters.map((character, i) => (i === 0 ? { ...character, at: 0 } : character));
    const { fields } = proposeFields({ ...reading, lines: [name!, { ...mailbox!, characters: apart }] });
    const email = fields.find(({ field }) => field === 'email')!;
    expect(email.value).toBe('isaac.xavier@quay.example');
    expect(email.disagreement).toBeUndefined();
  });
});

it('a word for a mailbox that was read as a part of it is offered away', () => {
  const email = card('Savin Marchand', 'mel.s.marchand@quay.example');
  expect(email.value).toBe('s.marchand@quay.example');
  expect(offersOf(email)).toContain('mel.s.marchand@quay.example');
});

it('a beginning that a blank was read behind belongs to the mailbox, as a doubt where its sign is lost', () => {
  const lost = card('Anna Kelder', 'anna ekelder@quay.example', 'Anna Ekelder');
  expect(lost.value).toBe('anna_ekelder@quay.example');
  expect(isDoubt(lost)).toBe(true);
  expect(offersOf(lost)).toContain('ekelder@quay.example');
  const email = card('Thibault Guegue', 'thibault_ guegue@quay.example');
  expect(email.value).toBe('thibault_guegue@quay.example');
  expect(email.disagreement).toBeUndefined();
});

it('a firm’s mailbox is told by the firm', () => {
  const email = card('Borost Laundry Ltd', 'Ilka Nemes', 'Head of Sales', 'eborost.laundry@outlook.com');
  expect([email.value, ...offersOf(email)]).toEqual(expect.arrayContaining(['borost.laundry@outlook.com', 'eborost.laundry@outlook.com'])); // prettier-ignore
  expect(email.value).toBe('borost.laundry@outlook.com');
});

it('whatever is chosen, what was read is shown or offered', () => {
  for (const local of ['eisaac.xavier', 'isaac_xavier', 'mxavier', 'e.xavier', '1saac.xavier', 'mail.xavier', 'xavier'])
    expect([card('Isaac Xavier', `${local}@quay.example`)].flatMap((email) => [email.value, ...offersOf(email)])).toContain(`${local}@quay.example`); // prettier-ignore
});
