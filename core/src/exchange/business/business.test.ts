import fc from 'fast-check';
import { backCells, cameBack, recordHead, withRecordCells } from '../records';
import { BUSINESS_COLUMNS, type TakenOpportunity } from '.';

const one: TakenOpportunity = {
  id: 'a', version: 1, title: 'Dock seals', company: 'Quay Pilots', value: 1200.5, currency: 'EUR', expectedOn: '2026-12-09', chance: null,
  stage: 'First talk', about: ['Seals'], owner: 'Ottilie Brandt', state: 'open', endedAt: null, reason: '', occasion: 'Open day', people: ['Inga Quay'],
}; // prettier-ignore
const words = { stages: ['First talk', 'Offer out'], owners: ['Ottilie Brandt', 'Idris Falconer'], currency: 'EUR' };
const cellsOf = (of: TakenOpportunity) => new Map(BUSINESS_COLUMNS.map(({ key, get }) => [key, get(of)]));
const stateOf = (of: TakenOpportunity) => backCells(BUSINESS_COLUMNS, of)[1];

describe('a table of business', () => {
  it('comes back unchanged as nothing to do', () => {
    expect(cameBack(BUSINESS_COLUMNS, cellsOf(one), stateOf(one), one)).toEqual({ cells: new Map(), conflicts: [] });
  });

  it('says which cells were changed there, and which here as well', () => {
    const there = cellsOf({ ...one, value: 900, title: 'Dock seals, four' });
    const here = { ...one, title: 'Seals', stage: 'Offer out' };
    const told = cameBack(BUSINESS_COLUMNS, there, stateOf(one), here);
    expect([...told.cells]).toEqual([['value', '900']]);
    expect(told.conflicts).toEqual([{ key: 'title', here: 'Seals', there: 'Dock seals, four' }]);
  });

  it('reads what can be read, and says what is wrong with the rest', () => {
    const cells = new Map(Object.entries({ title: '', value: '12 400,50', currency: 'nok', expectedOn: '2026-02-30', chance: '101', stage: 'offer OUT', about: 'Seals; Doors;', owner: 'Nobody' })); // prettier-ignore
    const { draft, faults } = withRecordCells(BUSINESS_COLUMNS, { ...one, about: [] }, cells, words);
    expect(draft).toMatchObject({ title: 'Dock seals', value: 12_400.5, currency: 'NOK', expectedOn: '2026-12-09', stage: 'Offer out', about: ['Seals', 'Doors'] }); // prettier-ignore
    expect(faults.map(({ key }) => key)).toEqual(['title', 'expectedOn', 'chance', 'owner']);
  });

  it('is known by its first row', () => {
    expect(recordHead(BUSINESS_COLUMNS, 'title', ['WORTH', ' Opportunity', 'Something', 'Dossier id'])).toEqual(['value', 'title', undefined, 'back:id']); // prettier-ignore
    expect(recordHead(BUSINESS_COLUMNS, 'title', ['Name', 'E-mail'])).toBeUndefined();
  });

  it('gives back exactly what went out, whatever stands in it', () => {
    const text = fc.string({ minLength: 1, maxLength: 40 }).map((said) => said.replace(/\s+/g, ' ').trim()).filter(Boolean); // prettier-ignore
    const taken = fc.record({ title: text, value: fc.integer({ min: 0, max: 9e9 }).map((cents) => cents / 100), chance: fc.option(fc.integer({ min: 0, max: 100 })), about: fc.uniqueArray(text.filter((word) => !word.includes(';')), { maxLength: 3 }) }); // prettier-ignore
    fc.assert(
      fc.property(taken, (rest) => {
        const out = { ...one, ...rest };
        const { draft, faults } = withRecordCells(BUSINESS_COLUMNS, { ...one, about: [] }, cellsOf(out), words);
        expect(faults).toEqual([]);
        expect(draft).toMatchObject({ value: out.value, chance: out.chance, about: out.about });
        expect(cameBack(BUSINESS_COLUMNS, cellsOf(out), stateOf(out), out).cells.size).toBe(0);
      }),
    );
  });
});
