import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { Router, type Express } from 'express';
import helmet from 'helmet';
import type { DataSource } from 'typeorm';
import { accountRoutes, recogniseSession } from './features/account';
import { captureRoutes } from './features/capture';
import { exchangeRoutes } from './features/exchange';
import { isProbablyKnown, matchingRoutes } from './features/matching';
import { peopleRoutes } from './features/people';
import { proofRoutes } from './features/proof';
import { trayRoutes } from './features/reading';
import { healthRoutes } from './health';
import type { Config } from './platform/config';
import type { Logger } from './platform/logger';
import { ProblemError, problemHandler } from './platform/problem';
import { requireSignIn, sameOriginWrites } from './platform/session';
import type { TrayEvents } from './platform/trayEvents';

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
  app.set('trust proxy', 'loopback');
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
  const json = express.json({ limit: '256kb' });
  const api = Router()
    .use(healthRoutes(database))
    .use(sameOriginWrites)
    .use(recogniseSession(database))
    .use(json, accountRoutes(database, config.signInLimit))
    .use(requireSignIn)
    .use(captureRoutes(database))
    .use(json)
    .use(trayRoutes(database, events))
    .use(proofRoutes(database))
    .use(matchingRoutes(database))
    .use(peopleRoutes(database, isProbablyKnown))
    .use(exchangeRoutes(database))
    .use(() => {
      throw new ProblemError(404, 'no-route', 'Not found', 'There is nothing under this address.');
    });
  app.use('/api/v1', api);
  if (config.appFolder) serveApplication(app, config.appFolder);
  app.use(problemHandler(logger));
  return app;
}

/** Files with a hash in their name never change; the page itself is always asked for again. */
function serveApplication(app: Express, folder: string): void {
  app.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) => {
        const hashed = /\.[0-9a-f]{16,}\.|-[0-9a-f]{32}\./.test(path);
        response.set('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    }),
  );
  app.get('/{*path}', (_request, response, next) => {
    const page = join(folder, 'index.html');
    if (!existsSync(page)) return next();
    response.set('Cache-Control', 'no-cache').sendFile(page);
  });
}
