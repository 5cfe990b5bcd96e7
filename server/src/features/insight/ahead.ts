import type { Coming, Owed } from '@dossier/contract';
import { sumsOf, togetherIn } from '@dossier/core/pipeline';
import type { DataSource } from 'typeorm';
import type { Visitor } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { comingRows, lateTasks, owedRows, type ComingRow } from './queries';
import { assertInSight, inSight, sightOf } from './whose';

/** Who is owed an answer or a word, and what is late. @param day where whoever asks is */
export const owed = (database: DataSource, who: Visitor, day: string): Promise<Owed> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const sight = await sightOf(manager, who);
    const rows = await owedRows(manager, who.workspaceId, day);
    const total = (name: 'never_written' | 'unread' | 'late') => rows.reduce((sum, row) => sum + row[name], 0);
    const late = await lateTasks(manager, who.workspaceId, day, sight.only ? [sight.only] : []);
    return {
      owners: [
        { ownerId: null, name: 'The team', neverWritten: total('never_written'), unread: total('unread'), late: total('late') }, // prettier-ignore
        ...inSight(sight, rows, ({ owner_id: owner }) => owner).map((row) => ({
          ownerId: row.owner_id,
          name: row.name,
          neverWritten: row.never_written,
          unread: row.unread,
          late: row.late,
        })),
      ],
      late: late.map((task) => ({
        id: task.id,
        text: task.text,
        dueOn: task.due_on,
        owner: task.owner,
        person: task.person_id ? { id: task.person_id, fullName: task.full_name ?? '' } : null,
        opportunity: task.opportunity_id ? { id: task.opportunity_id, title: task.title ?? '' } : null,
      })),
    };
  });

/** What is expected in which month, and what was won in those that are over, against what is wanted. */
export const coming = (
  database: DataSource,
  who: Visitor,
  { day, owner }: { day: string; owner: string[] },
): Promise<Coming> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const sight = await sightOf(manager, who);
    assertInSight(sight, owner);
    const { currency, rates, goals, timeZone } = sight.workspace;
    const rows = await comingRows(manager, who.workspaceId, day, owner, timeZone);
    const without = new Set<string>();
    const worth = (own: readonly ComingRow[]) => {
      const together = togetherIn(currency, rates, sumsOf(own.map(({ value, ...rest }) => ({ ...rest, value: Number(value) })))); // prettier-ignore
      together.without.forEach((one) => without.add(one));
      return together.sum;
    };
    const number = (own: readonly ComingRow[]) => own.reduce((sum, row) => sum + row.number, 0);
    const dated = rows.filter(({ month }) => month !== null);
    // A goal that is for all of them says nothing of one of them.
    const wanted = new Map(owner.length > 0 ? [] : goals.map(({ month, value }) => [month, value]));
    const names = [...new Set([...dated.map(({ month }) => month!), ...[...wanted.keys()].filter((month) => month >= day.slice(0, 7))])].sort(); // prettier-ignore
    const undated = rows.filter(({ month, state }) => month === null && state === 'open');
    const open = (of: readonly ComingRow[]) => of.filter(({ state }) => state === 'open');
    return {
      currency,
      months: names.map((month) => {
        const own = dated.filter((row) => row.month === month);
        const { value, weighted } = worth(open(own));
        return {
          month,
          number: number(open(own)),
          value,
          weighted,
          won: worth(own.filter(({ state }) => state === 'won')).value,
          goal: wanted.get(month) ?? null,
        };
      }),
      undated: { number: number(undated), value: worth(undated).value, weighted: worth(undated).weighted },
      withoutRate: [...without].sort(),
    };
  });
