import { PersonEdit, type CellsChange, type CellsChanged } from '@dossier/contract';
import { cellText, withCell, type CellRecord, type CellWords } from '@dossier/core/people/cells';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { Account, Workspace } from '../account';
import { editLocked } from './editPerson';
import { Person } from './entities';
import { loadFields } from './loadFields';

type Cell = CellsChange['cells'][number];

/**
 * Writes into cells of a table of people: each as the form would, each person once, all of them or, when something fails, none. What
 * cannot be is refused cell by cell with words about it; nobody is changed who was changed since.
 */
export function changeCells(database: DataSource, who: SignedIn, { cells }: CellsChange): Promise<CellsChanged> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const words = await wordsOf(manager, who.workspaceId);
    const byPerson = new Map<string, Cell[]>();
    for (const cell of cells) byPerson.set(cell.personId, [...(byPerson.get(cell.personId) ?? []), cell]);
    const changed: CellsChanged = { cells: [], versions: [] };
    // Always in the same order, so that two at once wait for each other instead of blocking.
    for (const [personId, own] of [...byPerson].sort(([a], [b]) => (a < b ? -1 : 1)))
      await changeOne(manager, who, personId, own, words, changed);
    return changed;
  });
}

async function changeOne(
  manager: EntityManager,
  who: SignedIn,
  personId: string,
  cells: readonly Cell[],
  words: CellWords,
  changed: CellsChanged,
): Promise<void> {
  const told = (column: Cell['column'], outcome: CellsChanged['cells'][number]['outcome'], text = '') =>
    changed.cells.push({ personId, column, outcome, words: text });
  const where = { id: personId, workspaceId: who.workspaceId, deletedAt: IsNull() };
  const row = await manager.findOne(Person, { where, lock: { mode: 'for_no_key_update' } });
  const loaded = row && (await loadFields(manager, [personId])).get(personId);
  if (!loaded) return cells.forEach(({ column }) => told(column, 'gone', 'This person is not here any more.'));
  const { person, fields } = loaded;
  const { kind, rating, ownerId, tags } = person;
  const before: CellRecord = { fields, kind, rating, ownerId, tags };
  let after = before;
  const good: Cell['column'][] = [];
  for (const { column, version, text } of cells) {
    const now = cellText(before, column, words);
    // What stands in this very cell by now tells whether somebody else wrote in it.
    if (version !== person.version) told(column, 'changedSince', now);
    else {
      const next = withCell(after, column, text, words);
      const fault = typeof next === 'string' ? next : complaintAbout(next);
      if (fault) told(column, 'refused', fault);
      else if (cellText(next as CellRecord, column, words) === now) told(column, 'same', now);
      else {
        after = next as CellRecord;
        good.push(column);
      }
    }
  }
  if (good.length > 0) await editLocked(manager, who, loaded, { ...after, tags: [...after.tags] });
  for (const column of good) told(column, 'changed', cellText(after, column, words));
  changed.versions.push({ personId, version: person.version + (good.length > 0 ? 1 : 0) });
}

/** What the form would say. */
function complaintAbout(record: CellRecord): string | undefined {
  const form = PersonEdit.safeParse({ ...record, version: 1 });
  return form.success ? undefined : (form.error.issues[0]?.message ?? 'This cannot be kept.');
}

async function wordsOf(manager: EntityManager, workspaceId: string): Promise<CellWords> {
  const workspace = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const owners = await manager.find(Account, {
    where: { workspaceId, outOfUseAt: IsNull() },
    select: { id: true, name: true },
  });
  return { country: workspace.country, ratings: workspace.ratings, owners };
}
