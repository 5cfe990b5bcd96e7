import type { At } from '@dossier/core/people/map';

/** The world in Mercator's projection is a square of this side, in units of its own. */
export const WORLD = 1024;
/** North and south of it the projection goes on for ever. */
const MOST_LAT = 85;
const LEAST_SCALE = 0.3;
const MOST_SCALE = 260;
/** So large one place alone is shown. */
const CLOSE_SCALE = 60;

/** What of the world is in sight: a unit is `scale` pixels, and the world's corner lies at x, y in pixels. */
export interface View {
  x: number;
  y: number;
  scale: number;
}
export interface Size {
  width: number;
  height: number;
}

/** Where a place lies in the world's square (spherical Mercator, EPSG:3857). */
export function worldOf({ lat, lon }: At): [x: number, y: number] {
  const phi = (Math.max(-MOST_LAT, Math.min(MOST_LAT, lat)) * Math.PI) / 180;
  return [((lon + 180) / 360) * WORLD, ((1 - Math.log(Math.tan(phi) + 1 / Math.cos(phi)) / Math.PI) / 2) * WORLD];
}

/** The place under a point of the screen. */
export function placeAt({ x, y, scale }: View, [px, py]: readonly [number, number]): At {
  const [wx, wy] = [(px - x) / scale, (py - y) / scale];
  const n = Math.PI * (1 - (2 * wy) / WORLD);
  return { lat: (Math.atan(Math.sinh(n)) * 180) / Math.PI, lon: (wx / WORLD) * 360 - 180 };
}

export function pointOf({ x, y, scale }: View, at: At): [x: number, y: number] {
  const [wx, wy] = worldOf(at);
  return [wx * scale + x, wy * scale + y];
}

export const isInSight = ([x, y]: readonly [number, number], { width, height }: Size, margin: number): boolean =>
  x > -margin && y > -margin && x < width + margin && y < height + margin;

/** A view in which all of these are seen. */
export function viewOf(places: readonly At[], { width, height }: Size): View {
  if (places.length === 0) return centred([WORLD / 2, WORLD * 0.36], width / WORLD, { width, height });
  const points = places.map(worldOf);
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const room = 0.8;
  const scale = Math.min((width * room) / (right - left || 1e-9), (height * room) / (bottom - top || 1e-9), CLOSE_SCALE); // prettier-ignore
  return centred([(left + right) / 2, (top + bottom) / 2], Math.max(LEAST_SCALE, scale), { width, height });
}

const centred = ([wx, wy]: readonly [number, number], scale: number, { width, height }: Size): View => ({
  scale,
  x: width / 2 - wx * scale,
  y: height / 2 - wy * scale,
});

/** Nearer or further, with what is under a point staying there. */
export function zoomed(view: View, factor: number, [px, py]: readonly [number, number]): View {
  const scale = Math.max(LEAST_SCALE, Math.min(MOST_SCALE, view.scale * factor));
  const by = scale / view.scale;
  return { scale, x: px - (px - view.x) * by, y: py - (py - view.y) * by };
}

export const moved = (view: View, dx: number, dy: number): View => ({ ...view, x: view.x + dx, y: view.y + dy });

/** A view about a place, as near as the one before or nearer. */
export const viewAround = (view: View, at: At, size: Size): View =>
  centred(worldOf(at), Math.max(view.scale, CLOSE_SCALE / 2), size);
