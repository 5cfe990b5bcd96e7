import type { TableBack } from '@dossier/contract';
import { COMPANY_COLUMNS, type TakenCompany } from '@dossier/core/exchange/companies';
import { cameBack, withRecordCells } from '@dossier/core/exchange/records';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { firmsInFull, lockStaff, noteIn, renameIn } from '../../companies';
import { Company } from '../../people';
import { backRows, bringBack, nothingTold, TWICE, type BackRow } from '../records/tableBack';

/**
 * A table of firms that went out comes back: firms get the names that were changed there, and further notes; all in one transaction.
 * What was changed here as well stays as it is here. @param preview only says what would be done
 * @throws ProblemError 422 for what is no such table
 */
export async function bringCompaniesBack(
  database: DataSource,
  who: SignedIn,
  bytes: Uint8Array,
  preview: boolean,
): Promise<TableBack> {
  const rows = await backRows(bytes, COMPANY_COLUMNS, 'name', 'firms');
  return bringBack(database, who.workspaceId, preview, (manager) => bring(manager, who, rows));
}

const headers = new Map(COMPANY_COLUMNS.map(({ key, header }) => [key, header]));

async function bring(manager: EntityManager, who: SignedIn, rows: readonly BackRow[]): Promise<TableBack> {
  const told = nothingTold();
  // Firms, and who works there, are locked in the order of their ids.
  const inOrder = [...rows].sort((one, other) => (one.id ?? '').localeCompare(other.id ?? ''));
  const here = await firmsHere(manager, who.workspaceId, rows.flatMap(({ id }) => id ?? [])); // prettier-ignore
  const isRenamed = ({ id, cells }: BackRow) => cells.get('name')?.trim() !== here.get(id!)?.name;
  await lockStaff(manager, who.workspaceId, [...here.keys()].filter((id) => rows.some((row) => row.id === id && isRenamed(row)))); // prettier-ignore
  for (const row of inOrder) {
    const firm = row.id ? here.get(row.id) : undefined;
    const title = row.cells.get('name')?.trim() || firm?.name || '';
    const fault = (key: string, words: string) => told.faults.push({ row: row.number, title, field: headers.get(key) ?? '', fault: words }); // prettier-ignore
    const stands = row.isTwice ? TWICE : against(row, firm);
    if (stands !== undefined) {
      fault('', stands);
      continue;
    }
    const now = { ...NOTHING, ...firm! };
    const back = cameBack(COMPANY_COLUMNS, row.cells, row.state, now);
    for (const { key, ...both } of back.conflicts) told.conflicts.push({ row: row.number, title, field: headers.get(key)!, ...both }); // prettier-ignore
    const { draft, faults } = withRecordCells(COMPANY_COLUMNS, { name: now.name, note: '' }, back.cells, undefined);
    for (const one of faults) fault(one.key, one.fault);
    let isChanged = false;
    if (draft.name !== now.name) {
      const refused = await renamed(manager, who, firm!, draft.name);
      if (refused === undefined) isChanged = true;
      else fault('name', refused);
    }
    if (draft.note && !firm!.notes.includes(draft.note)) {
      await noteIn(manager, who, firm!.id, draft.note);
      isChanged = true;
    }
    told[isChanged ? 'changed' : 'same']++;
  }
  const byRow = (one: { row: number }, other: { row: number }) => one.row - other.row;
  return { ...told, conflicts: told.conflicts.sort(byRow), faults: told.faults.sort(byRow) };
}

const NOTHING: TakenCompany = { id: '', name: '', otherNames: [], people: 0, town: '', domains: [], websites: [], phones: [], addresses: [], open: [], won: [], notes: [] }; // prettier-ignore

interface FirmHere {
  id: string;
  name: string;
  version: number;
  /** The name of the one that it has become. */
  now: string | null;
  notes: string[];
}

/** So many of its latest notes are compared with one that comes back. */
const NOTES = 500;

async function firmsHere(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<Map<string, FirmHere>> {
  const firms = await manager.find(Company, { where: { workspaceId, id: In([...ids]) }, relations: { now: true } });
  const full = await firmsInFull(manager, workspaceId, firms.map(({ id }) => id), { people: 0, notes: NOTES }); // prettier-ignore
  const notes = new Map(full.map((firm) => [firm.id, firm.notes]));
  return new Map(firms.map(({ id, name, version, now }) => [id, { id, name, version, now: now?.name ?? null, notes: notes.get(id) ?? [] }])); // prettier-ignore
}

/** Why a row cannot be read at all. */
function against({ id }: BackRow, firm: FirmHere | undefined): string | undefined {
  if (!id) return 'It is not known which firm this is. A firm comes here with the people whose cards name it.';
  if (!firm) return 'This firm is not here any more.';
  return firm.now === null ? undefined : `This firm has become “${firm.now}”.`;
}

/** @returns why it cannot be called so */
async function renamed(
  manager: EntityManager,
  who: SignedIn,
  { id, version }: FirmHere,
  name: string,
): Promise<string | undefined> {
  try {
    await renameIn(manager, who, id, { name, version });
    return undefined;
  } catch (error) {
    if (error instanceof ProblemError) return error.message;
    throw error;
  }
}
