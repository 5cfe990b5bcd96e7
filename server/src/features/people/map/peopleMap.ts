import { MOST_ON_MAP, type MapQuery, type PeopleMap } from '@dossier/contract';
import { placeKey, placeOf, type Town } from '@dossier/core/people/map';
import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { listSpecOf } from '../list/listSpec';
import { countListed, listPeople } from '../list/queries';
import { OwnPlaceRecord } from './entities';
import { gazetteer } from './gazetteer';
import { whereTheyAre, type WhereRow } from './queries';

/** Where the people of a list are. Whoever's place is not surely known is listed as such, never put anywhere. */
export async function peopleMap(database: DataSource, { workspaceId }: SignedIn, query: MapQuery): Promise<PeopleMap> {
  const { rows, own, total } = await inSnapshot(database, workspaceId, async (manager) => {
    const { spec } = await listSpecOf(manager, query);
    const listed = await listPeople(manager, spec, { by: 'sort_name', backwards: false }, undefined, MOST_ON_MAP);
    const counted = listed.length < MOST_ON_MAP ? listed.length : (await countListed(manager, spec, MOST_ON_MAP)).people; // prettier-ignore
    return {
      rows: await whereTheyAre(manager, workspaceId, listed.map((row) => row.person_id)),
      own: await manager.findBy(OwnPlaceRecord, { workspaceId }),
      total: counted,
    }; // prettier-ignore
  });
  const bySaying = new Map<string, WhereRow[]>();
  for (const row of rows) {
    const others = bySaying.get(sayingOf(row));
    if (others) others.push(row);
    else bySaying.set(sayingOf(row), [row]);
  }
  const said = [...bySaying.values()].map((people) => people[0]!);
  const keys = [...new Set(said.map((row) => placeKey(row.locality)))];
  const towns = new Map(keys.map((key, i) => [key, i]));
  const found: Town[][] = await gazetteer.named(keys);
  const places = new Map<string, PeopleMap['places'][number]>();
  const unplaced: PeopleMap['unplaced'] = [];
  let without = 0;
  for (const people of bySaying.values()) {
    const { id, locality, postal_code: postalCode, region, country } = people[0]!;
    if (!locality && !postalCode) {
      without += people.length;
      continue;
    }
    const placed = placeOf({ locality, postalCode, region, country }, found[towns.get(placeKey(locality))!]!, own);
    if (placed.kind !== 'placed') {
      unplaced.push({ locality, postalCode, country, people: people.length, personId: id, towns: placed.kind === 'several' ? placed.towns : [] }); // prettier-ignore
      continue;
    }
    const { lat, lon, label, by } = placed;
    const key = `${lat} ${lon}`;
    const place = places.get(key) ?? { label, lat, lon, by, people: [] };
    place.people.push(...people.map((one) => ({ id: one.id, name: one.full_name, company: one.company ?? '' })));
    places.set(key, place);
  }
  unplaced.sort((a, b) => b.people - a.people || a.locality.localeCompare(b.locality, 'en'));
  return { places: [...places.values()], unplaced, without, total };
}

/** What tells where somebody is; who says the same is at the same place. */
const sayingOf = ({ locality, postal_code: postalCode, region, country }: WhereRow): string =>
  [placeKey(locality), placeKey(postalCode), placeKey(region), country].join('\n');
