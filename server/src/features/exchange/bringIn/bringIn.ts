import type { ImportMapping, ImportRowSettled } from '@dossier/contract';
import { isTarget } from '@dossier/core/exchange/files';
import { undoChange } from '@dossier/core/people/changes';
import { In, IsNull, LessThan, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound, ProblemError } from '../../../platform/problem';
import { addJob } from '../../../platform/queue';
import type { SignedIn } from '../../../platform/session';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Workspace } from '../../account';
import { editLocked, listedOnce, log, Note, Person } from '../../people';
import { ImportFile, ImportRowRecord } from './entities';
import { parsing } from './parsing';
import { forgetOutcomes, hasMore, insertRows, isMerged, keepResults, lockImports, mappingOfHead } from './queries';
import {
  contextOf,
  createNew,
  incomingRow,
  intoKnown,
  isSame,
  lockedPerson,
  recordOf,
  takeCells,
  type RowContext,
  type RowResult,
} from './rows';
import { goThroughSome } from './someRows';

/** So many rows are gone through in one transaction: nobody waits for long for one of these people. */
const AT_ONCE = 50;

/** Takes a file in and reads it; nobody is filed yet. @throws ProblemError 422 for what is no file of people */
export async function beginImport(
  database: DataSource,
  who: SignedIn,
  name: string,
  bytes: Uint8Array,
): Promise<string> {
  const { country } = await database.getRepository(Workspace).findOneByOrFail({ id: who.workspaceId });
  const parsed = await parsing(bytes, country);
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const known = parsed.head && (await mappingOfHead(manager, who.workspaceId, parsed.head));
    const file: Partial<ImportFile> & Pick<ImportFile, 'id' | 'workspaceId'> = {
      id: uuidv7(),
      workspaceId: who.workspaceId,
      madeBy: who.accountId,
      madeAt: new Date(),
      name: name || 'Without a name',
      format: parsed.format,
      state: 'mapping',
      head: parsed.head,
      mapping: known ?? parsed.mapping,
      rule: 'fill',
      rowCount: parsed.rows.length,
      problem: null,
    };
    await manager.insert(ImportFile, file as ImportFile);
    await insertRows(manager, file, parsed.rows, 1);
    return file.id;
  });
}

/** @throws ProblemError 404, 409 once it was begun, 400 for a column that can go nowhere */
export function mapImport(database: DataSource, who: SignedIn, id: string, change: ImportMapping): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const file = await locked(manager, who.workspaceId, id);
    if (file.state !== 'mapping') throw conflict('begun', 'This file is being brought in already, or has been.');
    const unknown = change.mapping.find((target) => target !== null && !isTarget(target));
    if (unknown !== undefined) throw new ProblemError(400, 'invalid-request', 'Something is missing or wrong', `A column cannot go to “${unknown}”.`); // prettier-ignore
    if (change.head !== undefined && (file.format === 'csv' || file.format === 'xlsx'))
      await setHead(manager, file, change.head);
    await manager.update(ImportFile, { id }, { mapping: change.mapping, rule: change.rule ?? file.rule });
    await forgetOutcomes(manager, who.workspaceId, id);
  });
}

/** The first row is what stands in the columns, or somebody. */
async function setHead(manager: EntityManager, file: ImportFile, hasHead: boolean): Promise<void> {
  const { id, head, rowCount } = file;
  if (hasHead === (head !== null)) return;
  if (head) {
    await insertRows(manager, file, [head], 0);
    await manager.update(ImportFile, { id }, { head: null, rowCount: rowCount + 1 });
  } else {
    const [first] = await manager.find(ImportRowRecord, { where: { importId: id }, order: { number: 'ASC' }, take: 1 });
    if (!first || !Array.isArray(first.given) || rowCount < 2) return;
    await manager.delete(ImportRowRecord, { importId: id, number: first.number });
    await manager.update(ImportFile, { id }, { head: first.given, rowCount: rowCount - 1 });
  }
}

