import {
  REACHED,
  type FiguresQuery,
  type Funnel,
  type ReadingFigures,
  type Speed,
  type Spread,
} from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import type { Visitor } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import {
  closeReasons, correctedFields, duplicatesAvoided, firmsWithHands, reachedRows, readingByWeek, speedRows, takeRoom, type Range, type ReachedRow, type SpeedRow,
} from './queries'; // prettier-ignore
import { assertInSight, inSight, sightOf, type Sight } from './whose';

const of = <T>(
  database: DataSource,
  who: Visitor,
  query: FiguresQuery,
  work: (manager: EntityManager, range: Range, sight: Sight) => Promise<T>,
): Promise<T> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const sight = await sightOf(manager, who);
    assertInSight(sight, query.owner);
    await takeRoom(manager);
    return work(manager, { ...query, timeZone: sight.workspace.timeZone }, sight);
  });

/** How soon people were filed, written to, and answered. */
export const speed = (database: DataSource, who: Visitor, query: FiguresQuery): Promise<Speed> =>
  of(database, who, query, async (manager, range, sight) => {
    const rows = await speedRows(manager, who.workspaceId, range);
    const all = rows.find(({ week, owner_id: owner }) => week === null && owner === null);
    const owners = rows.filter(({ owner_id: owner }) => owner !== null);
    return {
      all: all ? timesOf(all) : { people: 0, filed: null, written: null, answered: null, qualified: null },
      weeks: rows.filter(({ week }) => week !== null).map((row) => ({ week: row.week!, ...timesOf(row) })),
      owners: inSight(sight, owners, ({ owner_id: owner }) => owner).map((row) => ({
        ownerId: row.owner_id,
        name: row.name ?? '',
        ...timesOf(row),
      })),
    };
  });

const spread = (quarters: [number, number, number] | null, number: number): Spread =>
  quarters && number > 0 ? { number, low: quarters[0], middle: quarters[1], high: quarters[2] } : null;

const timesOf = (row: SpeedRow) => ({
  people: row.people,
  filed: spread(row.filed, row.filed_n),
  written: spread(row.written, row.written_n),
  answered: spread(row.answered, row.answered_n),
  qualified: spread(row.qualified, row.qualified_n),
});

type Counts = Funnel['owners'][number]['counts'];
const countsOf = (rows: readonly ReachedRow[]): Counts =>
  Object.fromEntries(
    REACHED.map((reached) => [
      reached,
      rows.filter((row) => row.reached === reached).reduce((sum, { open, closed }) => sum + open + closed, 0),
    ]),
  ) as Counts;

/** How far leads have come, where they stay, and why they were closed. */
export const funnel = (database: DataSource, who: Visitor, query: FiguresQuery): Promise<Funnel> =>
  of(database, who, query, async (manager, range, sight) => {
    const rows = await reachedRows(manager, who.workspaceId, range);
    const all = rows.filter(({ by }) => by === 'all');
    const at = (reached: string) => all.find((row) => row.reached === reached) ?? { open: 0, closed: 0 };
    const ids = (by: ReachedRow['by'], idOf: (row: ReachedRow) => string | null) =>
      [...new Set(rows.filter((row) => row.by === by).map(idOf))].map((id) => rows.filter((row) => row.by === by && idOf(row) === id)); // prettier-ignore
    const owners = ids('owner', ({ owner_id: id }) => id).map((own) => ({
      ownerId: own[0]!.owner_id,
      name: own[0]!.name ?? '',
      counts: countsOf(own),
    }));
    const occasions = ids('occasion', ({ occasion_id: id }) => id).map((own) => ({
      occasionId: own[0]!.occasion_id,
      name: own[0]!.occasion ?? 'Without an occasion',
      counts: countsOf(own),
    }));
    const sources = rows
      .filter(({ by }) => by === 'source')
      .flatMap(({ source }) => source ?? [])
      .filter((source, place, all_) => all_.indexOf(source) === place)
      .map((source) => ({ source, counts: countsOf(rows.filter((row) => row.by === 'source' && row.source === source)) })); // prettier-ignore
    const byName = (a: { name: string }, b: { name: string }) => a.name.localeCompare(b.name);
    return {
      steps: REACHED.map((reached, place) => ({
        reached,
        // Whoever came farther was here too.
        number: REACHED.slice(place).reduce((sum, one) => sum + at(one).open + at(one).closed, 0),
        open: at(reached).open,
        closed: at(reached).closed,
      })),
      reasons: await closeReasons(manager, who.workspaceId, range),
      owners: inSight(sight, owners, ({ ownerId }) => ownerId).sort(byName),
      occasions: occasions.sort(byName),
      sources,
    };
  });

/** How well cards were read, as it turned out when they were filed. */
export const readingFigures = (database: DataSource, who: Visitor, query: FiguresQuery): Promise<ReadingFigures> =>
  of(database, who, query, async (manager, range) => {
    const weeks = await readingByWeek(manager, who.workspaceId, range);
    const sum = (name: 'cards' | 'doubts' | 'untouched' | 'by_itself') => weeks.reduce((all, week) => all + week[name], 0); // prettier-ignore
    const firms = await firmsWithHands(manager, who.workspaceId, range);
    return {
      cards: sum('cards'),
      doubts: sum('doubts'),
      untouched: sum('untouched'),
      byItself: sum('by_itself'),
      weeks: weeks.map(({ week, cards, doubts, untouched }) => ({ week, cards, doubts, untouched })),
      fields: await correctedFields(manager, who.workspaceId, range),
      firms: firms.map(({ company_id: companyId, ...firm }) => ({ companyId, ...firm })),
      ...(await duplicatesAvoided(manager, who.workspaceId, range)),
    };
  });
