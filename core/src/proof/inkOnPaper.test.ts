import { inkOnPaper } from './inkOnPaper';

type Colour = [number, number, number];
const [WIDTH, HEIGHT] = [120, 12];

/** A strip with a bar of print in its middle third, on a ground that may change along it. */
function strip(ground: (x: number) => Colour, print: Colour): Uint8ClampedArray {
  const pixels = new Uint8ClampedArray(4 * WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const isPrint = y >= 4 && y < 8 && x % 6 < 2;
      pixels.set([...(isPrint ? print : ground(x)), 255], 4 * (y * WIDTH + x));
    }
  inkOnPaper(pixels, WIDTH, HEIGHT);
  return pixels;
}
const at = (pixels: Uint8ClampedArray, x: number, y: number) => [
  ...pixels.slice(4 * (y * WIDTH + x), 4 * (y * WIDTH + x) + 4),
];
/** What it looks like on a paper of this colour. */
const over = ([r, g, b, a]: number[], paper: Colour): number[] =>
  [r!, g!, b!].map((c, i) => Math.round((c * a!) / 255 + paper[i]! * (1 - a! / 255)));

const PRINT = { x: 60, y: 5 };
const GROUND = { x: 63, y: 1 };
const PAPER: Colour = [246, 241, 232];

describe('ink on paper', () => {
  it('leaves the page where the card was, whatever its shade, and the print on it', () => {
    for (const grey of [250, 214, 160]) {
      const pixels = strip(() => [grey, grey, grey], [30, 36, 43]);
      expect(at(pixels, GROUND.x, GROUND.y)[3]).toBe(0);
      expect(Math.max(...over(at(pixels, PRINT.x, PRINT.y), PAPER))).toBeLessThan(90);
    }
  });

  it('follows light that falls off along the strip', () => {
    const pixels = strip((x) => [240 - x, 240 - x, 232 - x], [20, 20, 20]);
    for (let x = 2; x < WIDTH; x += 6) expect(at(pixels, x, 1)[3]).toBeLessThan(26);
  });

  it('turns light print on a dark card into dark ink on the page', () => {
    const pixels = strip(() => [22, 30, 58], [244, 240, 232]);
    expect(at(pixels, GROUND.x, GROUND.y)[3]).toBe(0);
    expect(Math.max(...over(at(pixels, PRINT.x, PRINT.y), PAPER))).toBeLessThan(60);
  });

  it('keeps the colour of coloured print', () => {
    const [r, g, b] = over(
      at(
        strip(() => [230, 230, 230], [170, 30, 40]),
        PRINT.x,
        PRINT.y,
      ),
      [255, 255, 255],
    );
    expect(r! - Math.max(g!, b!)).toBeGreaterThan(100);
  });

  it('keeps gold gold, also on a dark card', () => {
    const [r, g, b] = over(
      at(
        strip(() => [30, 42, 56], [215, 185, 130]),
        PRINT.x,
        PRINT.y,
      ),
      [255, 255, 255],
    );
    expect(r!).toBeGreaterThan(g!);
    expect(g! - b!).toBeGreaterThan(30);
    expect(r!).toBeLessThan(200);
  });

  it('does nothing to nothing', () => {
    expect(() => inkOnPaper(new Uint8ClampedArray(), 0, 0)).not.toThrow();
  });
});
