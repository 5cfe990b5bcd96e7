import { ORDERS, listOfAddress, listSpecOf, ListView } from '../../people';
import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '../../../platform/session';
import { beginChosen, chooseListed } from '../queries';
import { DeviceBook } from './entities';
import { bringUp, chooseOwned } from './queries';

/** An address book as it is found: by its path and its name. */
export interface Book {
  /** Last part of its path. */
  key: string;
  name: string;
  /** Of a view, its narrowing as it stands in its address. */
  query?: string;
}

const VIEW = 'view-';

/** The books of somebody: everybody, their own, and one for each view that they see. */
export async function booksOf(manager: EntityManager, { workspaceId, accountId }: SignedIn): Promise<Book[]> {
  const views = await manager.find(ListView, {
    where: [
      { workspaceId, ownerId: accountId },
      { workspaceId, forTeam: true },
    ],
    order: { name: 'ASC', id: 'ASC' },
  });
  return [
    { key: 'all', name: 'All' },
    { key: 'mine', name: 'Mine' },
    ...views.map(({ id, name, query }) => ({ key: `${VIEW}${id}`, name, query })),
  ];
}

export interface OpenedBook extends Book {
  id: string;
  /** Goes up whenever anything in it is another one. */
  sequence: number;
}

/** A book as it is at this moment, for this transaction alone. @returns undefined for one that is not theirs */
export async function openBook(manager: EntityManager, who: SignedIn, key: string): Promise<OpenedBook | undefined> {
  const book = (await booksOf(manager, who)).find((one) => one.key === key);
  if (!book) return undefined;
  const { workspaceId, accountId } = who;
  await manager.createQueryBuilder().insert().into(DeviceBook).values({ id: uuidv7(), workspaceId, accountId, book: key, sequence: 0 }).orIgnore().execute(); // prettier-ignore
  const { id } = await manager.findOneOrFail(DeviceBook, { where: { accountId, book: key }, lock: { mode: 'pessimistic_write' } }); // prettier-ignore
  await beginChosen(manager);
  if (book.query === undefined) await chooseOwned(manager, workspaceId, key === 'mine' ? accountId : null);
  else {
    const { spec } = await listSpecOf(manager, listOfAddress(book.query));
    await chooseListed(manager, { spec, by: ORDERS.name.by, backwards: false }, []);
  }
  return { ...book, id, sequence: await bringUp(manager, workspaceId, id) };
}

/** The same without looking for changes: for what is asked by name. @returns undefined for one that no device has asked for */
export async function knownBook(
  manager: EntityManager,
  who: SignedIn,
  key: string,
): Promise<{ id: string } | undefined> {
  const { accountId } = who;
  const isTheirs = (await booksOf(manager, who)).some((one) => one.key === key);
  return isTheirs ? ((await manager.findOneBy(DeviceBook, { accountId, book: key })) ?? undefined) : undefined;
}
