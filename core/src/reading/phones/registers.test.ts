import { cardLines } from '../cardLine';
import { readingOf } from '../readingOf.testing';
import { besideRegisters, registersIn } from './registers';

test.each([
  ['Y-tunnus 2877410-5', ['Y-tunnus 2877410-5']],
  ['Puh. 0400 055 148 | Y-tunnus 2877410-5', ['Y-tunnus 2877410-5']],
  ['HRB 4417 · Amtsgericht Ulm 3', ['HRB 4417']],
  ['St.-Nr. 21 / 815 / 08318', ['St.-Nr. 21 / 815 / 08318']],
  ['9670 Løgstør', []],
  ['Tel. 030 4417 2210', []],
])('registers in %s', (text, expected) => {
  expect(registersIn(text).map(({ from, to }) => text.slice(from, to))).toEqual(expected);
});

test('what a line says beside a register keeps its place', () => {
  const [line] = cardLines(readingOf(['Kauppurienkatu 12, 90100 Oulu | Y-tunnus 2877410-5']));
  const [rest, ...more] = besideRegisters(line!);
  expect(more).toEqual([]);
  expect(rest).toMatchObject({ text: 'Kauppurienkatu 12, 90100 Oulu |', from: 0 });
});
