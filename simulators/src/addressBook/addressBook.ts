import { createHash } from 'node:crypto';
import express, { type Express, type RequestHandler, type Response } from 'express';

export interface AddressBookOptions {
  user: string;
  password: string;
}

const BOOK = '/dav/books/own/';
const etagOf = (card: string): string => `"${createHash('sha1').update(card).digest('hex')}"`;
const escaped = (text: string): string => text.replace(/[&<>]/g, (c) => `&#${c.charCodeAt(0)};`);

/** What a property asked for says of an address; nothing where it has none. */
const PROPERTIES: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  '/dav/': { 'current-user-principal': '<D:current-user-principal><D:href>/dav/people/own/</D:href></D:current-user-principal>' }, // prettier-ignore
  '/dav/people/own/': { 'addressbook-home-set': '<C:addressbook-home-set><D:href>/dav/books/</D:href></C:addressbook-home-set>' }, // prettier-ignore
  '/dav/books/': { resourcetype: '<D:resourcetype><D:collection/></D:resourcetype>' },
  [BOOK]: {
    resourcetype: '<D:resourcetype><D:collection/><C:addressbook/></D:resourcetype>',
    displayname: '<D:displayname>The harbour’s address book</D:displayname>',
    'supported-report-set': '<D:supported-report-set><D:supported-report><D:report><C:addressbook-query/></D:report></D:supported-report></D:supported-report-set>', // prettier-ignore
  },
};

/** An address book of somebody else, asked by CardDAV (RFC 6352): as much of it as one who brings cards needs, in memory. */
export function addressBook({ user, password }: AddressBookOptions): Express {
  const app = express();
  const cards = new Map<string, string>();
  const letIn: RequestHandler = (request, response, next) => {
    const shown = Buffer.from((request.get('authorization') ?? '').replace(/^Basic /, ''), 'base64').toString('utf8');
    if (shown === `${user}:${password}`) next();
    else response.status(401).set('WWW-Authenticate', 'Basic realm="harbour"').end();
  };
  const multistatus = (response: Response, parts: readonly string[]) =>
    void response
      .status(207)
      .type('application/xml')
      .send(`<?xml version="1.0" encoding="utf-8"?><D:multistatus xmlns:D="DAV:" xmlns:C="urn:ietf:params:xml:ns:carddav">${parts.join('')}</D:multistatus>`); // prettier-ignore
  const part = (href: string, properties: readonly string[]) => `<D:response><D:href>${escaped(href)}</D:href><D:propstat><D:prop>${properties.join('')}</D:prop><D:status>HTTP/1.1 200 OK</D:status></D:propstat></D:response>`; // prettier-ignore

  app.disable('x-powered-by');
  app.set('etag', false);
  app.all('/.well-known/carddav', (_request, response) => response.redirect(301, '/dav/'));
  app.use(letIn, express.text({ type: () => true, limit: '20mb' }));
  app.use((request, response, next) => {
    const { method, path } = request;
    const body = typeof request.body === 'string' ? request.body : '';
    if (method === 'PROPFIND') {
      const known = PROPERTIES[path];
      if (!known) return void response.status(404).end();
      const asked = (href: string) =>
        part(href, Object.entries(PROPERTIES[href]!).flatMap(([name, xml]) => (body.includes(name) ? [xml] : []))); // prettier-ignore
      const within = path === '/dav/books/' && request.get('depth') === '1' ? [BOOK] : [];
      return multistatus(response, [path, ...within].map(asked));
    }
    if (method === 'REPORT' && path === BOOK) {
      const wanted = (/text-match[^>]*>([^<]*)</.exec(body)?.[1] ?? '').toLowerCase();
      const found = [...cards].filter(([, card]) => card.split(/\r?\n/).some((line) => /^(?:[\w-]+\.)?EMAIL/i.test(line) && line.toLowerCase().endsWith(`:${wanted}`))); // prettier-ignore
      return multistatus(response, found.map(([href, card]) => part(href, [`<D:getetag>${etagOf(card)}</D:getetag>`]))); // prettier-ignore
    }
    next();
  });
  app.get(`${BOOK}:name`, (request, response) => {
    const card = cards.get(request.path);
    if (card === undefined) return void response.status(404).end();
    response.set('ETag', etagOf(card)).type('text/vcard').send(card);
  });
  app.put(`${BOOK}:name`, (request, response) => {
    const before = cards.get(request.path);
    const [match, noneMatch] = [request.get('if-match'), request.get('if-none-match')];
    const isAsMeant = noneMatch === '*' ? before === undefined : !match || (before !== undefined && match === etagOf(before)); // prettier-ignore
    if (!isAsMeant) return void response.status(412).end();
    if (!/^BEGIN:VCARD\r?\n/.test(String(request.body))) return void response.status(400).end();
    cards.set(request.path, String(request.body));
    response.status(before === undefined ? 201 : 204).set('ETag', etagOf(String(request.body))).end(); // prettier-ignore
  });
  return app;
}
