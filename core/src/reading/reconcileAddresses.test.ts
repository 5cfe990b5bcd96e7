import { proposeFields } from '.';
import { readingOf } from './readingOf.testing';

const emailOf = (name: string, printed: string) =>
  proposeFields(readingOf([name, `${printed}harrowfield.example`])).fields.find((f) => f.field === 'email')!;

test.each([
  ['Isaac Xavier', 'Eisaac.xavier@', 'isaac.xavier@harrowfield.example'],
  ['Xandra Rath', 'Exrath@', 'xrath@harrowfield.example'],
  ['Horatia Mills', '1horatia_mills@', 'horatia_mills@harrowfield.example'],
])('of %s the label glued to %s falls away', (name, printed, expected) => {
  const email = emailOf(name, printed);
  expect(email.value).toBe(expected);
  expect(email.runnersUp!.map((r) => r.value)).toContain(`${printed.toLowerCase()}harrowfield.example`);
});

test.each([
  ['the letter is an initial', 'Elsa Smith', 'Esmith@'],
  ['the letter is printed like the others', 'Luca Rossi', 'mrossi@'],
  ['the address says more than the name', 'Isaac Xavier', 'Eisaac.sales@'],
  ['the name has the word with it', 'Elara Lara Moss', 'Elara.moss@'],
])('where %s the address stays', (_, name, printed) =>
  expect(emailOf(name, printed).value).toBe(`${printed.toLowerCase()}harrowfield.example`),
);
