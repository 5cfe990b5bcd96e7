import { may } from '@dossier/core/account';
import express, { Router, type RequestHandler, type Response } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { hashSecret } from '../../../platform/secret';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Account, Workspace } from '../../account';
import { deletePersonIn } from '../../people';
import { all, entriesOf, multistatus, partOf, partsOf, resourceOf } from './answers';
import { booksOf, knownBook, openBook } from './books';
import { bodyOf, METHODS, placeOf, refuse, type Call, type Device } from './call';
import { cardsOf, putCard } from './cards';
import { parseXml, type PropertyName } from './davXml';
import { DeviceEntry } from './entities';
import { askedFor, HOME, MOST_CARD_BYTES, pathOfBook, PRINCIPAL, ROOT } from './properties';
import { entriesNamed, useDevicePassword } from './queries';
import { report } from './reports';

/** RFC 4918 10.1, RFC 3744, RFC 6352 6.1; what makes collections is not among them. */
const FEATURES = '1, 3, access-control, addressbook';

/**
 * Address books for phones and other programs (RFC 6352 on RFC 4918, kept in step by RFC 6578). They sign in with a password of their own
 * for each device.
 */
export function davRoutes(database: DataSource): Router {
  const router = Router();
  router.all('/.well-known/carddav', (_request, response) => response.redirect(301, ROOT));
  const attempts = rateLimit({
    windowMs: 5 * 60_000,
    limit: 60,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: (request) => ipKeyGenerator(request.ip ?? ''),
    requestWasSuccessful: (_request, response) => response.statusCode !== 401,
    skipSuccessfulRequests: true,
  });
  router.use('/dav', attempts, signIn(database), express.text({ type: () => true, limit: '8mb' }));
  router.use('/dav', async (request, response, next) => {
    const handle = HANDLERS[request.method];
    if (!handle) return void response.status(405).set('Allow', METHODS).end();
    const at = placeOf(request.path);
    if (!at) return void response.status(404).end();
    response.set({ DAV: FEATURES, 'Cache-Control': 'private, no-cache' });
    await handle({ database, request, response, device: deviceOf(response), at }).catch(next);
  });
  return router;
}

const deviceOf = (response: Response): Device => response.locals.device as Device;

/** Whoever shows no password of a device that is in use is asked for one (RFC 7617). */
const signIn =
  (database: DataSource): RequestHandler =>
  async (request, response, next) => {
    const shown = /^Basic ([\w+/=]+)$/i.exec(request.get('authorization') ?? '')?.[1];
    const [user = '', ...rest] = Buffer.from(shown ?? '', 'base64')
      .toString('utf8')
      .split(':');
    const password = rest.join(':').replace(/[\s-]/g, '').toLowerCase();
    const used = password ? await useDevicePassword(database.manager, hashSecret(password)) : undefined;
    const account = used && (await database.getRepository(Account).findOneBy({ id: used.account_id }));
    if (!account || account.email.toLowerCase() !== user.trim().toLowerCase())
      return void response.status(401).set('WWW-Authenticate', 'Basic realm="Dossier", charset="UTF-8"').end();
    const { id: accountId, workspaceId, role } = account;
    const { devicesDelete } = await database.getRepository(Workspace).findOneByOrFail({ id: workspaceId });
    const device: Device = { accountId, workspaceId, mayWrite: may(role, 'edit'), mayDelete: devicesDelete && may(role, 'delete') }; // prettier-ignore
    response.locals.device = device;
    next();
  };

const HANDLERS: Readonly<Record<string, (call: Call) => Promise<void>>> = {
  OPTIONS: ({ response }) => Promise.resolve(void response.status(200).set('Allow', METHODS).end()),
  PROPFIND: propfind,
  REPORT: report,
  GET: get,
  HEAD: get,
  PUT: put,
  DELETE: remove,
};

async function propfind({ database, request, response, device, at }: Call): Promise<void> {
  const text = bodyOf(request).trim();
  const root = text ? parseXml(text) : undefined;
  if (text && !root) return void response.status(400).end();
  const depth = request.get('depth') ?? 'infinity';
  if (depth === 'infinity' && at.kind !== 'card') return refuse(response, 403, '<D:propfind-finite-depth/>');
  const asked = askedFor(root);
  const deep = depth === '1';
  if (at.kind === 'card') return oneCard({ database, response, device, at }, asked);
  if (at.kind === 'book') {
    const book = await inWorkspace(database, device.workspaceId, (manager) => openBook(manager, device, at.key));
    if (!book) return void response.status(404).end();
    const own = partOf(pathOfBook(book.key), resourceOf(book, device), asked);
    return multistatus(response, deep ? all(own, entriesOf(database, device, book, 0, asked)) : all(own));
  }
  const paths = { root: ROOT, principal: PRINCIPAL, home: HOME } as const;
  const own = partOf(paths[at.kind], at, asked);
  if (at.kind !== 'home' || !deep) return multistatus(response, all(own));
  const theirs = await inWorkspace(database, device.workspaceId, (manager) => booksOf(manager, device));
  const books: string[] = [];
  // Each in a transaction of its own: whoever has a book open has it alone.
  for (const { key } of theirs) {
    const book = await inWorkspace(database, device.workspaceId, (manager) => openBook(manager, device, key));
    if (book) books.push(partOf(pathOfBook(key), resourceOf(book, device), asked));
  }
  return multistatus(response, all(own, ...books));
}