/** Goes through all rows by a job. @param dry whether only to say what would become of them */
export function runImport(database: DataSource, who: SignedIn, id: string, dry: boolean): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const file = await locked(manager, who.workspaceId, id);
    if (file.state === 'running') throw conflict('under-way', 'This file is being brought in already.');
    if (!['mapping', 'cancelled', 'failed'].includes(file.state))
      throw conflict('done', 'This file has been brought in. Take that back first, or bring in the file anew.');
    if (dry && file.state !== 'mapping') throw conflict('begun', 'Some of this file has been brought in already.');
    if (file.state === 'mapping') await forgetOutcomes(manager, who.workspaceId, id);
    await manager.update(ImportFile, { id }, { state: 'running', dry, problem: null });
    await queue(manager, file);
  });
}

/** Whoever was not reached yet is not brought in. */
export function cancelImport(database: DataSource, who: SignedIn, id: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const file = await locked(manager, who.workspaceId, id);
    if (file.state === 'running')
      await manager.update(ImportFile, { id }, { state: file.dry ? 'mapping' : 'cancelled', dry: false });
  });
}

/** Takes all of it back, but what was changed since. */
export function undoImport(database: DataSource, who: SignedIn, id: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const file = await locked(manager, who.workspaceId, id);
    if (file.state === 'running') throw conflict('under-way', 'This file is still being brought in. Stop it first.');
    if (file.state === 'mapping') throw conflict('not-begun', 'Nothing of this file has been brought in yet.');
    if (file.state === 'undoing' || file.state === 'undone') return;
    await manager.update(ImportFile, { id }, { state: 'undoing' });
    await queue(manager, file);
  });
}

const queue = (manager: EntityManager, { id, workspaceId }: ImportFile): Promise<void> =>
  addJob(manager, 'bringIn', { workspaceId, importId: id }, { key: `import:${id}`, maxAttempts: 10 });

/** The next some rows of a file, in a transaction of their own. @returns whether there may be more */
export function goOn(database: DataSource, workspaceId: string, id: string): Promise<boolean> {
  return inWorkspace(database, workspaceId, async (manager) => {
    await lockImports(manager, workspaceId);
    const file = await locked(manager, workspaceId, id);
    const who = { workspaceId, accountId: file.madeBy };
    if (file.state !== 'running' && file.state !== 'undoing') return false;
    const isRunning = file.state === 'running';
    const rows = await manager.find(ImportRowRecord, {
      where: isRunning ? { importId: id, outcome: IsNull() } : { importId: id, outcome: In(['created', 'updated']), undone: IsNull() }, // prettier-ignore
      // What a later row has done to somebody is taken back before what an earlier one has.
      order: { number: isRunning ? 'ASC' : 'DESC' },
      take: AT_ONCE,
    });
    if (rows.length === 0) {
      const ended = !isRunning ? 'undone' : file.dry ? 'mapping' : 'done';
      await manager.update(ImportFile, { id }, { state: ended });
      return false;
    }
    const context = await contextOf(manager, who, file);
    const touched: string[] = [];
    await listedOnce(manager, touched, async () => {
      if (isRunning) {
        const results = await goThroughSome(manager, context, rows.map(({ given }) => given), touched, !file.dry); // prettier-ignore
        await keepResults(manager, workspaceId, id, rows.map(({ number }, i) => ({ number, ...results[i]! }))); // prettier-ignore
      } else
        for (const row of rows)
          await manager.update(ImportRowRecord, { importId: id, number: row.number }, { undone: await undoRow(manager, context, row, touched) }); // prettier-ignore
    });
    return true;
  });
}

const keep = (manager: EntityManager, { importId, number }: ImportRowRecord, result: RowResult): Promise<unknown> =>
  manager.update(ImportRowRecord, { importId, number }, result as never);

