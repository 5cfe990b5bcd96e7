import type { BusinessTakenQuery } from '@dossier/contract';
import { BUSINESS_BACK, BUSINESS_COLUMNS, type BusinessColumn, type TakenOpportunity } from '@dossier/core/exchange/business'; // prettier-ignore
import { csvLine, rowState } from '@dossier/core/exchange/files';
import ExcelJS from 'exceljs';
import type { Response } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { opportunityRows, takenRows, type TakenRow } from '../../pipeline';

const AT_ONCE = 500;

export const takenOf = (row: TakenRow): TakenOpportunity => ({
  id: row.id,
  version: row.version,
  title: row.title,
  company: row.company ?? '',
  value: row.value,
  currency: row.currency,
  expectedOn: row.expected_on,
  chance: row.chance,
  stage: row.stage,
  about: row.about,
  owner: row.owner,
  state: row.state,
  endedAt: row.ended_at,
  reason: row.end_reason ?? '',
  occasion: row.occasion ?? '',
  people: row.people.map(({ name }) => name),
});

/** All of a list, some at a time. */
async function* listed(
  manager: EntityManager,
  workspaceId: string,
  query: BusinessTakenQuery,
): AsyncGenerator<TakenOpportunity[]> {
  let after: readonly [string, string] | null = null;
  for (;;) {
    const rows: Awaited<ReturnType<typeof opportunityRows>> = await opportunityRows(manager, workspaceId, query, after, AT_ONCE); // prettier-ignore
    if (rows.length === 0) return;
    yield (await takenRows(manager, workspaceId, rows.map(({ id }) => id))).map(takenOf); // prettier-ignore
    const last = rows.at(-1)!;
    after = [last.place, last.id];
  }
}

const backCells = (one: TakenOpportunity): string[] => [
  one.id,
  rowState(BUSINESS_COLUMNS.filter(({ set }) => set).map(({ key, get }) => [key, get(one)] as const)),
];

/** Business of a list as a table that can come back. */
export const takeBusinessOut = (
  database: DataSource,
  { workspaceId }: SignedIn,
  query: BusinessTakenQuery,
  response: Response,
): Promise<void> =>
  inSnapshot(database, workspaceId, async (manager) => {
    response.attachment(`business.${query.format}`);
    if (query.format === 'csv') {
      response.type('text/csv; charset=utf-8');
      response.write(`\uFEFF${csvLine([...BUSINESS_COLUMNS.map(({ header }) => header), ...Object.values(BUSINESS_BACK)], ',')}`); // prettier-ignore
      for await (const some of listed(manager, workspaceId, query))
        response.write(some.map((one) => csvLine([...BUSINESS_COLUMNS.map(({ get }) => get(one)), ...backCells(one)], ',')).join('')); // prettier-ignore
      response.end();
      return;
    }
    response.type('application/vnd.openxmlformats-officedocument.spreadsheetml.sheet');
    response.send(await workbook(listed(manager, workspaceId, query)));
  });

const WIDTHS = { text: 24, number: 14, date: 12, moment: 18 } as const;
const FORMATS = { text: '@', number: '#,##0.00', date: 'yyyy-mm-dd', moment: 'yyyy-mm-dd hh:mm' } as const;

async function workbook(pages: AsyncIterable<readonly TakenOpportunity[]>): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  book.creator = 'Dossier';
  const sheet = book.addWorksheet('Business', { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.columns = [
    ...BUSINESS_COLUMNS.map(({ header, type }) => ({ header, width: WIDTHS[type], style: { numFmt: FORMATS[type] } })),
    ...Object.values(BUSINESS_BACK).map((header) => ({ header, width: 12, hidden: true, style: { numFmt: '@' } })),
  ];
  sheet.getRow(1).font = { bold: true };
  sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: BUSINESS_COLUMNS.length } };
  for await (const some of pages)
    for (const one of some)
      sheet.addRow([...BUSINESS_COLUMNS.map(({ type, get }) => cellValue(type, get(one))), ...backCells(one)]);
  const about = book.addWorksheet('Columns');
  about.columns = [{ header: 'Column', width: 22 }, { header: 'What stands in it', width: 90 }]; // prettier-ignore
  about.getRow(1).font = { bold: true };
  for (const { header, about: what } of BUSINESS_COLUMNS) about.addRow([header, what]);
  about.addRow([Object.values(BUSINESS_BACK).join(', '), 'Hidden columns by which Dossier knows a row again when the table comes back. Leave them as they are; a row without them is a new opportunity.']); // prettier-ignore
  return Buffer.from(await book.xlsx.writeBuffer());
}

function cellValue(type: BusinessColumn['type'], text: string): string | number | Date | null {
  if (text === '') return null;
  if (type === 'text') return text;
  return type === 'number' ? Number(text) : new Date(type === 'date' ? `${text}T00:00:00Z` : text);
}
