import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { TLSSocket } from 'node:tls';
import compression from 'compression';
import express, { Router, type Express, type Request, type RequestHandler, type Response } from 'express';
import packedFiles from 'express-static-gzip';
import helmet from 'helmet';
import type { DataSource } from 'typeorm';
import { apiDescription } from './apiDescription';
import { allowedOrigins, apiTokenRoutes, FirstTime, isOriginAllowed, recogniseSession, sessionRoutes, settingsRoutes, teamRoutes } from './features/account'; // prettier-ignore
import { backupRoutes } from './features/backup';
import { captureRoutes } from './features/capture';
import {
  davRoutes,
  deviceRoutes,
  destinationRoutes,
  directoryRoutes,
  eventRoutes,
  exchangeRoutes,
  readingOnRequestRoutes,
  shareRoutes,
} from './features/exchange';
import { filingRoutes } from './features/filing';
import { matchingRoutes } from './features/matching';
import { companyRoutes } from './features/companies';
import {
  bookingPageRoutes,
  bookingRoutes,
  cardPageRoutes,
  feedRoutes,
  followupRoutes,
  ownCardRoutes,
  withdrawRoutes,
} from './features/followup';
import { insightRoutes } from './features/insight';
import { pipelineRoutes } from './features/pipeline';
import { mapRoutes, peopleRoutes } from './features/people';
import { proofRoutes } from './features/proof';
import { readingRoutes } from './features/reading';
import { retentionRoutes } from './features/retention';
import { linkRoutes, memberRoutes } from './features/team';
import { trayRoutes } from './features/tray';
import { healthRoutes } from './health';
import type { Config } from './platform/config';
import type { Logger } from './platform/logger';
import { ProblemError, problemHandler } from './platform/problem';
import { askedBeforehand, fromOtherPages, tokenLimit } from './platform/programs';
import type { DeclaredRoute, Routes } from './platform/routes';
import { reachOf } from './platform/reach';
import { requireSignIn, sameOriginWrites } from './platform/session';
import type { TrayEvents } from './platform/trayEvents';
import { writableRequests } from './platform/writableRequests';

interface Parts {
  database: DataSource;
  events: TrayEvents;
  config: Config;
  logger: Logger;
}

