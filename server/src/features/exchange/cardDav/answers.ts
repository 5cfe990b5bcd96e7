import type { Response } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { inWorkspace } from '../../../platform/workspaceScope';
import type { OpenedBook } from './books';
import type { Device } from './call';
import { cardsOf } from './cards';
import { goneXml, MULTISTATUS_HEAD, MULTISTATUS_TAIL, responseXml, type PropertyName } from './davXml';
import { asksForCards, pathOfCard, told, type Resource } from './properties';
import { entriesSince, type EntryRow } from './queries';

/** So many are in memory at a time, however large a book is. */
export const AT_ONCE = 500;
export const TOKEN = 'urn:dossier:book:';

/** An answer of many parts, written as it comes: a slow reader is waited for. */
export async function multistatus(response: Response, parts: AsyncIterable<string>, tail = ''): Promise<void> {
  response.status(207).type('application/xml; charset=utf-8');
  response.write(MULTISTATUS_HEAD);
  for await (const part of parts) {
    if (response.destroyed) return;
    if (!response.write(part)) await new Promise<void>((resolve) => {
      const go = () => (response.off('drain', go).off('close', go), resolve());
      response.on('drain', go).on('close', go);
    }); // prettier-ignore
  }
  response.end(tail + MULTISTATUS_TAIL);
}

export const partOf = (path: string, resource: Resource, asked: readonly PropertyName[]): string => {
  const { there, missing } = told(resource, asked);
  return responseXml(path, there, missing);
};

export const tokenOf = ({ id, sequence }: Pick<OpenedBook, 'id' | 'sequence'>): string => `${TOKEN}${id}:${sequence}`;
export const resourceOf = (book: OpenedBook, { mayWrite }: Device): Resource => ({ kind: 'book', key: book.key, title: book.name, token: tokenOf(book), mayWrite }); // prettier-ignore

/** Parts one after the other, also those that come later. */
export async function* all(...parts: (string | AsyncIterable<string>)[]): AsyncGenerator<string> {
  for (const part of parts)
    if (typeof part === 'string') yield part;
    else yield* part;
}

/** Those of a book that are others since a number, some at a time: each page is read for itself, so that no one waits for a slow reader. */
export async function* entriesOf(
  database: DataSource,
  { workspaceId }: Device,
  { id: bookId, key }: Pick<OpenedBook, 'id' | 'key'>,
  since: number,
  asked: readonly PropertyName[],
): AsyncGenerator<string> {
  for (let after: string | null = null; ;) {
    const page: EntryRow[] = await inWorkspace(database, workspaceId, (manager) => entriesSince(manager, workspaceId, { bookId, since, after, most: AT_ONCE })); // prettier-ignore
    if (page.length === 0) return;
    yield await inWorkspace(database, workspaceId, (manager) => partsOf(manager, workspaceId, key, page, asked));
    after = page.at(-1)!.person_id;
  }
}

export async function partsOf(
  manager: EntityManager,
  workspaceId: string,
  key: string,
  entries: readonly EntryRow[],
  asked: readonly PropertyName[],
): Promise<string> {
  const there = entries.filter((entry) => entry.is_there).map((entry) => entry.person_id);
  const cards = asksForCards(asked) ? await cardsOf(manager, workspaceId, there) : undefined;
  return entries
    .map(({ person_id: id, name, mark, is_there: isThere }) => {
      const path = pathOfCard(key, name);
      if (!isThere || (cards && !cards.has(id))) return goneXml(path);
      return partOf(path, { kind: 'card', mark, card: cards?.get(id) }, asked);
    })
    .join('');
}
