import type { OpportunityFields, TableBack } from '@dossier/contract';
import { BUSINESS_COLUMNS, type BusinessDraft, type BusinessWords } from '@dossier/core/exchange/business';
import { cameBack, withRecordCells } from '@dossier/core/exchange/records';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import type { SignedIn } from '../../../platform/session';
import { Account, Workspace } from '../../account';
import { knownCompanies } from '../../people';
import { changeIn, haveStages, makeIn, moveIn, stagesIn, takenRows, type TakenRow } from '../../pipeline';
import { backRows, bringBack, nothingTold, TWICE, type BackRow } from '../records/tableBack';
import { takenOf } from './takeOut';

/**
 * A table of business that went out, or one like it, comes back: cells that were changed are changed here, rows without an id are new
 * ones; all in one transaction. What was changed here as well stays as it is here. @param preview only says what would be done
 * @throws ProblemError 422 for what is no such table
 */
export async function bringBusinessBack(
  database: DataSource,
  who: SignedIn,
  bytes: Uint8Array,
  preview: boolean,
): Promise<TableBack> {
  await haveStages(database, who.workspaceId);
  const rows = await backRows(bytes, BUSINESS_COLUMNS, 'title', 'business');
  return bringBack(database, who.workspaceId, preview, (manager) => bring(manager, who, rows));
}

async function bring(manager: EntityManager, who: SignedIn, rows: readonly BackRow[]): Promise<TableBack> {
  const { workspaceId } = who;
  const { currency } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const stages = await stagesIn(manager, workspaceId);
  const owners = await manager.findBy(Account, { workspaceId, outOfUseAt: IsNull() });
  const words: BusinessWords = { stages: stages.map(({ name }) => name), owners: owners.map(({ name }) => name), currency }; // prettier-ignore
  const ids = rows.flatMap(({ id }) => id ?? []);
  const known = new Map((await takenRows(manager, workspaceId, ids)).map((row) => [row.id, row]));
  const told = nothingTold();
  const header = (key: string) => BUSINESS_COLUMNS.find((column) => column.key === key)?.header ?? '';
  for (const row of rows) {
    const here = row.id ? known.get(row.id) : undefined;
    const title = row.cells.get('title')?.trim() || here?.title || '';
    const fault = (field: string, words_: string) => told.faults.push({ row: row.number, title, field, fault: words_ });
    if (row.isTwice || (row.id && !here)) {
      fault('', row.isTwice ? TWICE : 'This opportunity is not here any more.');
      continue;
    }
    const back = here
      ? cameBack(BUSINESS_COLUMNS, row.cells, row.state, takenOf(here))
      : { cells: row.cells, conflicts: [] };
    for (const { key, ...both } of back.conflicts) told.conflicts.push({ row: row.number, title, field: header(key), ...both }); // prettier-ignore
    const begun = here ? draftOf(here) : { ...EMPTY, currency, stage: words.stages[0]!, owner: owners.find(({ id }) => id === who.accountId)?.name ?? words.owners[0]! }; // prettier-ignore
    // What is left empty in a new row is as usual.
    const cells = here ? back.cells : new Map([...back.cells].filter(([key, text]) => key === 'title' || text.trim()));
    const { draft, faults } = withRecordCells(BUSINESS_COLUMNS, begun, cells, words);
    for (const one of faults) fault(header(one.key), one.fault);
    const companyId = await companyOf(manager, workspaceId, draft, here);
    if (companyId === undefined) {
      fault(header('company'), `No firm here is called “${draft.company}”.`);
      draft.company = begun.company;
    }
    if (!here && faults.length > 0) continue;
    const fields = fieldsOf(draft, companyId ?? here?.company_id ?? null, owners, here);
    const stageId = stages.find(({ name }) => name === draft.stage)?.id;
    if (!here) {
      await makeIn(manager, who, { ...fields, stageId: stageId ?? null });
      told.made++;
      continue;
    }
    const isOther = JSON.stringify(draft) !== JSON.stringify(draftOf(here));
    if (!isOther) {
      told.same++;
      continue;
    }
    await changeIn(manager, who, here.id, { ...fields, version: here.version });
    if (draft.stage !== here.stage && stageId && here.state === 'open')
      await moveIn(manager, who, here.id, { stageId });
    else if (draft.stage !== here.stage) fault(header('stage'), 'This is over: it stays in its stage.');
    told.changed++;
  }
  return told;
}

const EMPTY: BusinessDraft = { title: '', company: '', value: null, currency: '', expectedOn: null, chance: null, stage: '', about: [], owner: '' }; // prettier-ignore

const draftOf = (row: TakenRow): BusinessDraft => {
  const { title, company, value, currency, expectedOn, chance, stage, about, owner } = takenOf(row);
  return { title, company, value, currency, expectedOn, chance, stage, about: [...about], owner };
};

/** @returns its id; null for none, undefined where none here is called so */
async function companyOf(
  manager: EntityManager,
  workspaceId: string,
  { company }: BusinessDraft,
  here: TakenRow | undefined,
): Promise<string | null | undefined> {
  if (company === (here?.company ?? '')) return here?.company_id ?? null;
  if (company === '') return null;
  return (await knownCompanies(manager, workspaceId, [company])).get(company)?.id;
}

const fieldsOf = (
  { stage: _, company: __, owner, ...draft }: BusinessDraft,
  companyId: string | null,
  owners: readonly Account[],
  here: TakenRow | undefined,
): OpportunityFields => ({
  ...draft,
  companyId,
  ownerId: here && owner === here.owner ? here.owner_id : (owners.find(({ name }) => name === owner)?.id ?? null),
  occasionId: here?.occasion_id ?? null,
  people: (here?.people ?? []).map(({ id, part }) => ({ personId: id, part: part as 'decides' })),
});
