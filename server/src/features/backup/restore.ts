import type { Readable } from 'node:stream';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { BadArchive, readArchive, type ArchiveFile } from './archive';
import { ABOUT, BACKUP_FORMAT, type AboutBackup } from './backUp';
import { NewIds } from './newIds';
import {
  accountsWith,
  allWorkspaces,
  columnTypes,
  countRows,
  listedInTheEnd,
  lockWorkspace,
  putPicture,
  putRows,
  schemaOf,
  setWorkspace,
  takeUpAgain,
  whatWaits,
  workspaceOfAccount,
} from './queries';
import { KEPT_TABLES, type KeptTable } from './tables';

/** The tables of the first backups; what came before was never written. */
const OLDEST_SCHEMA = 1780000000025;

const About = z.looseObject({
  format: z.literal(BACKUP_FORMAT.format),
  version: z.int(),
  schema: z.int(),
  madeAt: z.iso.datetime(),
  workspace: z.looseObject({ id: z.uuid(), name: z.string() }),
  rows: z.record(z.string(), z.int()),
});

export interface Restored {
  workspace: string;
  madeAt: string;
  rows: number;
  pictures: number;
  /** Whether all records had to have other ids, because those are here already. */
  renumbered: boolean;
  /** Names of colleagues who cannot sign in: somebody else here has their address. */
  withoutSignIn: string[];
}

type Row = Record<string, unknown> & { id?: string };
export interface RestoreParts {
  /** Of the role that owns the tables. */
  owner: DataSource;
  /** Of the role that serves requests: the queue is its. */
  serving: DataSource;
  /** The archive from its beginning, as often as it is asked for. */
  open: () => Readable;
  passphrase?: string;
  /** E-mail address of somebody of the empty workspace that everything comes into. */
  into?: string;
  onProgress?: (rows: number, of: number) => void;
}

/**
 * Looks through an archive without changing anything.
 * @returns what it says of itself @throws BadArchive for what is damaged, newer than this program or too old for it
 */
export async function checkArchive(open: () => Readable, passphrase?: string): Promise<AboutBackup> {
  let about: AboutBackup | undefined;
  const rows: Record<string, number> = {};
  const pictures = new Set<string>();
  for await (const file of readArchive(open(), passphrase)) {
    if (!about) about = aboutOf(file);
    const table = tableOf(file.name);
    if (table) rows[table] = (rows[table] ?? 0) + linesOf(file).length;
    if (file.name.startsWith('pictures/')) pictures.add(file.name);
  }
  for (const [table, count] of Object.entries(about!.rows))
    if ((rows[table] ?? 0) !== count)
      throw new BadArchive(`This backup is not whole: of ${table} it holds ${rows[table] ?? 0} rows, and should hold ${count}. Use another copy of it.`); // prettier-ignore
  if (pictures.size !== (about!.rows.stored_file ?? 0))
    throw new BadArchive('This backup is not whole: pictures are missing in it. Use another copy of it.');
  return about!;
}

function aboutOf({ name, bytes }: ArchiveFile): AboutBackup {
  const read = name === ABOUT ? About.safeParse(parsed(bytes.toString())) : undefined;
  if (!read?.success) throw new BadArchive('This file is no backup of Dossier. Choose a file that a backup made.');
  const { version, schema } = read.data;
  if (version > BACKUP_FORMAT.version)
    throw new BadArchive('This backup was made by a newer Dossier, in a way that this one cannot read. Bring Dossier up to date first.'); // prettier-ignore
  if (version < BACKUP_FORMAT.version || schema < OLDEST_SCHEMA)
    throw new BadArchive('This backup was made by a Dossier too old for this one. Put it back with the Dossier that made it, and make another.'); // prettier-ignore
  return read.data as AboutBackup;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new BadArchive('This backup is damaged: a line in it cannot be read. Use another copy of it.');
  }
}

const tableOf = (name: string): KeptTable | undefined => {
  const table = /^data\/([a-z_]+)\/\d+\.jsonl$/.exec(name)?.[1];
  return KEPT_TABLES.find((one) => one === table);
};

const linesOf = ({ bytes }: ArchiveFile): string[] => bytes.toString().split('\n').filter(Boolean);

/**
 * Puts everything of an archive into an empty workspace, or into one made for it, all or nothing.
 * @throws BadArchive for an archive that cannot be used, or a place that it cannot come into
 */
export async function restore({ owner, serving, open, passphrase, into, onProgress }: RestoreParts): Promise<Restored> {
  const about = await checkArchive(open, passphrase);
  return owner.transaction(async (manager) => {
    const here = await schemaOf(manager);
    if (about.schema > here)
      throw new BadArchive(
        'This backup was made by a newer Dossier. Bring this one up to date first, then put it back.',
      );
    const place = await placeFor(manager, about, into);
    const putting = new Putting(manager, about, place, onProgress);
    await listedInTheEnd(manager, place.id, async () => {
      await putting.putWorkspace();
      let isFirst = true;
      for await (const file of readArchive(open(), passphrase)) {
        if (!isFirst) await putting.put(file);
        isFirst = false;
      }
    });
    const waiting = await whatWaits(manager, place.id);
    if (waiting.length > 0) await takeUpAgain(serving.manager, waiting);
    return putting.restored;
  });
}

/** Pictures are sent to browsers as what they say they are. */
function pictureType(type: unknown): string {
  if (typeof type === 'string' && /^image\/(?!svg)[a-z\d.+-]+$/.test(type)) return type;
  throw new BadArchive('This backup is damaged: it holds a picture that is none.');
}

