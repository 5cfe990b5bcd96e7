import fc from 'fast-check';
import {
  complaintAboutOutline,
  emptiestPlace,
  joinOutlines,
  moveCorner,
  moveOutline,
  newOutline,
  sameOutline,
  splitOutline,
  turnOutline,
} from './cardOutline';
import { area, contains, coveredShare, rectangle, type Point, type Quad } from './quad';

const PHOTO: Point = [1200, 900];
const card = (left = 100, top = 100): Quad => rectangle(left, top, 340, 200);

describe('a border set by hand', () => {
  it('stays inside the photograph however far a corner is dragged', () => {
    fc.assert(
      fc.property(fc.nat(3), fc.double({ noNaN: true }), fc.double({ noNaN: true }), (corner, x, y) => {
        const moved = moveCorner(card(), corner, [x, y], PHOTO);
        return moved.every(([px, py]) => px >= 0 && py >= 0 && px <= PHOTO[0] && py <= PHOTO[1]);
      }),
    );
  });

  it('keeps its shape when it is moved as a whole, and stops at the edge', () => {
    fc.assert(
      fc.property(fc.integer({ min: -3000, max: 3000 }), fc.integer({ min: -3000, max: 3000 }), (dx, dy) => {
        const moved = moveOutline(card(), [dx, dy], PHOTO);
        return Math.abs(area(moved) - area(card())) < 1 && moved.every((p) => contains(rectangle(0, 0, ...PHOTO), p));
      }),
    );
  });

  it('is refused in words when no card can be cut out along it', () => {
    expect(complaintAboutOutline(card())).toBeUndefined();
    const [a, b, c, d] = card();
    expect(complaintAboutOutline([a, c, b, d])).toMatch(/crosses itself/);
    expect(complaintAboutOutline(rectangle(0, 0, 300, 20))).toMatch(/too small/);
  });

  it('comes back to itself after four quarter turns, and says that a person has turned it', () => {
    const start = { quad: card(), upright: false };
    const once = turnOutline(start);
    expect(once).toMatchObject({ upright: true });
    expect(sameOutline(once.quad, start.quad)).toBe(false);
    expect(sameOutline(turnOutline(turnOutline(turnOutline(once))).quad, start.quad)).toBe(true);
  });
});

describe('splitting and joining', () => {
  it.each([
    ['side by side', rectangle(50, 50, 700, 200)],
    ['one above the other', rectangle(50, 50, 340, 420)],
  ])('parts two cards %s and joins them to the same border', (_what, quad) => {
    const [one, other] = splitOutline({ quad, upright: false });
    expect(area(one.quad) + area(other.quad)).toBeCloseTo(area(quad));
    expect(coveredShare(one.quad, other.quad)).toBeCloseTo(0);
    expect(sameOutline(joinOutlines(one, other).quad, quad)).toBe(true);
  });

  it('joins cards that lie at an angle along the larger one’s sides', () => {
    const tilted: Quad = [[300, 100], [600, 200], [540, 380], [240, 280]]; // prettier-ignore
    const joined = joinOutlines({ quad: tilted, upright: true }, { quad: rectangle(640, 240, 60, 50), upright: false });
    expect(joined.upright).toBe(true);
    expect(coveredShare(tilted, joined.quad)).toBeGreaterThan(0.999);
    expect(complaintAboutOutline(joined.quad)).toBeUndefined();
  });
});

describe('a further border', () => {
  it('appears where there is room, as large as the others', () => {
    const others = [card(60, 60), card(700, 60)];
    const place = emptiestPlace(others, PHOTO);
    const { quad } = newOutline(place, others, PHOTO);
    expect(others.every((other) => coveredShare(quad, other) < 0.1)).toBe(true);
    expect(area(quad) / area(others[0]!)).toBeGreaterThan(0.8);
    expect(complaintAboutOutline(quad)).toBeUndefined();
  });

  it('is in the middle of a photograph without any', () => {
    expect(emptiestPlace([], PHOTO)).toEqual([600, 450]);
  });
});
