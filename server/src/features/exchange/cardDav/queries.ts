import type { EntityManager } from 'typeorm';

/** Whom a device's password lets in. */
export async function useDevicePassword(
  manager: EntityManager,
  hash: Buffer,
): Promise<{ account_id: string; workspace_id: string } | undefined> {
  const [row] = await manager.query<{ account_id: string; workspace_id: string }[]>(
    'select * from use_device_password($1)',
    [hash],
  );
  return row;
}

/** Everybody, or everybody of one colleague, among those who are chosen in this transaction. */
export const chooseOwned = (manager: EntityManager, workspaceId: string, ownerId: string | null): Promise<unknown> =>
  manager.query(
    `insert into chosen (person_id) select id from person
     where workspace_id = $1 and deleted_at is null and ($2::uuid is null or owner_id = $2)`,
    [workspaceId, ownerId],
  );

/** What a card of somebody is made of, in short: another one whenever the card is. */
const MARK = `md5(concat_ws('|', p.version, f.uid, f.note, f.lines::text, (
  select c.name || c.version from employment e join company c on c.workspace_id = $1 and c.id = e.company_id
  where e.workspace_id = $1 and e.person_id = p.id and e.ended_at is null limit 1)))`;
const FURTHER = 'left join device_further f on f.workspace_id = $1 and f.person_id = p.id';

/**
 * Brings a book up to those who are chosen in this transaction: whoever is new, another one or gone has the next number of the book.
 * Whoever calls has the book's row to themselves. What was not committed yet when this looked is found the next time: the book as it was
 * told is compared, not the time of a change.
 * @returns its number now
 */
export async function bringUp(manager: EntityManager, workspaceId: string, bookId: string): Promise<number> {
  const [book] = await manager.query<[{ sequence: number }]>(
    'select sequence from device_book where workspace_id = $1 and id = $2',
    [workspaceId, bookId],
  );
  const next = book.sequence + 1;
  // A name that a device has given to somebody else since is that one's alone.
  await manager.query(
    `delete from device_entry e using device_further f
     where e.workspace_id = $1 and e.book_id = $2 and not e.is_there and f.workspace_id = $1 and f.name = e.name and f.person_id <> e.person_id`,
    [workspaceId, bookId],
  );
  const [row] = await manager.query<[{ changed: number }]>(
    `with there as (
       select p.id as person_id, coalesce(f.name, p.id || '.vcf') as name, ${MARK} as mark
       from chosen join person p on p.workspace_id = $1 and p.id = chosen.person_id ${FURTHER}
       left join device_entry x on x.workspace_id = $1 and x.book_id = $2 and x.person_id = p.id
       where not coalesce(x.left_out, false)
     ), written as (
       insert into device_entry (book_id, workspace_id, person_id, name, mark, sequence, is_there)
       select $2, $1, person_id, name, mark, $3, true from there
       on conflict (book_id, person_id) do update set mark = excluded.mark, sequence = excluded.sequence, is_there = true
       where device_entry.mark <> excluded.mark or not device_entry.is_there
       returning 1
     ), gone as (
       update device_entry e set is_there = false, sequence = $3
       where e.workspace_id = $1 and e.book_id = $2 and e.is_there and not exists (select from there where there.person_id = e.person_id)
       returning 1
     )
     select (select count(*) from written)::int + (select count(*) from gone)::int as changed`,
    [workspaceId, bookId, next],
  );
  if (row.changed === 0) return book.sequence;
  await manager.query('update device_book set sequence = $3 where workspace_id = $1 and id = $2', [workspaceId, bookId, next]); // prettier-ignore
  return next;
}

export interface EntryRow {
  person_id: string;
  name: string;
  mark: string;
  is_there: boolean;
}

/** How many entries are others since a number. */
export async function countSince(
  manager: EntityManager,
  workspaceId: string,
  bookId: string,
  since: number,
): Promise<number> {
  const [row] = await manager.query<[{ entries: number }]>(
    'select count(*)::int as entries from device_entry where workspace_id = $1 and book_id = $2 and sequence > $3 and ($3 > 0 or is_there)',
    [workspaceId, bookId, since],
  );
  return row.entries;
}

/** What of a book is another one since a number, a page at a time by person. */
export const entriesSince = (
  manager: EntityManager,
  workspaceId: string,
  { bookId, since, after, most }: { bookId: string; since: number; after: string | null; most: number },
): Promise<EntryRow[]> =>
  manager.query(
    `select person_id, name, mark, is_there from device_entry
     where workspace_id = $1 and book_id = $2 and sequence > $3 and ($3 > 0 or is_there) and ($4::uuid is null or person_id > $4)
     order by person_id limit $5`,
    [workspaceId, bookId, since, after, most],
  );

/** Those of a book that are asked for by name, as they are at this moment. */
export const entriesNamed = (
  manager: EntityManager,
  workspaceId: string,
  bookId: string,
  names: readonly string[],
): Promise<(EntryRow & { left_out: boolean })[]> =>
  manager.query(
    `select e.person_id, e.name, ${MARK} as mark, e.is_there and p.deleted_at is null as is_there, e.left_out and p.deleted_at is null as left_out
     from device_entry e join person p on p.workspace_id = $1 and p.id = e.person_id ${FURTHER}
     where e.workspace_id = $1 and e.book_id = $2 and e.name = any($3::text[])`,
    [workspaceId, bookId, names],
  );
