import { SignIn, type Session } from '@dossier/contract';
import { Router, type CookieOptions, type Request, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { ProblemError } from '../../platform/problem';
import { setSignedIn, whoIs } from '../../platform/session';
import { findSession, listTeam, SESSION_DAYS, signIn, signOut } from './service';

const COOKIE = 'dossier_session';
const RATE_WINDOW_MS = 5 * 60 * 1000;

const cookieOptions = (request: Request): CookieOptions => ({
  httpOnly: true,
  sameSite: 'strict',
  secure: request.secure,
  path: '/',
});

function tokenOf(request: Request): string | undefined {
  const cookies = request.get('cookie')?.split(/;\s*/) ?? [];
  return cookies.find((cookie) => cookie.startsWith(`${COOKIE}=`))?.slice(COOKIE.length + 1);
}

const sessions = new WeakMap<Request, Session>();

/** Finds out who sends a request; routes that need somebody ask `whoIs`. */
export function recogniseSession(database: DataSource): RequestHandler {
  return async (request, _response, next) => {
    const token = tokenOf(request);
    const session = token ? await findSession(database, token) : undefined;
    if (session) {
      sessions.set(request, session);
      setSignedIn(request, { accountId: session.user.id, workspaceId: session.workspace.id });
    }
    next();
  };
}

export function accountRoutes(database: DataSource, signInLimit: number): Router {
  const limiter = rateLimit({
    windowMs: RATE_WINDOW_MS,
    limit: signInLimit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    handler: (_request, _response, next) =>
      next(
        new ProblemError(
          429,
          'too-many-attempts',
          'Too many attempts',
          'There were too many attempts to sign in. Wait five minutes and try again.',
        ),
      ),
  });
  return Router()
    .post('/session', limiter, async (request, response) => {
      const { token, session } = await signIn(database, SignIn.parse(request.body));
      response.cookie(COOKIE, token, { ...cookieOptions(request), maxAge: SESSION_DAYS * 24 * 60 * 60 * 1000 });
      response.status(201).json(session);
    })
    .get('/session', (request, response) => {
      whoIs(request);
      response.json(sessions.get(request));
    })
    .get('/team', async (request, response) => {
      response.json(await listTeam(database, whoIs(request).workspaceId));
    })
    .delete('/session', async (request, response) => {
      const token = tokenOf(request);
      if (token) await signOut(database, token);
      response.clearCookie(COOKIE, cookieOptions(request)).status(204).end();
    });
}
