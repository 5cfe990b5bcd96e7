import { PassThrough } from 'node:stream';
import { countryCode, peopleColumns, rowOf, withCells, type TakenPerson } from '@dossier/core/exchange/files';
import { emptyPersonFields } from '@dossier/core/people';
import fc from 'fast-check';
import { anyPerson } from '../../core/src/exchange/anyPerson.testing';
import { read, type ParsedFile } from '../src/features/exchange/bringIn/parsingTasks';
import { sinkOf } from '../src/features/exchange/takeOut/sink';
import { writeXlsx, type TakingOut } from '../src/features/exchange/takeOut/writers';

const MOST = { emails: 3, phones: 3, websites: 2, more: 3, moreAddresses: true };

const BLANK = { fields: emptyPersonFields(), kind: 'contact' as const, rating: null, tags: [], owner: '' };
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
    const words = { country: null, ratings: ['Hot'], owners: ['Pim Aldous'] };
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
          status: null,
          closed: null,
          qualifiedAt: null,
        }));
        const file = (await read({ bytes: await workbookOf(people), country: null })) as ParsedFile;
        expect(file).toMatchObject({ format: 'xlsx', rows: people.map(() => expect.any(Array) as string[]) });
        for (const [i, { fields, id }] of people.entries()) {
          const row = rowOf(file.rows[i] as string[], file.mapping, file.head!, words);
          expect(row.back?.id).toBe(id);
          const { draft, faults } = withCells(BLANK, row.cells, peopleColumns(MOST), words);
          expect(faults).toEqual([]);
          expect(draft).toEqual({ fields, kind: 'lead', rating: 'Hot', tags: ['cold chain'], owner: 'Pim Aldous' });
        }
      }),
      { numRuns: 25 },
    );
  });
});
