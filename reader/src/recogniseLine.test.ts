import { decodeCtc } from './decodeCtc';
import { LINE_HEIGHT } from './lineCrop';
import { emptyPixels } from './pixels';
import { hasInkAbove, withoutHalves } from './recogniseLine';

const charset = ['a', 'b', ' '];
/** One row a time step: blank, a, b, space. */
const decode = (rows: number[][]) => decodeCtc(Float32Array.from(rows.flat()), rows.length, 4, charset);

describe('best-path decoding', () => {
  it('joins runs, parts them at blanks, and keeps probabilities and places', () => {
    const read = decode([
      [0.1, 0.8, 0.05, 0.05],
      [0.05, 0.9, 0.03, 0.02],
      [0.97, 0.01, 0.01, 0.01],
      [0.1, 0.7, 0.15, 0.05],
      [0.1, 0.2, 0.6, 0.1],
    ]);
    expect(read.map((c) => c.text)).toEqual(['a', 'a', 'b']);
    expect(read[0]!.probability).toBeCloseTo(0.9);
    expect(read[2]!.alternatives[0]).toMatchObject({ text: 'a' });
    expect(read.map((c) => c.at)).toEqual([0.2, 0.7, 0.9]);
  });

  it('reads nothing out of blanks', () =>
    expect(
      decode([
        [1, 0, 0, 0],
        [1, 0, 0, 0],
      ]),
    ).toEqual([]));
});

describe('joined letters', () => {
  const letters = (...read: [string, number][]) =>
    read.map(([text, probability], i) => ({ text, probability, alternatives: [], at: i / 10 }));
  const textOf = (...read: [string, number][]) =>
    withoutHalves(letters(...read))
      .map((c) => c.text)
      .join('');

  it('lose a half that was seen beside them, unless the engine was sure of it', () => {
    expect(textOf(['V', 1], ['a', 0.75], ['æ', 0.93], ['r', 1])).toBe('Vær');
    expect(textOf(['œ', 0.9], ['e', 0.5], ['u', 1])).toBe('œu');
    expect(textOf(['a', 0.99], ['æ', 0.93])).toBe('aæ');
  });
});

describe('ink above a line in capitals', () => {
  /** Grey paper that grows lighter along the line, with capitals as black bars, and perhaps a mark above one of them. */
  function line(mark?: { from: number; to: number; level: number }) {
    const picture = emptyPixels(400, LINE_HEIGHT);
    for (let y = 0; y < picture.height; y++)
      for (let x = 0; x < picture.width; x++) {
        const isLetter = y >= 10 && y < 40 && x % 20 < 6;
        const isMark = mark !== undefined && y >= mark.from && y < mark.to && x >= 100 && x < 108;
        const level = isLetter ? 30 : isMark ? mark.level : 150 + x / 5;
        picture.data.fill(level, (y * picture.width + x) * 3, (y * picture.width + x) * 3 + 3);
      }
    return picture;
  }

  it('is seen where a mark stands, also a faint one', () => {
    expect(hasInkAbove(line({ from: 0, to: 4, level: 40 }))).toBe(true);
    expect(hasInkAbove(line({ from: 3, to: 9, level: 110 }))).toBe(true);
  });

  it('is none where the paper is empty or changes with the light, or what stands there is the letters', () => {
    expect(hasInkAbove(line())).toBe(false);
    expect(hasInkAbove(line({ from: 0, to: 4, level: 160 }))).toBe(false);
    expect(hasInkAbove(line({ from: 8, to: 10, level: 40 }))).toBe(false);
  });
});
