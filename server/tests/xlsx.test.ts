import { readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { PassThrough } from 'node:stream';
import { countryCode, peopleColumns, rowOf, withCells, type TakenPerson } from '@dossier/core/exchange/files';
import { emptyPersonFields } from '@dossier/core/people';
import ExcelJS from 'exceljs';
import fc from 'fast-check';
import { unzipSync, zipSync } from 'fflate';
import { anyPerson } from '../../core/src/exchange/anyPerson.testing';
import { read, type ParsedFile } from '../src/features/exchange/bringIn/parsingTasks';
import { sinkOf } from '../src/features/exchange/takeOut/sink';
import { writeXlsx, type TakingOut } from '../src/features/exchange/takeOut/writers';

const MOST = { emails: 3, phones: 3, websites: 2, more: 3, moreAddresses: true };

const BLANK = {
  fields: emptyPersonFields(),
  kind: 'contact' as const,
  rating: null,
  status: null,
  closed: null,
  tags: [],
  owner: '',
};
/** What is filed has been read by the same rules: numbers as they are, countries by their codes. */
const filed = anyPerson.map((fields) => ({
  ...fields,
  country: countryCode(fields.country) ?? fields.country,
  phones: fields.phones.filter(({ value }) => /^\+\d+$/.test(value)),
}));

/** The workbook of some people, as it is sent. */
async function workbookOf(people: TakenPerson[]): Promise<Buffer> {
  const out = new PassThrough();
  const pieces: Buffer[] = [];
  out.on('data', (piece: Buffer) => pieces.push(piece));
  const taking = {
    people: { async *[Symbol.asyncIterator]() { yield await Promise.resolve(people); } }, // prettier-ignore
    repeats: MOST,
    how: { version: '4.0', pictures: 'none', delimiter: 'comma', mark: '1', column: [] },
    onProgress: () => Promise.resolve(),
  };
  await writeXlsx(sinkOf(out), taking as unknown as TakingOut);
  return Buffer.concat(pieces);
}

describe('a workbook', () => {
  it('says of anybody what they are, whatever stands in their fields', async () => {
    const words = {
      country: null,
      ratings: ['Hot'],
      statuses: ['New', 'Spoken to'],
      closeReasons: ['No need', 'No money'],
      owners: ['Pim Aldous'],
    };
    await fc.assert(
      fc.asyncProperty(fc.array(filed, { minLength: 1, maxLength: 12 }), async (all) => {
        const people = all.map((fields, i): TakenPerson => ({
          id: `01900000-0000-7000-8000-${String(i).padStart(12, '0')}`,
          version: 1,
          fields,
          kind: 'lead',
          rating: 'Hot',
          tags: ['cold chain'],
          owner: 'Pim Aldous',
          occasions: [],
          notes: [],
          companyId: null,
          filedAt: new Date('2026-03-24T09:00:00Z'),
          touchedAt: new Date('2026-03-24T09:00:00Z'),
          nextOn: null,
          status: 'Spoken to',
          closed: { at: '2026-04-01T09:00:00.000Z', reason: 'No need', words: 'asked: twice' },
          qualifiedAt: null,
        }));
        const file = (await read({ bytes: await workbookOf(people), country: null })) as ParsedFile;
        expect(file).toMatchObject({ format: 'xlsx', rows: people.map(() => expect.any(Array) as string[]) });
        for (const [i, { fields, id }] of people.entries()) {
          const row = rowOf(file.rows[i] as string[], file.mapping, file.head!, words);
          expect(row.back?.id).toBe(id);
          const { draft, faults } = withCells(BLANK, row.cells, peopleColumns(MOST), words);
          expect(faults).toEqual([]);
          expect(draft).toEqual({ fields, kind: 'lead', rating: 'Hot', status: 'Spoken to', closed: { reason: 'No need', words: 'asked: twice' }, tags: ['cold chain'], owner: 'Pim Aldous' }); // prettier-ignore
        }
      }),
      { numRuns: 25 },
    );
  });

  /** As a spreadsheet program writes it: a title over all columns, a table, links, empty rows, cells far out. */
  async function dressed(): Promise<Buffer> {
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('Met');
    sheet.addRow(['Given name', 'Family name', 'Company', 'E-mail', 'Met on']);
    sheet.addRow(['Ada', 'Aldred', 'Brightwater Mills', { text: 'ada@mills.example', hyperlink: 'mailto:ada@mills.example' }, new Date('2026-03-24')]); // prettier-ignore
    sheet.addRow([]);
    sheet.addRow([{ richText: [{ text: 'B' }, { text: 'en', font: { bold: true } }] }, 'Bright', { formula: 'C2', result: 'Brightwater Mills' }, null, null]); // prettier-ignore
    sheet.mergeCells('D4:E4');
    sheet.getCell('A1').note = 'As on the card';
    sheet.getCell('A9').dataValidation = { type: 'list', formulae: ['"Ada,Ben"'] };
    sheet.addTable({ name: 'Shown', ref: 'H1', columns: [{ name: 'Other' }], rows: [['x']] });
    return Buffer.from(await book.xlsx.writeBuffer());
  }

  it('is read whatever else is in it and wherever its parts stand, and nothing of it is left beside', async () => {
    const bytes = await dressed();
    const parts = Object.entries(unzipSync(bytes));
    const before = readdirSync(tmpdir());
    for (const order of [parts, [...parts].reverse()]) {
      const file = (await read({ bytes: zipSync(Object.fromEntries(order)), country: null })) as ParsedFile;
      expect(file).toMatchObject({ head: ['Given name', 'Family name', 'Company', 'E-mail', 'Met on', '', '', 'Other'] }); // prettier-ignore
      expect(file.rows).toEqual([
        ['Ada', 'Aldred', 'Brightwater Mills', 'ada@mills.example', '2026-03-24', '', '', 'x'],
        ['Ben', 'Bright', 'Brightwater Mills', '', '', '', '', ''].slice(0, file.rows[1] && (file.rows[1] as string[]).length), // prettier-ignore
      ]);
    }
    expect(readdirSync(tmpdir()).filter((name) => !before.includes(name) && name.startsWith('tmp-'))).toEqual([]);
  });

  it('that is more than it seems is refused before it is unpacked', async () => {
    const parts = unzipSync(await dressed());
    const large = zipSync({ ...parts, 'xl/sharedStrings.xml': new Uint8Array(320_000_000) }, { level: 1 });
    expect(large.length).toBeLessThan(3_000_000);
    expect(await read({ bytes: large, country: null })).toEqual({ unreadable: expect.stringMatching(/too large/) });
    const wide = new ExcelJS.Workbook();
    const sheet = wide.addWorksheet('People');
    sheet.getCell('A1').value = 'Family name';
    for (let row = 2; row < 300; row++) sheet.getCell(row, 16_384).value = 'far';
    expect(await read({ bytes: Buffer.from(await wide.xlsx.writeBuffer()), country: null })).toEqual({ unreadable: expect.stringMatching(/more than 300 columns/) }); // prettier-ignore
    for (const broken of [large.subarray(0, 5000), Buffer.from('PK\u0003\u0004nothing more')])
      expect(await read({ bytes: broken, country: null })).toEqual({ unreadable: expect.stringMatching(/save it as XLSX/) }); // prettier-ignore
  });
});
