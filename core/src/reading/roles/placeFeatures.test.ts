import { cardLines } from '../cardLine';
import { readingOf, type PrintedLine } from '../readingOf.testing';
import { blocksOf, placeFeatures, spacing } from './placeFeatures';

const linesOf = (printed: readonly PrintedLine[]) => cardLines(readingOf(printed));

const CORNER: readonly PrintedLine[] = [
  { text: 'Nella Voss', x: 40, y: 100, size: 50 },
  { text: 'QUILL &', x: 700, y: 250 },
  { text: 'Bridge Engineer', x: 40, y: 170 },
  { text: 'ARDEN', x: 700, y: 292 },
  { text: 'nella@quillarden.example', x: 40, y: 212 },
];

it('tells lines that stand together from the others, beside which they are read', () => {
  const lines = linesOf(CORNER);
  expect(blocksOf(lines).map((block) => [...block].sort())).toEqual(expect.arrayContaining([[0, 2, 4], [1, 3]])); // prettier-ignore
});

it('knows a candidate that is all that stands together from a piece of it', () => {
  const lines = linesOf(CORNER);
  const blocks = blocksOf(lines);
  const of = (...own: number[]) => placeFeatures({ text: own.map((i) => lines[i]!.text).join(' '), lines: own.map((i) => lines[i]!) }, blocks); // prettier-ignore
  expect(of(1, 3)).toMatchObject({ wholeBlock: 1, moreLines: 1, capitals: 1 });
  expect(of(1)).toMatchObject({ pieceOfBlock: 1 });
  expect(of(0)).toMatchObject({ topmost: 1, tallest: 1, pieceOfBlock: 1 });
});

it('joins what only a line between them joins', () => {
  const [top, bottom] = [{ text: 'Upper', x: 40, y: 40 }, { text: 'Lower', x: 40, y: 124 }]; // prettier-ignore
  expect(blocksOf(linesOf([top, bottom]))).toHaveLength(2);
  expect(blocksOf(linesOf([top, bottom, { text: 'Between', x: 40, y: 82 }]))).toHaveLength(1);
});

it('measures how two lines differ in size and letters, and what is between them', () => {
  const [upper, lower] = linesOf([{ text: 'QUILL', y: 40, size: 60 }, { text: 'Arden', y: 130, size: 30 }]); // prettier-ignore
  expect(spacing(upper!, lower!)).toEqual({ stepSizes: Math.log(2), stepGap: 0.5, stepLetters: 1 });
});
