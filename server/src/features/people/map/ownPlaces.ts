import type { OwnPlaceFields, OwnPlaces, Towns } from '@dossier/contract';
import { placeKey } from '@dossier/core/people/map';
import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { OwnPlaceRecord } from './entities';
import { gazetteer } from './gazetteer';

const MOST_TOWNS = 12;
const MOST_PLACES = 2_000;

export const townsLike = async (q: string): Promise<Towns> => ({
  items: await gazetteer.like(placeKey(q), MOST_TOWNS),
});

export const ownPlaces = (database: DataSource, { workspaceId }: SignedIn): Promise<OwnPlaces> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const rows = await manager.find(OwnPlaceRecord, { where: { workspaceId }, relations: { maker: true }, order: { country: 'ASC', town: 'ASC', postal: 'ASC' } }); // prettier-ignore
    return { items: rows.map(({ id, country, label, postalLabel, lat, lon, maker }) => ({ id, country, town: label, postalCode: postalLabel, lat, lon, by: maker?.name ?? '' })) }; // prettier-ignore
  });

/** Says where something is, in place of what was said before. @throws ProblemError 409 when there are too many */
export const sayWhere = (database: DataSource, { workspaceId, accountId }: SignedIn, { country, town, postalCode, lat, lon }: OwnPlaceFields): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    if ((await manager.countBy(OwnPlaceRecord, { workspaceId })) >= MOST_PLACES)
      throw conflict('too-many', 'There are too many places. Take out those that are of no use.');
    const place = { workspaceId, country, town: placeKey(town), postal: placeKey(postalCode), label: town, postalLabel: postalCode, lat, lon, madeBy: accountId };
    await manager.upsert(OwnPlaceRecord, { id: uuidv7(), ...place }, ['workspaceId', 'country', 'town', 'postal']);
  }); // prettier-ignore

/** @throws ProblemError 404 */
export const forgetPlace = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.delete(OwnPlaceRecord, { id, workspaceId });
    if (!affected) throw notFound('This place');
  });
