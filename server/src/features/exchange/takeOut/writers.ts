import { createReadStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { toVcard } from '@dossier/core/exchange';
import {
  BACK_COLUMNS,
  csvLine,
  PEOPLE_JSON,
  peopleColumns,
  rowState,
  type Delimiter,
  type PeopleColumn,
  type Repeats,
  type TakenPerson,
} from '@dossier/core/exchange/files';
import { displayName } from '@dossier/core/people';
import ExcelJS from 'exceljs';
import type { EntityManager } from 'typeorm';
import { fileName } from '../fileName';
import { cardsBy, type TakenCard } from './pictures';
import type { Sink, ZipSink } from './sink';

/** What is taken out, and how. */
export interface TakingOut {
  manager: EntityManager;
  workspaceId: string;
  people: AsyncIterable<TakenPerson[]>;
  /** How many they are. */
  total: number;
  repeats: Repeats;
  how: {
    version: '4.0' | '3.0';
    pictures: 'none' | 'inside' | 'beside';
    delimiter: 'comma' | 'semicolon' | 'tab';
    mark: '0' | '1';
    /** Keys of columns, perhaps each with a name behind an equals sign. */
    column: readonly string[];
  };
  /** Told after each some, with how many are done. */
  onProgress: (people: number) => Promise<void>;
}

/** The pictures of some people's latest cards, the front before the back. */
const latestPictures = ({ manager, workspaceId }: TakingOut, people: readonly TakenPerson[]): Promise<Map<string, TakenCard[]>> => // prettier-ignore
  cardsBy(manager, workspaceId, people.map(({ id }) => id), { withReading: false, withPictures: true, onlyLatest: true }); // prettier-ignore

export const asVcard = (person: TakenPerson, version: '4.0' | '3.0', pictures: readonly TakenCard[]): string =>
  toVcard(person.fields, {
    version,
    uid: person.id,
    revision: person.touchedAt,
    note: notesOf(person),
    tags: person.tags,
    kind: person.kind,
    rating: person.rating,
    companyId: person.companyId,
    photos: pictures.flatMap(({ picture }) => picture?.toString('base64') ?? []),
  });

const notesOf = ({ notes }: TakenPerson): string => notes.map(({ text }) => text).filter(Boolean).join('\n\n'); // prettier-ignore

export async function writeVcards(sink: Sink, taking: TakingOut): Promise<void> {
  let done = 0;
  for await (const people of taking.people) {
    const pictures = taking.how.pictures === 'inside' ? await latestPictures(taking, people) : undefined;
    for (const person of people) await sink.write(asVcard(person, taking.how.version, pictures?.get(person.id) ?? []));
    await taking.onProgress((done += people.length));
  }
}

/** One file for each person, named after them, with their pictures beside or within. */
export async function writeEachVcard(zip: ZipSink, taking: TakingOut): Promise<void> {
  let done = 0;
  const { pictures: where, version } = taking.how;
  for await (const people of taking.people) {
    const pictures = where === 'none' ? undefined : await latestPictures(taking, people);
    for (const person of people) {
      const own = pictures?.get(person.id) ?? [];
      const name = zip.free(fileName(displayName(person.fields)), '.vcf');
      await zip.add(name, asVcard(person, version, where === 'inside' ? own : []));
      if (where === 'beside') await writePictures(zip, name.replace(/\.vcf$/, ''), own);
    }
    await taking.onProgress((done += people.length));
  }
}

async function writePictures(zip: ZipSink, name: string, cards: readonly TakenCard[]): Promise<void> {
  for (const { picture, side } of cards)
    if (picture) await zip.add(zip.free(`pictures/${name} ${side}`, '.jpg'), picture);
}

/** Pictures of everybody, behind a file that cannot hold them. */
export async function writeAllPictures(zip: ZipSink, taking: TakingOut): Promise<void> {
  for await (const people of taking.people) {
    const pictures = await latestPictures(taking, people);
    for (const person of people)
      await writePictures(zip, fileName(displayName(person.fields)), pictures.get(person.id) ?? []);
  }
}

/** The columns that were asked for, with the names that they were given. @throws RangeError for one that there is not */
export function chosenColumns({ repeats, how }: Pick<TakingOut, 'repeats' | 'how'>): PeopleColumn[] {
  const all = peopleColumns(repeats);
  if (how.column.length === 0) return all;
  return how.column.map((asked) => {
    const [key = '', ...named] = asked.split('=');
    const column = all.find((one) => one.key === key.trim());
    if (!column) throw new RangeError(key);
    return { ...column, header: named.join('=').trim() || column.header };
  });
}

const backCells = (person: TakenPerson, columns: readonly PeopleColumn[]): string[] => [
  person.id,
  String(person.version),
  rowState(columns.filter(({ set }) => set).map(({ key, get }) => [key, get(person)] as const)),
];

const DELIMITER: Record<TakingOut['how']['delimiter'], Delimiter> = { comma: ',', semicolon: ';', tab: '\t' };

export async function writeCsv(sink: Sink, taking: TakingOut): Promise<void> {
  const columns = chosenColumns(taking);
  const delimiter = DELIMITER[taking.how.delimiter];
  const heads = [...columns.map(({ header }) => header), ...Object.values(BACK_COLUMNS)];
  await sink.write((taking.how.mark === '1' ? '\uFEFF' : '') + csvLine(heads, delimiter));
  let done = 0;
  for await (const people of taking.people) {
    const lines = people.map((person) =>
      csvLine([...columns.map(({ get }) => get(person)), ...backCells(person, columns)], delimiter),
    );
    await sink.write(lines.join(''));
    await taking.onProgress((done += people.length));
  }
}

const WIDTHS = { text: 22, date: 12, moment: 18 } as const;
const FORMATS = { text: '@', date: 'yyyy-mm-dd', moment: 'yyyy-mm-dd hh:mm' } as const;

/**
 * A workbook: the people, with a head that stays and can be filtered by, and a sheet that explains the columns. It is packed into a file of
 * its own first, which goes out when it is whole: whoever fetches slowly would have all of it wait in memory.
 */
export async function writeXlsx(sink: Sink, taking: TakingOut): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'dossier-'));
  try {
    const path = join(folder, 'people.xlsx');
    await packXlsx(path, taking);
    for await (const piece of createReadStream(path)) await sink.write(piece as Buffer);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function packXlsx(filename: string, taking: TakingOut): Promise<void> {
  const columns = chosenColumns(taking);
  const book = new ExcelJS.stream.xlsx.WorkbookWriter({ filename, useStyles: true, useSharedStrings: false });
  book.creator = 'Dossier';
  const sheet = book.addWorksheet('People', { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.columns = [
    ...columns.map(({ header, type }) => ({ header, width: WIDTHS[type], style: { numFmt: FORMATS[type] } })),
    ...Object.values(BACK_COLUMNS).map((header) => ({ header, width: 12, hidden: true, style: { numFmt: '@' } })),
  ];
  sheet.getRow(1).font = { bold: true };
  sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: columns.length } };
  let done = 0;
  for await (const people of taking.people) {
    for (const person of people) {
      const cells = columns.map(({ type, get }) => cellValue(type, get(person)));
      sheet.addRow([...cells, ...backCells(person, columns)]).commit();
    }
    await taking.onProgress((done += people.length));
  }
  sheet.commit();
  const about = book.addWorksheet('Columns');
  about.columns = [
    { header: 'Column', width: 26 },
    { header: 'Key', width: 18 },
    { header: 'What stands in it', width: 90 },
  ];
  about.getRow(1).font = { bold: true };
  for (const { header, key, about: what } of columns) about.addRow([header, key, what]).commit();
  about.addRow([Object.values(BACK_COLUMNS).join(', '), '', 'Hidden columns by which Dossier knows a row again when the table is brought back, and which cells were changed. Leave them as they are; a row without them is somebody new.']).commit(); // prettier-ignore
  about.commit();
  await book.commit();
}

function cellValue(type: PeopleColumn['type'], text: string): string | Date | null {
  if (text === '') return null;
  if (type === 'text') return text;
  return new Date(type === 'date' ? `${text}T00:00:00Z` : text);
}

/** @param zip where pictures go that stand beside the file, after it */
export async function writeJson(sink: Sink, taking: TakingOut): Promise<void> {
  const { manager, workspaceId, how, people } = taking;
  await sink.write(`${JSON.stringify(PEOPLE_JSON).slice(0, -1)},"people":[`);
  let done = 0;
  for await (const some of people) {
    const ids = some.map(({ id }) => id);
    const cards = await cardsBy(manager, workspaceId, ids, { withReading: true, withPictures: how.pictures === 'inside', onlyLatest: false }); // prettier-ignore
    for (const [i, person] of some.entries()) {
      const own = (cards.get(person.id) ?? []).map((card) => asJsonCard(card, how.pictures));
      await sink.write(`${done + i > 0 ? ',' : ''}\n${JSON.stringify({ ...person, cards: own })}`);
    }
    await taking.onProgress((done += some.length));
  }
  await sink.write('\n]}\n');
}

const asJsonCard = (card: TakenCard, pictures: TakingOut['how']['pictures']) => ({
  id: card.id,
  side: card.side,
  frontId: card.front_id,
  takenAt: card.taken_at,
  occasion: card.occasion,
  reading: card.reading,
  ...(pictures === 'inside' && card.picture && { picture: { type: 'image/jpeg', base64: card.picture.toString('base64') } }), // prettier-ignore
  ...(pictures === 'beside' && card.file_id && { picture: { type: 'image/jpeg', file: jsonPicture(card) } }),
});

const jsonPicture = ({ id, side }: Pick<TakenCard, 'id' | 'side'>): string => `pictures/${id} ${side}.jpg`;

/** The pictures that a JSON file names, each under the id of its card. */
export async function writeCardPictures(zip: ZipSink, taking: TakingOut): Promise<void> {
  const { manager, workspaceId } = taking;
  for await (const people of taking.people) {
    const ids = people.map(({ id }) => id);
    const cards = await cardsBy(manager, workspaceId, ids, { withReading: false, withPictures: true, onlyLatest: false }); // prettier-ignore
    for (const card of [...cards.values()].flat()) {
      const { picture } = card;
      if (picture) await zip.add(jsonPicture(card), picture);
    }
  }
}
