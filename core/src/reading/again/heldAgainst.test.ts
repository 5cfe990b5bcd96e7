import { isDoubt } from '../confidence';
import { proposeFields } from '../proposeFields';
import { readingOf } from '../readingOf.testing';

const LINES = ['Gudrun Aasland', 'Leiterin Einkauf', 'Skagen Fähren GmbH', 'gudrun.aasland@skagen.example', '+49 4721 555 0142', 'Seestraße 11', '27472 Cuxhaven']; // prettier-ignore
/** The same card; the second time a line was seen otherwise. */
function read(from = '', to = ''): ReturnType<typeof proposeFields>['fields'] {
  const first = readingOf(LINES);
  const other = LINES.map((line) => line.replace(from, to)).filter(Boolean);
  return proposeFields({ ...first, again: { lines: readingOf(other).lines, baseLetters: other } }).fields;
}
const once = proposeFields(readingOf(LINES)).fields;
const of = (fields: typeof once, field: string) => fields.find((one) => one.field === field)!;

describe('a card that was read twice', () => {
  it('proposes the same values in the same places, whatever was seen the second time', () => {
    const values = (fields: typeof once) => fields.map(({ field, value, sources }) => [field, value, sources]);
    expect(values(read())).toEqual(values(once));
    expect(values(read('gudrun.aasland', 'gudrum.aasland'))).toEqual(values(once));
  });

  it('is without a doubt where both readings agree', () => {
    expect(read().filter(isDoubt).map(({ field }) => field)).toEqual([]); // prettier-ignore
  });

  it.each([
    ['email', 'gudrun.aasland', 'gudrum.aasland'],
    ['phone', '0142', '0148'],
    ['familyName', 'Aasland', 'Aaslund'],
  ])('doubts what differs in %s, and offers both', (field, from, to) => {
    const doubted = of(read(from, to), field);
    expect(isDoubt(of(once, field))).toBe(false);
    expect(isDoubt(doubted)).toBe(true);
    expect(doubted.runnersUp?.[0]!.value).toContain(to);
    expect(doubted.runnersUp?.[0]!.reason).toEqual({ code: 'readTheSecondTime' });
  });

  it('doubts what is on the card only once', () => {
    expect(of(read('Leiterin Einkauf', ''), 'title').confidence).toBeLessThan(of(read(), 'title').confidence);
  });
});
