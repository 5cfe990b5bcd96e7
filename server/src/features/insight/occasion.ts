import type { Cost, OccasionReport } from '@dossier/contract';
import { sumsOf, togetherIn } from '@dossier/core/pipeline';
import type { DataSource } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn, Visitor } from '../../platform/session';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Occasion } from '../capture';
import { broughtBy, cardsByHour, worthOfOccasion, type WorthRow } from './queries';
import { inSight, sightOf } from './whose';

/** @throws ProblemError 404 */
export const occasionReport = (database: DataSource, who: Visitor, id: string): Promise<OccasionReport> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const { workspaceId } = who;
    const occasion = await manager.findOneBy(Occasion, { id, workspaceId });
    if (!occasion) throw notFound('This occasion');
    const sight = await sightOf(manager, who);
    const { currency, rates, timeZone } = sight.workspace;
    const [all, ...each] = await broughtBy(manager, workspaceId, id);
    const worth = await worthOfOccasion(manager, workspaceId, id);
    const won = worthIn(worth, 'won');
    const { sum, without } = togetherIn(currency, rates, won.sums);
    const leads = all?.leads ?? 0;
    return {
      id,
      name: occasion.name,
      place: occasion.place,
      startsOn: occasion.startsOn,
      endsOn: occasion.endsOn,
      currency,
      cost: occasion.cost,
      hours: await cardsByHour(manager, workspaceId, id, timeZone),
      cards: all?.cards ?? 0,
      inTray: all?.in_tray ?? 0,
      people: all?.people ?? 0,
      leads,
      qualified: all?.qualified ?? 0,
      closed: all?.closed ?? 0,
      open: worthIn(worth, 'open'),
      won,
      lost: worthIn(worth, 'lost'),
      wonTogether: sum.value,
      withoutRate: without,
      costPerLead: occasion.cost !== null && leads > 0 ? Math.round((100 * occasion.cost) / leads) / 100 : null,
      byPerson: inSight(sight, each, ({ made_by: by }) => by).map((row) => ({
        ownerId: row.made_by,
        name: row.name ?? 'Somebody who is not known any more',
        cards: row.cards,
        people: row.people,
        leads: row.leads,
        qualified: row.qualified,
      })),
    };
  });

const worthIn = (rows: readonly WorthRow[], state: WorthRow['state']) => {
  const own = rows.filter((row) => row.state === state);
  return {
    number: own.reduce((sum, { number }) => sum + number, 0),
    sums: sumsOf(own.map(({ value, ...rest }) => ({ ...rest, value: Number(value) }))),
  };
};

/** @throws ProblemError 404 */
export const setCost = (database: DataSource, { workspaceId }: SignedIn, id: string, { cost }: Cost): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.update(Occasion, { id, workspaceId }, { cost });
    if (!affected) throw notFound('This occasion');
  });
