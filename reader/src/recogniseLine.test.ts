import { decodeCtc } from './decodeCtc';
import { withoutHalves } from './recogniseLine';

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
