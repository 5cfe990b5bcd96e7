import { rectangle, type Point, type Quad } from '@dossier/core/capture';
import { joinBroken } from './brokenLines';

/** Turned around the origin. */
const turned = (quad: Quad, degrees: number): Quad => {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return quad.map(([x, y]): Point => [x * cos - y * sin, x * sin + y * cos]) as unknown as Quad;
};
const rounded = (lines: readonly Quad[]) => lines.map((quad) => quad.map((p) => p.map((v) => Math.round(v))));

const first = rectangle(100, 50, 200, 40);
const second = rectangle(285, 52, 160, 40);

test('two boxes that reach into each other on one line are one', () =>
  expect(rounded(joinBroken([first, second]))).toEqual(rounded([rectangle(100, 50, 345, 42)])));

test('where the short one lies a little turned, which leads astray at the far end', () => {
  const begin: Quad = [[120, 186], [452, 194], [451, 242], [119, 234]]; // prettier-ignore
  const end: Quad = [[419, 178], [911, 183], [910, 251], [419, 246]]; // prettier-ignore
  for (const order of [
    [begin, end],
    [end, begin],
  ])
    expect(joinBroken(order)).toHaveLength(1);
});

test('in whatever order they were found', () => expect(joinBroken([second, first])).toHaveLength(1));

test('three are one', () => {
  const third = rectangle(430, 50, 90, 40);
  for (const order of [
    [first, second, third],
    [third, first, second],
    [second, third, first],
  ])
    // prettier-ignore
    expect(rounded(joinBroken(order))).toEqual(rounded([rectangle(100, 50, 420, 42)]));
});

test.each([30, 90, -90])('on a line that runs at %s degrees', (degrees) =>
  expect(rounded(joinBroken([turned(first, degrees), turned(second, degrees)]))).toEqual(
    rounded([turned(rectangle(100, 50, 345, 42), degrees)]),
  ),
);

test.each([
  ['two columns', rectangle(305, 50, 160, 40)],
  ['boxes that only touch', rectangle(297, 50, 160, 40)],
  ['the next line', rectangle(285, 75, 160, 40)],
  ['small print beside large', rectangle(285, 60, 160, 20)],
  ['a box inside the other', rectangle(150, 52, 100, 38)],
])('%s stay two', (_, other) => expect(joinBroken([first, other])).toEqual([first, other]));
