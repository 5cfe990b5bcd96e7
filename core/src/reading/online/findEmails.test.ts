import { proposeFields } from '..';
import { readingOf } from '../readingOf.testing';

const emailsOf = (...lines: string[]) =>
  proposeFields(readingOf(lines)).fields.filter((f) => f.field === 'email' && f.value !== '');

describe('an address under a domain that cannot be', () => {
  it.each([
    ['another line has it rightly', 'nella@quayside-toit.ft', 'www.quayside-toit.fr', 'nella@quayside-toit.fr'],
    ['its last letter is lost', 'nella@quayside-toit.f', 'www.quayside-toit.fr', 'nella@quayside-toit.fr'],
    ['it is one letter off a provider’s', 'nella.voss@orange.f', 'Nella Voss', 'nella.voss@orange.fr'],
  ])('is set right where %s', (_, printed, other, expected) => {
    const [email, ...more] = emailsOf(printed, other);
    expect(email!.value).toBe(expected);
    expect(email!.runnersUp!.map((r) => r.value)).toContain(printed);
    expect(more).toEqual([]);
  });

  it('is none where nothing is like it', () => {
    expect(emailsOf('nella@quayside.ft', 'www.harrowfield.fr')).toEqual([]);
    expect(emailsOf('write to nella@home.')).toEqual([]);
  });

  it('is one with the same address printed rightly', () =>
    expect(emailsOf('nella@harrowfield.fr', 'nella@harrowfield.f').map((e) => e.value)).toEqual([
      'nella@harrowfield.fr',
    ]));
});

describe('an address whose sign was lost', () => {
  it('is one where the name accounts for what stands before it', () => {
    const [email, ...more] = emailsOf('Janessa M. Turner', 'Account Manager', 'janessa.turner a stavver.example');
    expect(email).toMatchObject({ value: 'janessa.turner@stavver.example', sources: [{ line: 2, from: 0, to: 32 }] });
    expect(more).toEqual([]);
  });

  it('is one where it is run together with a domain of the card', () => {
    const lines = ['Marie Lundgren', 'Servicetekniker', 'mlundgrenbyarvane.se', 'www.yarvane.se'];
    expect(emailsOf(...lines).map((e) => e.value)).toEqual(['mlundgren@yarvane.se']);
    const { fields } = proposeFields(readingOf(lines));
    expect(fields.filter((f) => f.field === 'website').map((f) => f.value)).toEqual(['yarvane.se']);
  });

  it('is a web address where the name says nothing of it', () => {
    expect(emailsOf('Janessa Turner', 'Account Manager', 'find us a stavver.example')).toEqual([]);
    expect(emailsOf('Nella Voss', 'www.greyarvane.se', 'www.yarvane.se')).toEqual([]);
  });
});

it('puts a mailbox together that was read with a blank in it, by the name', () => {
  const lines = ['Gerasimo Costantino', 'Enologo', 'E: Gerasimo. Costantino@tessitura.example'];
  expect(emailsOf(...lines).map((e) => e.value)).toEqual(['gerasimo.costantino@tessitura.example']);
  expect(emailsOf('Nella Voss', 'Buyer', 'Dept. voss@quay.example').map((e) => e.value)).toEqual(['voss@quay.example']);
});

it('has oe where that was read as æ and another line has the word', () => {
  expect(emailsOf('Delphine Moerman', 'd.mærman@quayside.example')[0]?.value).toBe('d.moerman@quayside.example');
  expect(emailsOf('Torkild Rævdal', 'torkild.rævdal@quayside.example')[0]?.value).toBe(
    'torkild.raevdal@quayside.example',
  );
});

describe('an address that is printed on two lines', () => {
  it.each([
    ['m.oberhauser@seilbahntechnik-', 'oberhauser.example'],
    ['m.oberhauser@', 'seilbahntechnik-oberhauser.example'],
    ['m.oberhauser@seilbahntechnik-oberhauser', '.example'],
  ])('is read out of %s and %s', (upper, lower) => {
    const [email, ...more] = emailsOf('Markus Oberhauser', upper, lower);
    expect(email).toMatchObject({
      value: 'm.oberhauser@seilbahntechnik-oberhauser.example',
      sources: [
        { line: 1, from: 0, to: upper.length },
        { line: 2, from: 0, to: lower.length },
      ],
    });
    expect(more).toEqual([]);
  });

  it('may break within the mailbox', () =>
    expect(emailsOf('p.thorneycroft-', 'hale@quayside.example')).toMatchObject([
      { value: 'p.thorneycroft-hale@quayside.example', sources: [{ line: 0 }, { line: 1, from: 0 }] },
    ]));

  it('is none of a whole one and a web address below it', () =>
    expect(emailsOf('nella@quayside.example', 'harrowfield.example').map((e) => e.value)).toEqual([
      'nella@quayside.example',
    ]));
});

describe('an address whose last point was lost', () => {
  it('is set right, and looked at by a person', () => {
    const [email, ...more] = emailsOf('Nella Voss', 'nella@quaysidecom');
    expect(email).toMatchObject({ value: 'nella@quayside.com', disagreement: { code: 'wasReadAs', said: 'nella@quaysidecom' } }); // prettier-ignore
    expect(email!.runnersUp!.map((r) => r.value)).toContain('nella@quaysidecom');
    expect(more).toEqual([]);
  });

  it('is the domain that stands elsewhere on the card, whatever it ends in', () => {
    const [email] = emailsOf('Nella Voss', 'nella@quaysidefr', 'www.quayside.fr');
    expect(email!.value).toBe('nella@quayside.fr');
    expect(email!.disagreement).toBeUndefined();
  });

  it.each(['write to nella@harbour', 'nella@quaysidefr', 'nella@com'])('is not made out of "%s"', (text) =>
    expect(emailsOf('Nella Voss', text)).toEqual([]),
  );

  it('goes on in the next line where it is broken there', () =>
    expect(emailsOf('Nella Voss', 'nella@quaysidecom-', 'toit.fr').map(({ value }) => value)).toEqual(['nella@quaysidecom-toit.fr'])); // prettier-ignore
});
