import { geoMercator, geoPath } from 'd3-geo';
import { feature } from 'topojson-client';
import type { GeometryCollection, Topology } from 'topojson-specification';
import { WORLD, type Size, type View } from './view';

type Ring = readonly (readonly [lon: number, lat: number])[];
interface Land {
  rings: Ring[];
  /** Around it in degrees: west, south, east, north. */
  box: readonly [number, number, number, number];
}

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
    return parts.map((rings) => ({ rings: rings as unknown as Ring[], box: boxOf(rings[0] as unknown as Ring) }));
  });
}

function boxOf(ring: Ring): Land['box'] {
  const [lons, lats] = [ring.map(([lon]) => lon), ring.map(([, lat]) => lat)];
  return [Math.min(...lons), Math.min(...lats), Math.max(...lons), Math.max(...lats)];
}

/** What of the lands is in sight, and a little around it, as the path of an SVG in pixels. */
export function pathInView(lands: readonly Land[], { x, y, scale }: View, { width, height }: Size): string {
  const [mx, my] = [width * 0.6, height * 0.6];
  const projection = geoMercator()
    .scale((WORLD * scale) / (2 * Math.PI))
    .translate([x + (WORLD * scale) / 2, y + (WORLD * scale) / 2])
    .clipExtent([[-mx, -my], [width + mx, height + my]]); // prettier-ignore
  const [west, north] = projection.invert!([-mx, -my])!;
  const [east, south] = projection.invert!([width + mx, height + my])!;
  const isWhole = WORLD * scale <= width + 2 * mx;
  const seen = lands.filter(({ box: [w, s, e, n] }) => isWhole || (e >= west && w <= east && n >= south && s <= north));
  const coordinates = seen.map(({ rings }) => rings as unknown as [number, number][][]);
  return geoPath(projection).digits(1)({ type: 'MultiPolygon', coordinates }) ?? '';
}
