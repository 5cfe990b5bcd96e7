import { meets, type Filter, type PropertyFilter } from '@dossier/core/exchange/cardDav';
import { inWorkspace } from '../../../platform/workspaceScope';
import { AT_ONCE, entriesOf, multistatus, partOf, partsOf, TOKEN, tokenOf } from './answers';
import { knownBook, openBook, type OpenedBook } from './books';
import { bodyOf, placeOf, refuse, type Call } from './call';
import { cardsOf } from './cards';
import { CARD, childOf, childrenOf, DAV, goneXml, nameOf, parseXml, type XmlElement } from './davXml';
import { askedFor, pathOfCard } from './properties';
import { countSince, entriesNamed, entriesSince, type EntryRow } from './queries';

/** What of a book is asked for: what has changed, some by name, or those that meet a filter (RFC 6578 3.2, RFC 6352 8.6 and 8.7). */
export async function report(call: Call): Promise<void> {
  const { request, response, at, database, device } = call;
  const root = parseXml(bodyOf(request));
  if (!root) return void response.status(400).end();
  if (at.kind !== 'book') return refuse(response, 403, '<D:supported-report/>');
  const { namespace, name } = nameOf(root);
  const kind = namespace + name;
  if (![`${DAV}sync-collection`, `${CARD}addressbook-multiget`, `${CARD}addressbook-query`].includes(kind)) return refuse(response, 403, '<D:supported-report/>'); // prettier-ignore
  if (kind === `${CARD}addressbook-multiget`) return multiget(call, at.key, root);
  const book = await inWorkspace(database, device.workspaceId, (manager) => openBook(manager, device, at.key));
  if (!book) return void response.status(404).end();
  return kind === `${DAV}sync-collection` ? sync(call, book, root) : query(call, book, root);
}

async function sync({ database, response, device }: Call, book: OpenedBook, root: XmlElement): Promise<void> {
  const token = childOf(root, DAV, 'sync-token')?.textContent?.trim() ?? '';
  const [, id, sequence] = new RegExp(`^${TOKEN}([0-9a-f-]+):(\\d+)$`).exec(token) ?? [];
  if (token && (id !== book.id || Number(sequence) > book.sequence))
    return refuse(response, 403, '<D:valid-sync-token/>');
  const since = Number(sequence ?? 0);
  const most = Number(childOf(childOf(root, DAV, 'limit'), DAV, 'nresults')?.textContent ?? Infinity);
  const { workspaceId } = device;
  const many = Number.isFinite(most) ? await inWorkspace(database, workspaceId, (manager) => countSince(manager, workspaceId, book.id, since)) : 0; // prettier-ignore
  if (many > most) return refuse(response, 507, '<D:number-of-matches-within-limits/>');
  const parts = entriesOf(database, device, book, since, askedFor(root));
  return multistatus(response, parts, `<D:sync-token>${tokenOf(book)}</D:sync-token>`);
}

async function multiget({ database, response, device }: Call, key: string, root: XmlElement): Promise<void> {
  const { workspaceId } = device;
  const asked = askedFor(root);
  const paths = childrenOf(root).filter((one) => nameOf(one).namespace === DAV && nameOf(one).name === 'href').map((one) => one.textContent?.trim() ?? ''); // prettier-ignore
  const book = await inWorkspace(database, workspaceId, (manager) => knownBook(manager, device, key));
  async function* found(): AsyncGenerator<string> {
    for (let from = 0; from < paths.length; from += AT_ONCE) {
      const some = paths.slice(from, from + AT_ONCE).map((path) => ({ path, name: nameIn(path, key) }));
      const names = some.flatMap(({ name }) => (name ? [name] : []));
      yield await inWorkspace(database, workspaceId, async (manager) => {
        const entries = book ? await entriesNamed(manager, workspaceId, book.id, names) : [];
        const there = new Set(entries.filter((entry) => entry.is_there).map((entry) => entry.name));
        const parts = await partsOf(manager, workspaceId, key, entries.filter((entry) => entry.is_there), asked); // prettier-ignore
        return parts + some.filter(({ name }) => !name || !there.has(name)).map(({ path }) => goneXml(path)).join(''); // prettier-ignore
      });
    }
  }
  return multistatus(response, found());
}

/** The name of a card in a path of that book, also in a whole address. */
function nameIn(path: string, key: string): string | undefined {
  const at = placeOf(path.replace(/^https?:\/\/[^/]+/, '').replace(/^\/dav(?=\/)/, ''));
  return at?.kind === 'card' && at.key === key ? at.name : undefined;
}

async function query({ database, response, device }: Call, book: OpenedBook, root: XmlElement): Promise<void> {
  const asked = askedFor(root);
  const filter = filterOf(childOf(root, CARD, 'filter'));
  const most = Number(childOf(childOf(root, CARD, 'limit'), CARD, 'nresults')?.textContent ?? Infinity);
  const { workspaceId } = device;
  async function* found(): AsyncGenerator<string> {
    let left = most;
    for (let after: string | null = null; left > 0;) {
      const page: EntryRow[] = await inWorkspace(database, workspaceId, (manager) => entriesSince(manager, workspaceId, { bookId: book.id, since: 0, after, most: AT_ONCE })); // prettier-ignore
      if (page.length === 0) return;
      yield await inWorkspace(database, workspaceId, async (manager) => {
        const cards = await cardsOf(manager, workspaceId, page.map((entry) => entry.person_id)); // prettier-ignore
        const met = page.filter(({ person_id: id }) => cards.has(id) && meets(cards.get(id)!, filter)).slice(0, left);
        left -= met.length;
        return met.map(({ person_id: id, name, mark }) => partOf(pathOfCard(book.key, name), { kind: 'card', mark, card: cards.get(id) }, asked)).join(''); // prettier-ignore
      });
      after = page.at(-1)!.person_id;
    }
  }
  return multistatus(response, found());
}

const testOf = (element: XmlElement | undefined) => (element?.getAttribute('test') === 'allof' ? 'allof' : 'anyof'); // prettier-ignore
const TYPES = ['equals', 'contains', 'starts-with', 'ends-with'] as const;

function filterOf(element: XmlElement | undefined): Filter {
  const properties = childrenOf(element).filter((one) => nameOf(one).name === 'prop-filter').map((one): PropertyFilter => ({
    name: (one.getAttribute('name') ?? '').toUpperCase(),
    test: testOf(one),
    isNotDefined: childOf(one, CARD, 'is-not-defined') !== undefined,
    matches: childrenOf(one).filter((match) => nameOf(match).name === 'text-match').map((match) => ({
      text: match.textContent ?? '',
      type: TYPES.find((type) => type === match.getAttribute('match-type')) ?? 'contains',
      negate: match.getAttribute('negate-condition') === 'yes',
    })),
  })); // prettier-ignore
  return { test: testOf(element), properties };
}
