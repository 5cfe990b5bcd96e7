import type { FieldProposal } from '../proposal';
import { proposeFields } from '../proposeFields';
import { readingOf } from '../readingOf.testing';
import { witnessOf, type Witness } from './witness';

const FIRST = ['Gudrun Aasland', 'Leiterin Einkauf', 'Großtal Fähren', 'g.aasland@gf.example', '+49 4721 555 0142', 'Seestraße 11']; // prettier-ignore

/** What another reading of the same card says of a field. @param base as the head without accents reads the lines */
function witness(field: FieldProposal['field'], lines: readonly string[], base: readonly string[] = lines): Witness {
  const first = readingOf(FIRST);
  const { lines: seen } = readingOf([...lines]);
  const proposal = proposeFields(first).fields.find((one) => one.field === field)!;
  const again = { lines: seen, baseLetters: base };
  return witnessOf(proposal, first, again, proposeFields({ ...first, lines: seen }));
}
const withLine = (from: string, to: string) => FIRST.map((line) => line.replace(from, to));

describe('a second reading', () => {
  it('says the same, something else, or nothing', () => {
    expect(witness('email', FIRST)).toEqual({ others: [], verdict: 'same', letters: 'same' });
    expect(witness('email', withLine('g.aasland', 'q.aasland'))).toEqual({ others: ['q.aasland@gf.example'], verdict: 'other', letters: 'other' }); // prettier-ignore
    expect(witness('title', withLine('Leiterin Einkauf', ''))).toMatchObject({ others: [], verdict: 'nothing' });
  });

  it('knows a number by its last digits, whichever country it is thought to be of', () => {
    expect(witness('phone', withLine('+49 4721', '04721')).verdict).toBe('same');
    expect(witness('phone', withLine('0142', '0143'))).toMatchObject({ verdict: 'other', letters: 'other' });
  });

  it('takes letters that the head without accents cannot tell for the same, and those that look alike for nearly', () => {
    const base = (from: string, to: string) => witness('company', FIRST, withLine('Großtal Fähren', 'GroBtal Fahren').map((line) => line.replace(from, to))).letters; // prettier-ignore
    expect(base('', '')).toBe('same');
    expect(base('GroBtal', 'Gr0Btal')).toBe('alike');
    expect(base('Fahren', 'Fahrten')).toBe('other');
    expect(witness('street', FIRST, withLine('Seestraße 11', 'SeestraBe i1')).letters).toBe('alike');
    expect(witness('phone', FIRST, withLine('0142', 'o142')).letters).toBe('same');
  });
});
