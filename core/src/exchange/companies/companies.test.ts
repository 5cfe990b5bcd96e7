import { backCells, cameBack, recordHead, withRecordCells } from '../records';
import { COMPANY_COLUMNS, type TakenCompany } from '.';

const firm: TakenCompany = {
  id: 'a', name: 'Quay Pilots', otherNames: ['Quay & Pilots'], people: 3, town: 'Hookmere', domains: ['quaypilots.example'], websites: [],
  phones: ['+44 20 7946 0011'], addresses: ['1 Quay, Hookmere'], open: [{ currency: 'EUR', count: 2, value: 1250.5 }, { currency: 'NOK', count: 1, value: 0 }],
  won: [], notes: ['Later', 'First'],
}; // prettier-ignore
const cellsOf = (of: TakenCompany) => new Map(COMPANY_COLUMNS.map(({ key, get }) => [key, get(of)]));
const back = (cells: Map<string, string>, here = firm) => cameBack(COMPANY_COLUMNS, cells, backCells(COMPANY_COLUMNS, firm)[1], here); // prettier-ignore

describe('a table of firms', () => {
  it('says what is known of each, and comes back unchanged as nothing to do', () => {
    const cells = cellsOf(firm);
    expect(cells.get('open')).toBe('EUR 1250.5 (2); NOK 0 (1)');
    expect(cells.get('notes')).toBe('Later\n\nFirst');
    expect(back(cells)).toEqual({ cells: new Map(), conflicts: [] });
  });

  it('reads a name and a further note, and nothing else', () => {
    const cells = new Map([...cellsOf(firm), ['name', ' Quay  Pilots Ltd '], ['people', '40'], ['note', 'Moves in March.\r\n\r\nAsk again.']]); // prettier-ignore
    const told = back(cells);
    expect([...told.cells.keys()]).toEqual(['name', 'note']);
    const { draft, faults } = withRecordCells(COMPANY_COLUMNS, { name: firm.name, note: '' }, told.cells, undefined); // prettier-ignore
    expect([draft, faults]).toEqual([{ name: 'Quay Pilots Ltd', note: 'Moves in March.\n\nAsk again.' }, []]);
  });

  it('keeps the name that it was given here meanwhile', () => {
    const cells = new Map([...cellsOf(firm), ['name', 'There']]);
    expect(back(cells, { ...firm, name: 'Here' })).toEqual({
      cells: new Map(),
      conflicts: [{ key: 'name', here: 'Here', there: 'There' }],
    });
  });

  it('says what is wrong with a cell', () => {
    const cells = new Map([['name', '  '], ['note', 'x'.repeat(4001)]]); // prettier-ignore
    const { draft, faults } = withRecordCells(COMPANY_COLUMNS, { name: 'Quay', note: '' }, cells, undefined);
    expect([draft, faults.map(({ key }) => key)]).toEqual([{ name: 'Quay', note: '' }, ['name', 'note']]);
  });

  it('is known by its first row', () => {
    expect(recordHead(COMPANY_COLUMNS, 'name', ['People', 'COMPANY ', 'Dossier state'])).toEqual(['people', 'name', 'back:state']); // prettier-ignore
    expect(recordHead(COMPANY_COLUMNS, 'name', ['Opportunity', 'Firm'])).toBeUndefined();
  });
});
