import fc from 'fast-check';
import type { Frame } from './framePlanes';
import { viewFrame, type FrameView } from './frameView';
import { liveOutline } from './liveOutline';
import { contains, intersectionOverUnion, type Point, type Quad } from './quad';
import { isTooDark, startWatching, tookBack, tookPicture, watchFrame, type LiveState } from './watchLive';

type Colour = readonly [number, number, number];
const PAPER: Colour = [236, 232, 222];
const WOOD: Colour = [120, 84, 58];
const INK: Colour = [40, 40, 50];

/** A frame with a card on a table, some lines of print on it. */
function draw(
  quad: Quad | undefined,
  { card = PAPER, print = INK, table = WOOD, noise = 0, width = 240, height = 180 } = {},
): Frame {
  const data = new Uint8ClampedArray(width * height * 4);
  let seed = 7;
  const grain = () => ((seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5) * 2 * noise;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const onCard = quad && contains(quad, [x, y]);
      const printed = onCard && y % 14 < 3 && x % 5 < 3 && contains(shrink(quad), [x, y]);
      const colour = printed ? print : onCard ? card : table;
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

/** Shows frames, 100 ms apart without `pace`. @returns for each whether it released, and the advice after it */
function show(frames: readonly FrameView[], state: LiveState = startWatching(0), from = 0, pace = 100) {
  const seen: { release: boolean; advice?: string }[] = [];
  let now = state;
  frames.forEach((frame, i) => {
    const { state: next, release } = watchFrame(now, frame, from + (i + 1) * pace);
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
    const next = viewFrame(draw(turned(-20, 120, 78), { card: [60, 70, 90], print: PAPER, noise: 2 }));
    expect(show([...times(10, good), ...times(12, next)]).releases).toBe(2);
  });

  it('does not take the same card again on a device that looks at a frame a second', () => {
    const { releases, state } = show(times(12, good), undefined, 0, 1000);
    expect(releases).toBe(1);
    // Nor because of a single frame in which no card was found.
    const lost = { ...good, outline: undefined, share: 0 };
    expect(show([lost, ...times(5, good)], state, 12_000, 1000).releases).toBe(0);
    expect(show([lost, lost, ...times(5, good)], state, 12_000, 1000).releases).toBe(1);
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

  it('does not come while the hand moves, in the dark, far away, or without focus', () => {
    const shaken = Array.from({ length: 30 }, (_, i) => {
      const quad = good.outline!.map(([x, y]) => [x + 0.02 * (i % 2), y] as const) as unknown as Quad;
      return { ...good, outline: quad };
    });
    expect(show(shaken).releases).toBe(0);
    for (const fault of [{ light: 0.3 }, { sharpness: 4 }, { share: 0.05 }])
      expect([fault, show(times(30, { ...good, ...fault })).releases]).toEqual([fault, 0]);
  });
});

describe('advice', () => {
  const after = (change: Partial<FrameView>) => show(times(30, { ...good, ...change })).seen.at(-1)!.advice;

  it.each([
    ['tooDark', { light: 0.3 }],
    ['noCard', { share: 0.05 }],
    ['noCard', { outline: undefined }],
    ['holdStill', { sharpness: 4 }],
  ] as const)('says %s when that would help', (advice, change) => {
    expect(after(change)).toBe(advice);
  });

  it('does not speak of what lasts only a frame or two', () => {
    const { seen } = show([...times(3, good), { ...good, light: 0.2 }, ...times(3, good)]);
    expect(seen.every((s) => s.advice !== 'tooDark')).toBe(true);
  });

  it('tells a dark picture from a dark card', () => {
    const dark = viewFrame(draw(turned(0), { card: [70, 68, 66], table: [18, 16, 14] }));
    expect(isTooDark(dark)).toBe(true);
    expect(isTooDark(viewFrame(draw(undefined, { table: WOOD })))).toBe(false);
    expect(isTooDark(viewFrame(draw(undefined, { table: [30, 22, 16] })))).toBe(true);
    const darkCard = viewFrame(draw(turned(0), { card: [24, 28, 40], print: PAPER, table: WOOD }));
    expect(darkCard.outline).toBeDefined();
    expect(isTooDark(darkCard)).toBe(false);
  });
});