async function undoRow(
  manager: EntityManager,
  context: RowContext,
  row: ImportRowRecord,
  touched: string[],
): Promise<'undone' | 'kept'> {
  const { who, ownerNameOf } = context;
  const loaded = row.personId ? await lockedPerson(manager, who.workspaceId, row.personId) : undefined;
  // Whoever is gone need not be taken back; whoever became another person is not parted for it.
  if (!loaded) return row.personId && (await isMerged(manager, who.workspaceId, row.personId)) ? 'kept' : 'undone';
  const { person } = loaded;
  const undone = undoChange(row.before ?? row.after!, row.after!, recordOf(loaded), ownerNameOf);
  if (typeof undone === 'string') return 'kept';
  touched.push(person.id);
  if (!row.before) {
    if (!isSame(recordOf(loaded), row.after!)) return 'kept';
    if (await hasMore(manager, who.workspaceId, person.id, row.noteId)) return 'kept';
    const at = new Date();
    await manager.update(Person, { id: person.id }, { deletedAt: at, version: person.version + 1, updatedAt: at });
    await log(manager, who, { personId: person.id, action: 'deleted', at });
    return 'undone';
  }
  if (undone) await editLocked(manager, who, loaded, { ...undone.record, tags: [...undone.record.tags] });
  if (row.noteId) await manager.delete(Note, { id: row.noteId, workspaceId: who.workspaceId });
  return 'undone';
}

/** Settles a row that is perhaps somebody known, or whose cells were changed here and in the file. @throws ProblemError 404, 409 */
export function settleRow(
  database: DataSource,
  who: SignedIn,
  id: string,
  number: number,
  as: ImportRowSettled,
): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const file = await locked(manager, who.workspaceId, id);
    if (file.state !== 'done' && file.state !== 'cancelled') throw conflict('not-done', 'Bring the file in first, then settle what is left of it.'); // prettier-ignore
    const row = await manager.findOneBy(ImportRowRecord, { importId: id, number });
    if (!row) throw notFound('This row');
    const context = await contextOf(manager, who, file);
    const touched: string[] = [];
    await listedOnce(manager, touched, async () => {
      if ('take' in as) {
        if (row.conflicts.length === 0) throw conflict('settled', 'This row is settled already.');
        await keep(manager, row, await takeCells(manager, context, row, as.take, touched));
        return;
      }
      if (row.outcome !== 'perhaps') throw conflict('settled', 'This row is settled already.');
      const incoming = incomingRow(context, row.given);
      const settled = 'as' in as ? await createNew(manager, context, incoming, touched) : await intoKnown(manager, context, as.personId, incoming, touched, true); // prettier-ignore
      await keep(manager, row, settled);
    });
  });
}

async function locked(manager: EntityManager, workspaceId: string, id: string): Promise<ImportFile> {
  const file = await manager.findOne(ImportFile, { where: { id, workspaceId }, lock: { mode: 'pessimistic_write' } });
  if (!file) throw notFound('This file');
  return file;
}

/** A file that cannot be gone on with says so, and can be begun again. */
export const failImport = (database: DataSource, workspaceId: string, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const problem =
      'Something went wrong on the way. What was brought in is here; go on with the rest, or take it back.';
    await manager.update(ImportFile, { id, state: 'running' }, { state: 'failed', problem });
  });

const KEPT_MS = 30 * 24 * 60 * 60 * 1000;

/** Files hold what people are told of in them, filed or not: they are forgotten after a month. @returns how many */
export async function forgetOldImports(database: DataSource): Promise<number> {
  const before = new Date(Date.now() - KEPT_MS);
  let forgotten = 0;
  for (const { id: workspaceId } of await database.getRepository(Workspace).find({ select: { id: true } }))
    forgotten += await inWorkspace(database, workspaceId, async (manager) => {
      const { affected } = await manager.delete(ImportFile, { workspaceId, madeAt: LessThan(before) });
      return affected ?? 0;
    });
  return forgotten;
}
