import { geoMercator, geoPath } from 'd3-geo';
import { feature } from 'topojson-client';
import type { GeometryCollection, Topology } from 'topojson-specification';
import { WORLD, worldOf, type Size, type View } from './view';

type Rings = readonly (readonly (readonly [lon: number, lat: number])[])[];
type Box = readonly [left: number, top: number, right: number, bottom: number];

/** One piece of land within the world's square. */
export interface Land {
  box: Box;
  /** As the path of an SVG in units of the world's square; made when it is first seen. */
  path: () => string;
}

/** Hundredths of a pixel where the map is nearest. */
const DIGITS = 4;
const path = geoPath(
  geoMercator()
    .scale(WORLD / (2 * Math.PI))
    .translate([WORLD / 2, WORLD / 2]),
).digits(DIGITS);

let loading: Promise<Land[]> | undefined;

/** Outlines of countries (Natural Earth, in the public domain), parted into their lands; fetched by who looks at a map. */
export function loadOutlines(): Promise<Land[]> {
  loading ??= import('world-atlas/countries-50m.json').then(
    (atlas) => landsOf(('default' in atlas ? atlas.default : atlas) as unknown as Topology),
    (error: unknown) => {
      loading = undefined;
      throw error;
    },
  );
  return loading;
}

function landsOf(atlas: Topology): Land[] {
  const countries = feature(atlas, atlas.objects.countries as GeometryCollection);
  return countries.features.flatMap(({ geometry }) => {
    const parts = geometry.type === 'Polygon' ? [geometry.coordinates] : geometry.type === 'MultiPolygon' ? geometry.coordinates : []; // prettier-ignore
    return parts.map((rings) => landOf(rings as unknown as Rings));
  });
}

function landOf(rings: Rings): Land {
  const corners = rings[0]!.map(([lon, lat]) => worldOf({ lon, lat }));
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  let made: string | undefined;
  return {
    box: [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)],
    path: () => (made ??= path({ type: 'Polygon', coordinates: rings as [number, number][][] }) ?? ''),
  };
}

/** Those in sight, and a margin in pixels around it. */
export function landsInSight(
  lands: readonly Land[],
  { x, y, scale }: View,
  { width, height }: Size,
  margin: Size,
): Land[] {
  const [left, right] = [(-margin.width - x) / scale, (width + margin.width - x) / scale];
  const [top, bottom] = [(-margin.height - y) / scale, (height + margin.height - y) / scale];
  return lands.filter(({ box: [l, t, r, b] }) => r >= left && l <= right && b >= top && t <= bottom);
}