/** The HTTP side of Dossier: the API under `/api/v1`, the exported application beside it. */
export function createApp({ database, events, config, logger }: Parts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', config.trustedProxies);
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: true,
        directives: {
          'default-src': ["'self'"],
          // The reader of codes is WebAssembly.
          'script-src': ["'self'", "'wasm-unsafe-eval'"],
          'img-src': ["'self'", 'blob:', 'data:'],
          'media-src': ["'self'", 'blob:'],
          'style-src': ["'self'", "'unsafe-inline'"],
          'worker-src': ["'self'", 'blob:'],
          'connect-src': ["'self'"],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(overHttps);
  const json = express.json({ limit: '256kb' });
  const api = Router()
    .use(compression({ filter: isWorthPacking }))
    .use(healthRoutes(database, config.https?.port))
    .use(askedBeforehand((origin) => isOriginAllowed(database, origin)))
    .use(sameOriginWrites)
    .use(recogniseSession(database))
    .use(fromOtherPages(database, allowedOrigins))
    .use(['/session', '/links', '/shares/opened'], json, writableRequests)
    .use(sessionRoutes(database, config.signInLimit, new FirstTime(database, config.firstCode), logger))
    .use(linkRoutes(database))
    .use(shareRoutes(database))
    .use(requireSignIn)
    .use(tokenLimit())
    // The bytes of pictures and files are no JSON: they are taken by the route itself.
    .use((request, response, next) => (isFile(request) ? next() : json(request, response, next)))
    .use(writableRequests)
    .use(...roomsOf({ ...config, database, events }).map(({ router }) => router))
    .use(() => {
      throw new ProblemError(404, 'no-route', 'Not found', 'There is nothing under this address.');
    });
  app
    .use(davRoutes(database))
    .use(withdrawRoutes(database))
    .use(cardPageRoutes(database))
    .use(bookingPageRoutes(database, config.publicAddress))
    .use(feedRoutes(database, config.publicAddress));
  app.use('/api', apiDescription());
  app.use('/api/v1', api);
  if (config.appFolder) serveApplication(app, config.appFolder);
  app.use(problemHandler(logger));
  return app;
}

/** Pictures are packed already; events must not wait for a packet to fill up. */
function isWorthPacking(request: Request, response: Response): boolean {
  return (
    !/event-stream|image/.test(String(response.getHeader('Content-Type'))) && compression.filter(request, response)
  );
}

const isFile = (request: Request): boolean => {
  const { method, path } = request;
  if (method === 'PUT') return /^\/(?:photos\/[^/]+|own-card\/picture)\/?$/.test(path);
  return (
    method === 'POST' &&
    (/^\/(?:imports|attachments)\/?$/.test(path) || (/^\/readings\/?$/.test(path) && !request.is('json')))
  );
};

/** The routes of all rooms for whoever is signed in. */
type RoomParts = Pick<Parts, 'database' | 'events'> & Partial<Pick<Config, 'backups'>> & Parameters<typeof reachOf>[0];
const roomsOf = ({ database, events, backups, ...config }: RoomParts): Routes[] => [
  teamRoutes(database),
  memberRoutes(database),
  settingsRoutes(database),
  apiTokenRoutes(database),
  captureRoutes(database),
  readingRoutes(database),
  trayRoutes(database, events),
  proofRoutes(database),
  matchingRoutes(database),
  filingRoutes(database),
  // Before a person by their id.
  exchangeRoutes(database),
  readingOnRequestRoutes(database),
  eventRoutes(database, reachOf(config)),
  destinationRoutes(database, reachOf(config)),
  deviceRoutes(database, config.publicAddress),
  directoryRoutes(database, reachOf(config)),
  mapRoutes(database),
  peopleRoutes(database),
  companyRoutes(database),
  followupRoutes(database, reachOf(config)),
  ownCardRoutes(database, config.publicAddress),
  bookingRoutes(database, reachOf(config)),
  pipelineRoutes(database),
  insightRoutes(database),
  retentionRoutes(database),
  backupRoutes(database, backups),
];

/** Every route for whoever is signed in, with what it takes to be let through. */
export const declaredRoutes = (parts: RoomParts): DeclaredRoute[] => roomsOf(parts).flatMap(({ declared }) => declared);

/**
 * Whoever came over a proxy's https comes so for a year; our own has a certificate that only this machine vouches for, beside plain
 * http under the same name. Nothing here asks for more of a device than camera, microphone and, for the map, where it is.
 */
const overHttps: RequestHandler = (request, response, next) => {
  if (request.secure && !(request.socket instanceof TLSSocket))
    response.set('Strict-Transport-Security', 'max-age=31536000; includeSubDomains');
  response.set(
    'Permissions-Policy',
    'camera=(self), microphone=(self), clipboard-read=(self), geolocation=(self), payment=(), usb=(), serial=(), bluetooth=(), hid=(), midi=(), display-capture=()',
  );
  next();
};

/**
 * Files with a hash in their name never change; the page itself is always asked for again. Where a packed copy lies beside a file, that
 * is sent to browsers that can unpack it.
 */
function serveApplication(app: Express, folder: string): void {
  app.use(
    packedFiles(folder, {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: {
        setHeaders: (response, path) => {
          const hashed = /\.[0-9a-f]{16,}\.|-[0-9a-f]{32}\./.test(path);
          response.setHeader('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
        },
      },
    }),
  );
  app.get('/{*path}', (_request, response, next) => {
    const page = join(folder, 'index.html');
    if (!existsSync(page)) return next();
    response.set('Cache-Control', 'no-cache').sendFile(page);
  });
}
