import { csvOf, shown } from './table';

it('is the same table as a file, safe in spreadsheets', () => {
  const table = {
    columns: ['Owner', 'Leads'],
    rows: [
      ['Brandt, Ottilie', { value: 1200, href: '/people' as const }],
      ['=1+1', null],
      ['says "hm"', 0],
    ],
  };
  expect(csvOf(table)).toBe('Owner,Leads\r\n"Brandt, Ottilie",1200\r\n\'=1+1,\r\n"says ""hm""",0\r\n');
  expect(table.rows.flat().map(shown)).toEqual(['Brandt, Ottilie', '1,200', '=1+1', '–', 'says "hm"', '0']);
});
