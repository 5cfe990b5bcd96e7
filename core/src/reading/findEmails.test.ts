import { proposeFields } from '.';
import { readingOf } from './readingOf.testing';

const emailsOf = (...lines: string[]) => proposeFields(readingOf(lines)).fields.filter((f) => f.field === 'email');

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
