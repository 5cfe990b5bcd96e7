import type { Quad } from '../capture/quad';
import { logoArea, type SmallPicture } from './logoArea';

const [WIDTH, HEIGHT] = [320, 190];
/** The reading is of a card four times as large. */
const SCALE = 4;
type Colour = readonly [number, number, number];

/** A card whose paper goes from one shade to another, with grain. */
function paper(left: Colour = [244, 240, 230], right: Colour = [214, 212, 208]): SmallPicture {
  const data = new Uint8Array(WIDTH * HEIGHT * 3);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++)
      for (let c = 0; c < 3; c++)
        data[3 * (y * WIDTH + x) + c] =
          left[c]! + ((right[c]! - left[c]!) * x) / WIDTH + (((x * 7919 + y * 104729 + c) % 11) - 5);
  return { data, width: WIDTH, height: HEIGHT };
}

/** @param inside how much of the colour a point gets, 0–1 */
function draw({ data }: SmallPicture, colour: Colour, inside: (x: number, y: number) => number): void {
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const share = inside(x, y);
      for (let c = 0; c < 3; c++) {
        const i = 3 * (y * WIDTH + x) + c;
        data[i] = data[i]! * (1 - share) + colour[c]! * share;
      }
    }
}

const disc = (cx: number, cy: number, r: number) => (x: number, y: number) => Number(Math.hypot(x - cx, y - cy) <= r);
const box = (left: number, top: number, width: number, height: number) => (x: number, y: number) =>
  Number(x >= left && x < left + width && y >= top && y < top + height);
const quadOf = (left: number, top: number, width: number, height: number): Quad =>
  [
    [left, top],
    [left + width, top],
    [left + width, top + height],
    [left, top + height],
  ].map(([x, y]) => [x! * SCALE, y! * SCALE]) as unknown as Quad;
const line = (...place: [number, number, number, number]) => ({
  quad: quadOf(...place),
  text: 'Orla Quay',
  confidence: 0.9,
  characters: [],
});
const reading = (lines: ReturnType<typeof line>[] = [], codes: { text: string; quad: Quad }[] = []) => ({
  width: WIDTH * SCALE,
  height: HEIGHT * SCALE,
  lines,
  codes,
});

describe('the mark on a card', () => {
  it.each([
    ['light paper', paper(), [170, 30, 40]],
    ['dark paper', paper([30, 40, 60], [52, 60, 78]), [230, 200, 90]],
  ] as const)('is found beside the text, on %s', (_what, card, colour) => {
    draw(card, colour, disc(60, 50, 22));
    draw(card, [90, 90, 90], box(120, 40, 150, 14));
    const area = logoArea(card, reading([line(120, 40, 150, 14)]))!;
    const [left, top, right, bottom] = [area.left, area.top, area.left + area.width, area.top + area.height].map((v) => v / SCALE); // prettier-ignore
    for (const [found, wanted] of [[left, 38], [top, 28], [right, 83], [bottom, 73]]) expect(Math.abs(found! - wanted!)).toBeLessThan(5); // prettier-ignore
  });

  it('is found where it was taken for a letter', () => {
    const card = paper();
    draw(card, [170, 30, 40], disc(60, 50, 22));
    expect(logoArea(card, reading([{ ...line(36, 26, 48, 48), text: 'O' }]))).toBeDefined();
  });

  it('is whole when it has several parts, and the largest of two', () => {
    const card = paper();
    for (const x of [40, 52, 64]) draw(card, [20, 60, 120], box(x, 120 - x / 2, 9, 20 + x / 2));
    draw(card, [20, 60, 120], disc(250, 60, 9));
    const area = logoArea(card, reading())!;
    expect([area.left / SCALE, (area.left + area.width) / SCALE]).toEqual([expect.closeTo(38, -1), expect.closeTo(75, -1)]); // prettier-ignore
  });

  it.each<[string, (card: SmallPicture) => ReturnType<typeof reading> | undefined]>([
    ['bare paper', () => undefined],
    [
      'text alone',
      (card) => {
        draw(card, [20, 20, 20], box(40, 60, 120, 22));
        return reading([line(40, 60, 120, 22)]);
      },
    ],
    ['a band along its side', (card) => void draw(card, [140, 40, 40], box(0, 0, 30, HEIGHT))],
    ['a rule across it', (card) => void draw(card, [20, 20, 20], box(30, 90, 120, 2))],
    ['a speck', (card) => void draw(card, [20, 20, 20], disc(90, 90, 4))],
    [
      'a highlight that fades',
      (card) => void draw(card, [120, 120, 120], (x, y) => Math.max(0, 1 - Math.hypot(x - 150, y - 90) / 40)),
    ],
    ['a photograph of somebody', (card) => void draw(card, [90, 120, 140], box(200, 40, 70, 90))],
    [
      'a code that could not be read',
      (card) =>
        void draw(
          card,
          [10, 10, 10],
          (x, y) =>
          box(200, 90, 60, 60)(x, y) * Number((Math.floor(x / 3) * 37 + Math.floor(y / 3) * 61 + Math.floor(x / 3) * Math.floor(y / 3)) % 2 === 0), // prettier-ignore
        ),
    ],
    [
      'a code that was read',
      (card) => {
        draw(card, [10, 10, 10], box(200, 90, 50, 50));
        return reading([], [{ text: 'https://quay.example', quad: quadOf(200, 90, 50, 50) }]);
      },
    ],
  ])('is not seen in %s', (_what, make) => {
    const card = paper();
    expect(logoArea(card, make(card) ?? reading())).toBeUndefined();
  });

  it('is not looked for where the ground cannot be told', () => {
    expect(logoArea({ data: new Uint8Array(3), width: 1, height: 1 }, { ...reading(), width: 1, height: 1 })).toBeUndefined(); // prettier-ignore
  });
});
