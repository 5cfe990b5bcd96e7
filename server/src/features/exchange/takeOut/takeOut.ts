import type { ChosenPeople, TakeOutColumns, TakeOutFormat, TakeOutRequest } from '@dossier/contract';
import { peopleColumns } from '@dossier/core/exchange/files';
import type { Response } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { repeatsOfChosen } from '../queries';
import { choosePeople, type Listed } from './chosenPeople';
import { Gone, sinkOf, ZipSink, type Sink } from './sink';
import { takenPeople } from './takenPeople';
import {
  chosenColumns,
  writeAllPictures,
  writeCardPictures,
  writeCsv,
  writeEachVcard,
  writeJson,
  writeVcards,
  writeXlsx,
  type TakingOut,
} from './writers';

export type TakeOutHow = Omit<TakeOutRequest, 'who'>;

const FILES: Record<
  TakeOutFormat,
  { ending: string; type: string; write: (sink: Sink, taking: TakingOut) => Promise<void> }
> = {
  // prettier-ignore
  vcard: { ending: 'vcf', type: 'text/vcard; charset=utf-8', write: writeVcards },
  csv: { ending: 'csv', type: 'text/csv; charset=utf-8; header=present', write: writeCsv },
  xlsx: {
    ending: 'xlsx',
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    write: writeXlsx,
  },
  json: { ending: 'json', type: 'application/json; charset=utf-8', write: writeJson },
};

/**
 * Sends people as a file, as they are at one moment, while they are read: however many they are, few are held in memory. Whoever goes away
 * ends it.
 * @throws ProblemError 400 for a column that there is not, or a table that should hold pictures; nothing was sent then
 */
export async function takeOut(
  database: DataSource,
  who: SignedIn,
  chosen: ChosenPeople | { listed: Listed },
  how: TakeOutHow,
  response: Response,
): Promise<void> {
  const { format, pictures } = how;
  if (pictures === 'inside' && (format === 'csv' || format === 'xlsx'))
    throw invalid('pictures', 'A table holds no pictures. Take them beside it.');
  const isPacked = how.zip === '1' || pictures === 'beside';
  if (under.way >= MOST_AT_ONCE)
    throw new ProblemError(503, 'busy', 'Busy', 'Several people are taking out files. Try again in a moment.', undefined, 10); // prettier-ignore
  // Whoever fetches nothing for so long holds a connection of the database for nobody.
  response.setTimeout(STALLED_MS, () => response.destroy());
  under.way++;
  try {
    await inSnapshot(database, who.workspaceId, async (manager) => {
      const total = await choosePeople(manager, who.workspaceId, chosen);
      const taking = await begin(manager, who, total, how, response);
      const { ending, type, write } = FILES[format];
      response
        .set(
          'Content-Disposition',
          `attachment; filename="people-${new Date().toISOString().slice(0, 10)}.${isPacked ? 'zip' : ending}"`,
        ) // prettier-ignore
        .set('Cache-Control', 'no-store')
        .set('Dossier-People', String(total))
        .type(isPacked ? 'application/zip' : type);
      const sink = sinkOf(response);
      if (isPacked) await writePacked(new ZipSink(sink), taking, how, `people.${ending}`, write);
      else await write(sink, taking);
    });
    response.end();
  } catch (error) {
    if (!(error instanceof Gone)) throw error;
  } finally {
    under.way--;
  }
}

/** Each holds a connection of the database for as long as somebody fetches: some are left for everybody else. */
const MOST_AT_ONCE = 3;
const STALLED_MS = 120_000;
const under = { way: 0 };

/** The columns that a table of these people can have. */
export const columnsFor = (database: DataSource, who: SignedIn, chosen: ChosenPeople): Promise<TakeOutColumns> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const people = await choosePeople(manager, who.workspaceId, chosen);
    const columns = peopleColumns(await repeatsOfChosen(manager, who.workspaceId));
    return { people, columns: columns.map(({ key, header, about }) => ({ key, header, about })) };
  });

async function begin(
  manager: EntityManager,
  { workspaceId }: SignedIn,
  total: number,
  how: TakeOutHow,
  response: Response,
): Promise<TakingOut> {
  const taking: TakingOut = {
    manager,
    workspaceId,
    people: { [Symbol.asyncIterator]: () => takenPeople(manager, workspaceId) },
    total,
    repeats: await repeatsOfChosen(manager, workspaceId),
    how,
    onProgress: () => (response.destroyed ? Promise.reject(new Gone()) : Promise.resolve()),
  };
  try {
    chosenColumns(taking);
  } catch (error) {
    if (error instanceof RangeError) throw invalid('column', `There is no column “${error.message.slice(0, 60)}”.`);
    throw error;
  }
  return taking;
}

async function writePacked(
  zip: ZipSink,
  taking: TakingOut,
  { format, pictures }: TakeOutHow,
  name: string,
  write: (sink: Sink, taking: TakingOut) => Promise<void>,
): Promise<void> {
  if (format === 'vcard') await writeEachVcard(zip, taking);
  else await zip.file(name, (sink) => write(sink, taking));
  if (pictures === 'beside' && format === 'json') await writeCardPictures(zip, taking);
  if (pictures === 'beside' && (format === 'csv' || format === 'xlsx')) await writeAllPictures(zip, taking);
  await zip.end();
}

const invalid = (path: string, message: string): ProblemError =>
  new ProblemError(400, 'invalid-request', 'Something is missing or wrong', message, [{ path, message }]);
