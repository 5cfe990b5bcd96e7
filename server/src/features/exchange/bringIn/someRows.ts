import { broughtBack, withIncoming, type IncomingRow } from '@dossier/core/exchange/files';
import { blockKeys, featuresOf } from '@dossier/core/matching/people';
import { sortName, type PersonFields } from '@dossier/core/people';
import { trigramSimilarity } from '@dossier/core/text';
import type { EntityManager } from 'typeorm';
import { comparing, findCandidates, findCandidatesOfEach, type Candidate } from '../../matching';
import type { LoadedFields } from '../../people';
import type { ImportRowRecord, RowCandidate } from './entities';
import {
  changeKnown,
  complaintAbout,
  createSome,
  draftOf,
  incomingRow,
  intoKnown,
  lockedPeople,
  lockedPerson,
  result,
  type GivenRow,
  type RowContext,
  type RowResult,
} from './rows';

const UID = /^urn:uuid:([\da-f]{8}(?:-[\da-f]{4}){3}-[\da-f]{12})$/i;

/**
 * Goes through some rows in their order, with few queries for all of them together. Somebody who is in them twice is known the second time.
 * @param touched told whose lists have to be made anew @param writes whether anything is written
 * @returns what became of each
 */
export async function goThroughSome(
  manager: EntityManager,
  context: RowContext,
  given: readonly ImportRowRecord['given'][],
  touched: string[],
  writes: boolean,
): Promise<RowResult[]> {
  const { workspaceId } = context.who;
  const rows = given.map((one) => incomingRow(context, one));
  const ids = rows.map((row) => row.back?.id ?? UID.exec(row.uid)?.[1]);
  const known = await lockedPeople(manager, workspaceId, ids.filter((id) => id !== undefined)); // prettier-ignore
  const faults = rows.map((row, i) => (known.has(ids[i] ?? '') ? undefined : complaintAbout(row.draft)));
  const asked = rows.flatMap((_, i) => (known.has(ids[i] ?? '') || faults[i] ? [] : i));
  const found = await findCandidatesOfEach(manager, workspaceId, asked.map((i) => rows[i]!.draft.fields)); // prettier-ignore
  const fresh = new FreshPeople(manager, context, rows.map(({ draft }) => draft.fields)); // prettier-ignore
  const results: RowResult[] = [];
  for (const [i, row] of rows.entries()) {
    const loaded = known.get(ids[i] ?? '');
    const fault = faults[i];
    if (loaded) {
      const latest = fresh.wasChanged(loaded.person.id) ? (await lockedPerson(manager, workspaceId, loaded.person.id))! : loaded; // prettier-ignore
      results[i] = await changeBack(manager, context, latest, row, touched, writes);
    } else if (fault) results[i] = result('refused', { faults: [...row.faults, fault] });
    else {
      const before = found[asked.indexOf(i)]!;
      const isStale = before.some(({ person }) => fresh.wasChanged(person.id)) || (await fresh.mayBe(i));
      if (isStale) await fresh.write(results, touched);
      const candidates = isStale ? await findCandidates(manager, workspaceId, row.draft.fields) : before;
      const [first] = candidates;
      if (first?.band === 'same') results[i] = await intoKnown(manager, context, first.person.id, row, touched, writes);
      else if (first) results[i] = result('perhaps', { candidates: asRow(candidates), faults: row.faults });
      else if (!writes) results[i] = result('created', { faults: row.faults });
      else fresh.add(i, row);
    }
    if (writes && results[i]?.outcome === 'updated') fresh.changed(i, results[i].personId!);
  }
  await fresh.write(results, touched);
  return results;
}

/** A row that names somebody who is here. */
function changeBack(
  manager: EntityManager,
  context: RowContext,
  loaded: LoadedFields,
  row: IncomingRow,
  touched: string[],
  writes: boolean,
): Promise<RowResult> {
  const now = draftOf(context, loaded);
  const decided = row.back ? broughtBack(now, loaded.person.version, row, context.words) : { ...withIncoming(now, row.draft, context.file.rule), faults: row.faults }; // prettier-ignore
  return changeKnown(manager, context, loaded, decided, row.back ? '' : row.note, touched, writes);
}

const SHOWN_CANDIDATES = 5;
const asRow = (candidates: readonly Candidate[]): RowCandidate[] =>
  candidates.slice(0, SHOWN_CANDIDATES).map(({ person: { id }, likelihood }) => ({ id, likelihood }));

/** A name is found again among others from 0.4 on, see `peopleNamedLike`. */
const ALIKE = 0.35;

/**
 * People of some rows who are new, written together. A row that may be one of them, or one who was changed meanwhile, has to be compared
 * with what is written by then.
 */
class FreshPeople {
  private readonly waiting: { place: number; row: GivenRow }[] = [];
  private readonly places: number[] = [];
  private readonly ids = new Set<string>();
  private readonly keys: (ReadonlySet<string> | undefined)[] = [];
  private isPerhaps: ((one: number, other: number) => boolean) | undefined;

  /** @param all of the rows, in their order */
  constructor(
    private readonly manager: EntityManager,
    private readonly context: RowContext,
    private readonly all: readonly PersonFields[],
  ) {}

  add(place: number, row: GivenRow): void {
    this.waiting.push({ place, row });
    this.places.push(place);
  }

  changed(place: number, id: string): void {
    this.ids.add(id);
    this.places.push(place);
  }

  wasChanged(id: string): boolean {
    return this.ids.has(id);
  }

  /** Whether the row at a place is perhaps one of those before it. */
  async mayBe(place: number): Promise<boolean> {
    const near = this.places.filter((other) => this.areNear(place, other));
    if (near.length === 0) return false;
    this.isPerhaps ??= await comparing(this.manager, this.context.who.workspaceId, this.all);
    return near.some((other) => this.isPerhaps!(place, other));
  }

  /** Makes the records of those who wait. @param results told what became of their rows */
  async write(results: RowResult[], touched: string[]): Promise<void> {
    const some = this.waiting.splice(0);
    if (some.length === 0) return;
    const made = await createSome(this.manager, this.context, some.map(({ row }) => row), touched); // prettier-ignore
    for (const [i, { place }] of some.entries()) results[place] = made[i]!;
  }

  /** Whether the search would bring the two together. */
  private areNear(one: number, other: number): boolean {
    const keys = this.keysOf(other);
    for (const key of this.keysOf(one)) if (keys.has(key)) return true;
    return trigramSimilarity(sortName(this.all[one]!), sortName(this.all[other]!)) >= ALIKE;
  }

  private keysOf(place: number): ReadonlySet<string> {
    return (this.keys[place] ??= new Set(
      blockKeys(featuresOf(this.all[place]!, this.context.words.country ?? undefined)),
    ));
  }
}
