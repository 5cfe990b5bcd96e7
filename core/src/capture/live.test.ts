import fc from 'fast-check';
import { viewFrame, type FrameView } from './frameView';
import type { Frame } from './framePlanes';
import { liveOutline } from './liveOutline';
import { contains, intersectionOverUnion, rectangle, type Point, type Quad } from './quad';
import { startWatching, tookBack, tookPicture, watchFrame, type LiveState } from './watchLive';

type Colour = readonly [number, number, number];
const PAPER: Colour = [236, 232, 222];
const WOOD: Colour = [120, 84, 58];

/** A frame with a card on a table, some lines of print on it. */
function draw(
  quad: Quad | undefined,
  { card = PAPER, table = WOOD, noise = 0, width = 240, height = 180 } = {},
): Frame {
  const data = new Uint8ClampedArray(width * height * 4);
  let seed = 7;
  const grain = () => ((seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5) * 2 * noise;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const onCard = quad && contains(quad, [x, y]);
      const print = onCard && y % 14 < 3 && x % 5 < 3 && contains(shrink(quad), [x, y]);
      const colour = print ? ([40, 40, 50] as Colour) : onCard ? card : table;
      colour.forEach((value, k) => (data[(y * width + x) * 4 + k] = value + grain()));
      data[(y * width + x) * 4 + 3] = 255;
    }
  }
  return { data, width, height };
}

function shrink(quad: Quad): Point[] {
  const middle: Point = [quad.reduce((s, p) => s + p[0], 0) / 4, quad.reduce((s, p) => s + p[1], 0) / 4];
  return quad.map(([x, y]) => [middle[0] + (x - middle[0]) * 0.7, middle[1] + (y - middle[1]) * 0.7]);
}

const turned = (degrees: number, wide = 130, high = 80): Quad => {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const at = (x: number, y: number): Point => [120 + x * c - y * s, 90 + x * s + y * c];
  return [at(-wide / 2, -high / 2), at(wide / 2, -high / 2), at(wide / 2, high / 2), at(-wide / 2, high / 2)];
};

describe('the card in a frame of the live picture', () => {
  it.each([0, 7, -18, 33, 80])('is found turned by %i degrees', (degrees) => {
    const quad = turned(degrees);
    const found = liveOutline(draw(quad, { noise: 6 }));
    expect(intersectionOverUnion(found!.quad, quad)).toBeGreaterThan(0.9);
  });

  it('is found dark on light, in perspective, and where only the colour differs', () => {
    const perspective: Quad = [[60, 50], [185, 58], [196, 142], [48, 130]]; // prettier-ignore
    for (const colours of [
      { card: [40, 44, 60] as Colour, table: [200, 196, 190] as Colour },
      { card: [196, 190, 150] as Colour, table: [176, 190, 214] as Colour },
    ]) {
      const found = liveOutline(draw(perspective, { ...colours, noise: 3 }));
      expect(intersectionOverUnion(found!.quad, perspective)).toBeGreaterThan(0.88);
    }
  });

  it('is not seen on an empty table, however grained', () => {
    for (const noise of [0, 8, 25]) expect(liveOutline(draw(undefined, { noise }))).toBeUndefined();
  });

  it('never fails, whatever the picture is', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ minLength: 400, maxLength: 4000 }),
        fc.integer({ min: 3, max: 40 }),
        (bytes, width) => {
          const height = Math.floor(bytes.length / 4 / width);
          fc.pre(height >= 3);
          viewFrame({ data: new Uint8ClampedArray(bytes.subarray(0, width * height * 4)), width, height });
        },
      ),
      { numRuns: 60 },
    );
  });
});

const good = viewFrame(draw(turned(5), { noise: 2 }));

/** Shows frames 100 ms apart. @returns for each whether it released, and the advice after it */
function show(frames: readonly FrameView[], state: LiveState = startWatching(0), from = 0) {
  const seen: { release: boolean; advice?: string }[] = [];
  let now = state;
  frames.forEach((frame, i) => {
    const { state: next, release } = watchFrame(now, frame, from + (i + 1) * 100);
    now = release ? tookPicture(next, frame.scene) : next;
    seen.push({ release, advice: next.advice });
  });
  return { seen, state: now, releases: seen.filter((s) => s.release).length };
}
const times = (n: number, frame: FrameView) => Array.from({ length: n }, () => frame);

describe('release by itself', () => {
  it('waits until card, focus and stillness have been good for a moment, then comes once', () => {
    const { seen, releases } = show(times(30, good));
    expect(releases).toBe(1);
    expect(seen.findIndex((s) => s.release)).toBeGreaterThanOrEqual(5);
    expect(seen.at(-1)!.advice).toBe('nextCard');
  });

  it('comes again for the next card', () => {
    const next = viewFrame(draw(turned(-20, 120, 78), { card: [60, 70, 90], noise: 2 }));
    expect(show([...times(10, good), ...times(12, next)]).releases).toBe(2);
  });

  it('does not take a card again that was just taken by hand', () => {
    const taken = tookPicture(startWatching(0), good.scene);
    expect(show(times(30, good), taken).releases).toBe(0);
  });

  it('comes again for the same card once its picture was taken back', () => {
    const { state, releases } = show(times(12, good));
    expect(releases).toBe(1);
    const again = show(times(12, good), tookBack(state, 1_200), 1_200);
    expect(again.releases).toBe(1);
    expect(again.seen[0]!.advice).not.toBe('nextCard');
  });

  it('does not come while the hand moves, in glare, in the dark, or without focus', () => {
    const shaken = Array.from({ length: 30 }, (_, i) => {
      const quad = good.outline!.map(([x, y]) => [x + 0.02 * (i % 2), y] as const) as unknown as Quad;
      return { ...good, outline: quad };
    });
    expect(show(shaken).releases).toBe(0);
    for (const fault of [{ glare: 0.1 }, { brightness: 0.1 }, { sharpness: 4 }, { share: 0.05 }])
      expect([fault, show(times(30, { ...good, ...fault })).releases]).toEqual([fault, 0]);
  });
});

describe('advice', () => {
  const after = (change: Partial<FrameView>) => show(times(30, { ...good, ...change })).seen.at(-1)!.advice;

  it.each([
    ['tooDark', { brightness: 0.1 }],
    ['glare', { glare: 0.1 }],
    ['moveCloser', { share: 0.05 }],
    ['holdStill', { sharpness: 4 }],
    ['looksAlike', { outline: undefined }],
  ] as const)('says %s when that would help', (advice, change) => {
    expect(after(change)).toBe(advice);
  });

  it('does not speak of what lasts only a frame or two', () => {
    const { seen } = show([...times(3, good), { ...good, glare: 0.2 }, ...times(3, good)]);
    expect(seen.every((s) => s.advice !== 'glare')).toBe(true);
  });

  it('sees glare and darkness in the picture itself', () => {
    const dark = viewFrame(draw(turned(0), { card: [50, 48, 46], table: [18, 16, 14] }));
    expect(dark.brightness).toBeLessThan(0.22);
    const frame = draw(rectangle(50, 45, 140, 90), { card: [205, 200, 190] });
    for (let y = 60; y < 90; y++)
      for (let x = 80; x < 120; x++) frame.data.fill(255, (y * 240 + x) * 4, (y * 240 + x) * 4 + 3);
    expect(viewFrame(frame).glare).toBeGreaterThan(0.035);
  });
});
