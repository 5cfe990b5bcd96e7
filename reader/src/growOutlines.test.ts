import { intersectionOverUnion, rectangle, type Quad } from '@dossier/core/capture';
import { growLane, inOrder, outlineSupport, shareGroups } from './growOutlines';
import type { LabPlanes } from './labPlanes';

const WIDTH = 320;
const HEIGHT = 240;

/** A table of brightness 120 with grain up to `grain`, and cards lying on it. */
function table(grain: number, cards: readonly { quad: Quad; brightness: number }[]): LabPlanes {
  const light = new Uint8Array(WIDTH * HEIGHT);
  let seed = 7;
  const chance = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  for (let y = 0; y < HEIGHT; y++) {
    for (let x = 0; x < WIDTH; x++) {
      const on = cards.find(({ quad: [a, , c] }) => x >= a[0] && x < c[0] && y >= a[1] && y < c[1]);
      light[y * WIDTH + x] = on ? on.brightness : 120 + (chance() - 0.5) * 2 * grain;
    }
  }
  const even = new Uint8Array(WIDTH * HEIGHT).fill(128);
  return { width: WIDTH, height: HEIGHT, planes: [light, even, even] };
}

const growOutlines = (lab: LabPlanes, text: readonly Quad[]): Quad[] => inOrder(growLane(shareGroups(lab, text)));

const textOf = ([[x, y]]: Quad): Quad[] => [0, 1, 2].map((k) => rectangle(x + 20, y + 18 + 24 * k, 70, 9));
const closest = (found: readonly Quad[], quad: Quad) =>
  Math.max(0, ...found.map((q) => intersectionOverUnion(q, quad)));

describe('growing outlines from text', () => {
  const card = rectangle(80, 60, 160, 100);

  it.each([
    ['an even table', 0, 210],
    ['a coarsely grained table', 55, 210],
    ['a table of nearly its own colour', 0, 124],
  ])('finds a card on %s', (_where, grain, brightness) => {
    const lab = table(grain, [{ quad: card, brightness }]);
    expect(closest(growOutlines(lab, textOf(card)), card)).toBeGreaterThan(0.85);
    expect(outlineSupport(lab, card)).toBeGreaterThan(0.6);
  });

  it('finds each of two cards that touch', () => {
    const right = rectangle(160, 60, 140, 90);
    const left = rectangle(20, 60, 140, 90);
    const lab = table(30, [
      { quad: left, brightness: 220 },
      { quad: right, brightness: 190 },
    ]);
    const found = growOutlines(lab, [...textOf(left), ...textOf(right)]);
    expect(closest(found, left)).toBeGreaterThan(0.9);
    expect(closest(found, right)).toBeGreaterThan(0.9);
  });

  it('finds a card that the border of the picture cuts off', () => {
    const cutOff = rectangle(180, 60, 140, 100);
    const lab = table(20, [{ quad: rectangle(180, 60, 200, 100), brightness: 210 }]);
    expect(closest(growOutlines(lab, textOf(cutOff)), cutOff)).toBeGreaterThan(0.9);
  });

  it('takes no grain for an edge', () => {
    expect(outlineSupport(table(55, []), card)).toBeLessThan(0.3);
  });

  it('grows nothing where there is no text', () => {
    expect(growOutlines(table(0, [{ quad: card, brightness: 210 }]), [])).toEqual([]);
  });
});
