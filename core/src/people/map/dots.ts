import type { At } from './distance';

/** People at one place. */
export interface Spot extends At {
  people: number;
}

/** What is drawn: one spot, or several that lie too near to each other for a finger. */
export interface Dot {
  x: number;
  y: number;
  people: number;
  /** Numbers of the spots. */
  spots: number[];
}

/**
 * Spots as dots, drawn together where they would lie on each other: by the cells of a grid, so that five thousand of them take no longer
 * than a frame.
 * @param points where the spots are drawn, in pixels @param cell in pixels
 */
export function dotsOf(
  spots: readonly Spot[],
  points: readonly (readonly [x: number, y: number])[],
  cell: number,
): Dot[] {
  const cells = new Map<string, Dot>();
  for (const [i, [x, y]] of points.entries()) {
    const key = `${Math.floor(x / cell)} ${Math.floor(y / cell)}`;
    const { people } = spots[i]!;
    const dot = cells.get(key);
    if (!dot) cells.set(key, { x, y, people, spots: [i] });
    else {
      // Where most of them are.
      const share = people / (dot.people + people);
      dot.x += (x - dot.x) * share;
      dot.y += (y - dot.y) * share;
      dot.people += people;
      dot.spots.push(i);
    }
  }
  return apart(
    [...cells.values()].sort((a, b) => b.people - a.people),
    cell * 0.7,
  );
}

/** Those on either side of a border between cells are one as well where they would touch. */
function apart(dots: readonly Dot[], least: number): Dot[] {
  const kept = new Map<string, Dot[]>();
  const cellOf = ({ x, y }: Dot) => [Math.floor(x / least), Math.floor(y / least)] as const;
  const around = ([column, row]: readonly [number, number]) =>
    BESIDE.flatMap((dx) => BESIDE.flatMap((dy) => kept.get(`${column + dx} ${row + dy}`) ?? []));
  for (const dot of dots) {
    const cell = cellOf(dot);
    const near = around(cell).find(({ x, y }) => Math.hypot(x - dot.x, y - dot.y) < least);
    if (!near) kept.set(cell.join(' '), [...(kept.get(cell.join(' ')) ?? []), dot]);
    else {
      near.people += dot.people;
      near.spots.push(...dot.spots);
    }
  }
  return [...kept.values()].flat();
}

const BESIDE = [-1, 0, 1];
