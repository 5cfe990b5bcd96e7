import { proposeFields } from '..';
import { readingOf } from '../readingOf.testing';

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

test('a web address lacks what stands before the hyphen of the mailbox’s domain', () => {
  const webOf = (site: string, mailbox: string) =>
    proposeFields(readingOf(['Nella Voss', site, mailbox])).fields.find((f) => f.field === 'website')!;
  expect(webOf('vets.example', 'nella@corelund-vets.example')).toMatchObject({
    value: 'corelund-vets.example',
    runnersUp: [{ value: 'vets.example', reason: { code: 'asRead' } }],
  });
  expect(webOf('vets.example/team', 'nella@corelund-vets.example').value).toBe('corelund-vets.example/team');
  expect(webOf('vets.example', 'nella@corelundvets.example').value).toBe('vets.example');
});

test('an address whose sign was read as a letter is an e-mail address, and no web address', () => {
  const { fields } = proposeFields(readingOf(['Mats Lundgren', 'www.yarvane.example', 'mlundgrenpyarvane.example']));
  const all = (name: string) => fields.filter((f) => f.field === name).map((f) => f.value);
  expect([all('email'), all('website')]).toEqual([['mlundgren@yarvane.example'], ['yarvane.example']]);
});

describe('letters run together', () => {
  const read = (company: string, site: string) => {
    const { fields } = proposeFields(readingOf([{ text: company, size: 50 }, 'Nella Voss', 'Head of Sales', site]));
    return ['company', 'website'].map((name) => fields.find((f) => f.field === name)!.value);
  };

  it.each([
    ['the firm has them apart', 'Thornette Ventilation Ltd', 'www.thometteventilation.example'],
    ['the address has them apart', 'Thomette Ventilation Ltd', 'www.thornetteventilation.example'],
  ])('are set right where %s', (_, company, site) =>
    expect(read(company, site)).toEqual(['Thornette Ventilation Ltd', 'thornetteventilation.example']),
  );

  it('stay where firm and address have them alike, or differ in more', () => {
    expect(read('Thomette Ltd', 'www.thomette.example')).toEqual(['Thomette Ltd', 'thomette.example']);
    expect(read('Thornette Ltd', 'www.thometts.example')).toEqual(['Thornette Ltd', 'thometts.example']);
  });
});
