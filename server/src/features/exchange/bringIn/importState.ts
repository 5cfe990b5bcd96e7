import type { Import, ImportRows, ImportRowsQuery, Imports } from '@dossier/contract';
import { ALL_COLUMNS } from '@dossier/core/exchange/files';
import { displayName, type PersonFields } from '@dossier/core/people';
import { writable } from '@dossier/core/text';
import { MoreThan, Not, Raw, type DataSource, type EntityManager } from 'typeorm';
import { notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { loadFields } from '../../people';
import { ImportFile, ImportRowRecord } from './entities';
import { countOutcomes } from './queries';
import { contextOf, incomingRow } from './rows';

const PREVIEWED = 8;
const SAMPLES = 3;
const SAMPLED = 50;
const LATEST = 30;
const PAGE = 30;

/** How far a file is, what its columns are, and its first rows as they will be. @throws ProblemError 404 */
export const importState = (database: DataSource, who: SignedIn, id: string): Promise<Import> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const file = await manager.findOne(ImportFile, {
      where: { id, workspaceId: who.workspaceId },
      relations: { maker: true },
    });
    if (!file) throw notFound('This file');
    const [head] = await headsOf(manager, who.workspaceId, [file]);
    const first = await manager.find(ImportRowRecord, { where: { importId: id }, order: { number: 'ASC' }, take: SAMPLED }); // prettier-ignore
    const context = await contextOf(manager, who, file);
    return {
      ...head!,
      mapping: [...file.mapping],
      columns: file.mapping.map((target, i) => ({
        header: shown(file.head?.[i] ?? ''),
        target,
        samples: first
          .flatMap(({ given }) => (Array.isArray(given) ? (given[i]?.trim() ?? '') : ''))
          .filter(Boolean)
          .slice(0, SAMPLES)
          .map(shown),
      })),
      preview: first.slice(0, PREVIEWED).map(({ number, given }) => {
        const { draft, faults } = incomingRow(context, given);
        const { fields } = draft;
        return {
          number,
          ...shownName(fields),
          email: shown(fields.emails[0] ?? ''),
          phone: shown(fields.phones[0]?.value ?? ''),
          faults,
        };
      }),
    };
  });

/** The latest files of the workspace. */
export const latestImports = (database: DataSource, who: SignedIn): Promise<Imports> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const files = await manager.find(ImportFile, {
      where: { workspaceId: who.workspaceId },
      relations: { maker: true },
      order: { madeAt: 'DESC', id: 'DESC' },
      take: LATEST,
    });
    return { items: await headsOf(manager, who.workspaceId, files) };
  });

async function headsOf(
  manager: EntityManager,
  workspaceId: string,
  files: readonly ImportFile[],
): Promise<Imports['items']> {
  const counted = await countOutcomes(manager, workspaceId, files.map(({ id }) => id)); // prettier-ignore
  return files.map((file) => {
    const own = counted.filter((row) => row.import_id === file.id);
    const sum = (of: (row: (typeof own)[number]) => boolean, what: 'rows' | 'conflicts' = 'rows') =>
      own.filter(of).reduce((total, row) => total + row[what], 0);
    const isBack = file.state === 'undoing' || file.state === 'undone';
    const by = (outcome: string) => sum((row) => row.outcome === outcome);
    return {
      id: file.id,
      name: file.name,
      at: file.madeAt.toISOString(),
      by: file.maker?.name ?? '',
      format: file.format,
      state: file.state,
      head: file.head !== null,
      rule: file.rule,
      rows: file.rowCount,
      done: isBack ? sum((row) => row.undone !== null) : sum((row) => row.outcome !== null),
      dry: file.dry,
      counts: {
        created: by('created'),
        updated: by('updated'),
        unchanged: by('unchanged'),
        perhaps: by('perhaps'),
        refused: by('refused'),
        conflicts: sum(() => true, 'conflicts'),
      },
      kept: sum((row) => row.undone === 'kept'),
      problem: file.problem,
    };
  });
}

/** Rows with one outcome, or with conflicts, a page at a time. @throws ProblemError 404 */
export const importRows = (
  database: DataSource,
  who: SignedIn,
  id: string,
  { outcome, after }: ImportRowsQuery,
): Promise<ImportRows> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const file = await manager.findOneBy(ImportFile, { id, workspaceId: who.workspaceId });
    if (!file) throw notFound('This file');
    const rows = await manager.find(ImportRowRecord, {
      where: {
        importId: id,
        number: MoreThan(after - 1),
        ...(outcome === 'conflicts' ? { conflicts: Not(Raw((column) => `${column} <@ '[]'::jsonb`)) } : { outcome }),
      },
      order: { number: 'ASC' },
      take: PAGE + 1,
    });
    const page = rows.slice(0, PAGE);
    const context = await contextOf(manager, who, file);
    const known = await loadFields(manager, page.flatMap(({ candidates }) => candidates.map((one) => one.id))); // prettier-ignore
    const items = page.map((row) => {
      const { fields } = incomingRow(context, row.given).draft;
      return {
        number: row.number,
        ...shownName(fields),
        personId: row.personId,
        outcome: row.outcome!,
        faults: row.faults,
        conflicts: row.conflicts.map((one) => ({ ...one, label: labelOf(one.key) })),
        candidates: row.candidates.flatMap(({ id: personId, likelihood }) => {
          const found = known.get(personId);
          return found
            ? [{ id: personId, fullName: found.person.fullName, company: found.fields.company, title: found.fields.title, likelihood }] // prettier-ignore
            : [];
        }),
      };
    });
    return { items, next: rows.length > PAGE ? rows[PAGE]!.number : null };
  });

/** A cell may be as long as a file; its beginning tells what it is. */
const shown = (text: string): string => (text.length > SHOWN ? `${writable(text.slice(0, SHOWN))}…` : text);
const SHOWN = 300;

const shownName = (fields: PersonFields) => ({
  fullName: shown(displayName(fields)),
  company: shown(fields.company),
  title: shown(fields.title),
});

const labelOf = (key: string): string => ALL_COLUMNS.find((column) => column.key === key)?.header ?? key;