/** Where everything comes to. */
interface Place {
  id: string;
  /** The workspace is there, and empty. */
  isThere: boolean;
  /** The records of the archive are here too, in another workspace. */
  isCopy: boolean;
}

async function placeFor(manager: EntityManager, about: AboutBackup, into: string | undefined): Promise<Place> {
  const workspaces = await allWorkspaces(manager);
  const isHere = workspaces.some(({ id }) => id === about.workspace.id);
  const [only, ...others] = workspaces;
  const id = into ? await workspaceOfAccount(manager, into) : others.length === 0 ? only?.id : about.workspace.id;
  if (into && !id)
    throw new BadArchive(`Nobody here has the e-mail address ${into}. Name somebody of the empty workspace.`);
  if (id === undefined || (!into && others.length > 0 && !isHere))
    return { id: about.workspace.id, isThere: false, isCopy: false };
  await lockWorkspace(manager, id);
  for (const table of KEPT_TABLES) {
    if (table === 'account' || (await countRows(manager, id, table)) === 0) continue;
    const { name } = workspaces.find((one) => one.id === id)!;
    throw new BadArchive(`“${name}” is not empty. A backup comes into an empty workspace only: begin one, and name somebody of it with --into and their e-mail address.`); // prettier-ignore
  }
  return { id, isThere: true, isCopy: isHere && id !== about.workspace.id };
}

/** One archive on its way into the tables. */
class Putting {
  readonly restored: Restored;
  private readonly ids: NewIds;
  private readonly types = new Map<string, Map<string, string>>();
  private readonly pictureTypes = new Map<string, string>();

  constructor(
    private readonly manager: EntityManager,
    private readonly about: AboutBackup,
    private readonly place: Place,
    private readonly onProgress: RestoreParts['onProgress'],
  ) {
    this.ids = new NewIds(place.id, place.isCopy);
    this.restored = {
      workspace: about.workspace.name,
      madeAt: about.madeAt,
      rows: 0,
      pictures: 0,
      renumbered: place.isCopy,
      withoutSignIn: [],
    };
  }

  async putWorkspace(): Promise<void> {
    const row = { ...this.about.workspace, id: this.place.id };
    this.ids.set(this.about.workspace.id, this.place.id);
    if (this.place.isThere) await setWorkspace(this.manager, this.place.id, row);
    else await putRows(this.manager, 'workspace', [row]);
  }

  async put(file: ArchiveFile): Promise<void> {
    if (file.name.startsWith('pictures/')) return this.putPicture(file);
    const table = tableOf(file.name);
    // Of a table that is no more.
    if (!table) return;
    const rows = linesOf(file).map((line) => parsed(line) as Row);
    if (table === 'stored_file') for (const { id, type } of rows) this.pictureTypes.set(id!, pictureType(type));
    else await this.putTable(table, rows);
    this.restored.rows += rows.length;
    const total = Object.values(this.about.rows).reduce((sum, count) => sum + count, 0);
    this.onProgress?.(this.restored.rows, total);
  }

  private async putTable(table: KeptTable, given: readonly Row[]): Promise<void> {
    // Likenesses of a copy are looked for anew: they are kept in the order of the ids.
    if (table === 'duplicate' && this.place.isCopy) return;
    const types = await this.typesOf(table);
    // Whoever is here already, under another id, is who they are wherever they are named.
    let rows = table === 'account' ? await this.newAccounts(given) : given;
    rows = rows.map((row) =>
      Object.fromEntries(
        Object.entries(row).map(([column, value]) => [column, this.here(table, column, value, types)]),
      ),
    );
    if (table === 'not_same')
      rows = rows.map((row) => {
        const [one, other] = [row.one_id, row.other_id].map(String).sort();
        return { ...row, one_id: one, other_id: other };
      });
    if (rows.length > 0) await putRows(this.manager, table, rows);
  }

  private here(table: KeptTable, column: string, value: unknown, types: Map<string, string>): unknown {
    // Whatever it says: nothing comes into a workspace that was not named.
    if (column === 'workspace_id') return this.place.id;
    if (table === 'list_view' && column === 'query') return this.ids.inAddress(value as string);
    return this.ids.within(value, types.get(column));
  }

  /** Those who are not here yet. Whoever's address is somebody else's cannot sign in. */
  private async newAccounts(rows: readonly Row[]): Promise<Row[]> {
    const taken = new Map(
      (await accountsWith(this.manager, rows.map(({ email }) => email as string))).map((one) => [one.email.toLowerCase(), one]), // prettier-ignore
    );
    return rows.flatMap((row) => {
      const other = taken.get((row.email as string).toLowerCase());
      if (!other) return [row];
      if (other.workspace_id === this.place.id) {
        this.ids.set(row.id!, other.id);
        return [];
      }
      this.restored.withoutSignIn.push(row.name as string);
      return [{ ...row, email: `${this.ids.of(row.id!)}@restored.invalid`, out_of_use_at: row.out_of_use_at ?? new Date().toISOString() }]; // prettier-ignore
    });
  }

  private async putPicture({ name, bytes }: ArchiveFile): Promise<void> {
    const id = /^pictures\/([\da-f-]{36})\./.exec(name)?.[1];
    const type = id && this.pictureTypes.get(id);
    if (!type) throw new BadArchive('This backup is damaged: it holds a picture that belongs to nothing.');
    this.pictureTypes.delete(id);
    await putPicture(this.manager, { id: this.ids.of(id), workspaceId: this.place.id, type, bytes }); // prettier-ignore
    this.restored.pictures++;
  }

  private async typesOf(table: KeptTable): Promise<Map<string, string>> {
    const known = this.types.get(table) ?? (await columnTypes(this.manager, table));
    this.types.set(table, known);
    return known;
  }
}