async function oneCard(
  { database, response, device, at }: Omit<Call, 'request'> & { at: { key: string; name: string } },
  asked: readonly PropertyName[],
): Promise<void> {
  const part = await inWorkspace(database, device.workspaceId, async (manager) => {
    const book = await knownBook(manager, device, at.key);
    const entries = book ? await entriesNamed(manager, device.workspaceId, book.id, [at.name]) : [];
    return entries[0]?.is_there ? partsOf(manager, device.workspaceId, at.key, entries, asked) : undefined;
  });
  return part ? multistatus(response, all(part)) : void response.status(404).end();
}

async function get({ database, request, response, device, at }: Call): Promise<void> {
  if (at.kind !== 'card') return void response.status(405).set('Allow', METHODS).end();
  const found = await inWorkspace(database, device.workspaceId, async (manager) => {
    const book = await knownBook(manager, device, at.key);
    const [entry] = book ? await entriesNamed(manager, device.workspaceId, book.id, [at.name]) : [];
    const card = entry?.is_there ? (await cardsOf(manager, device.workspaceId, [entry.person_id])).get(entry.person_id) : undefined; // prettier-ignore
    return card === undefined ? undefined : { card, mark: entry!.mark };
  });
  if (!found) return void response.status(404).end();
  response.set('ETag', `"${found.mark}"`).type('text/vcard; charset=utf-8');
  if (request.fresh) return void response.status(304).end();
  response.send(found.card);
}

/** The mark in a condition: `"abc"`. */
const markIn = (header: string | undefined): string | undefined => header?.trim().replace(/^W\//, '').replace(/^"|"$/g, ''); // prettier-ignore

async function put({ database, request, response, device, at }: Call): Promise<void> {
  if (at.kind !== 'card') return void response.status(405).set('Allow', METHODS).end();
  if (!device.mayWrite) return refuse(response, 403, '<D:need-privileges/>');
  const text = bodyOf(request);
  if (Buffer.byteLength(text) > MOST_CARD_BYTES) return refuse(response, 403, '<C:max-resource-size/>');
  const ifMark = request.get('if-none-match')?.trim() === '*' ? 'none' : markIn(request.get('if-match'));
  const { name } = at;
  const outcome = await inWorkspace(database, device.workspaceId, async (manager) => {
    const book = await openBook(manager, device, at.key);
    return book && putCard(manager, device, { bookId: book.id, name, text, ifMark });
  });
  if (!outcome) return void response.status(404).end();
  if (outcome === 'notAsSeen') return void response.status(412).end();
  if (outcome === 'noCard') return refuse(response, 403, '<C:valid-address-data/>');
  if (outcome === 'otherUid') return refuse(response, 409, '<C:no-uid-conflict/>');
  // The book has what was written by the time anybody hears of it. No ETag: what is given back is not what came, byte for byte.
  await inWorkspace(database, device.workspaceId, (manager) => openBook(manager, device, at.key));
  response.status(outcome === 'made' ? 201 : 204).end();
}

async function remove({ database, request, response, device, at }: Call): Promise<void> {
  if (at.kind !== 'card') return refuse(response, 403, '<D:need-privileges/>');
  if (!device.mayWrite) return refuse(response, 403, '<D:need-privileges/>');
  const { workspaceId } = device;
  const ifMark = markIn(request.get('if-match'));
  const status = await inWorkspace(database, workspaceId, async (manager) => {
    const book = await openBook(manager, device, at.key);
    const [entry] = book ? await entriesNamed(manager, workspaceId, book.id, [at.name]) : [];
    if (!book || !entry?.is_there) return 404;
    if (ifMark !== undefined && ifMark !== '*' && ifMark !== entry.mark) return 412;
    if (device.mayDelete) await deletePersonIn(manager, device, entry.person_id);
    // Only out of this book: the record stays.
    else await manager.update(DeviceEntry, { bookId: book.id, personId: entry.person_id }, { leftOut: true });
    return 204;
  });
  if (status === 204) await inWorkspace(database, workspaceId, (manager) => openBook(manager, device, at.key));
  response.status(status).end();
}
