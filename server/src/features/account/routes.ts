import { SignIn, type Session } from '@dossier/contract';
import { createHash } from 'node:crypto';
import { Router, type CookieOptions, type Request, type RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import type { Logger } from '../../platform/logger';
import { ProblemError } from '../../platform/problem';
import { Routes } from '../../platform/routes';
import { setSignedIn, whoIs } from '../../platform/session';
import { findSession, listTeam, SESSION_DAYS, sessionName, signIn, signOut } from './service';

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
      setSignedIn(request, {
        accountId: session.user.id,
        workspaceId: session.workspace.id,
        role: session.user.role,
        session: sessionName(token!),
      });
    }
    next();
  };
}

/** Signing in and out: the routes that need nobody to be signed in. */
export function sessionRoutes(database: DataSource, signInLimit: number, logger: Logger): Router {
  const limiter = rateLimit({
    windowMs: RATE_WINDOW_MS,
    limit: signInLimit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    keyGenerator: attemptKey,
    handler: (_request, response, next) => {
      logger.warn('too many attempts to sign in from one address for one account');
      response.set('Retry-After', String(RATE_WINDOW_MS / 1000));
      next(
        new ProblemError(
          429,
          'too-many-attempts',
          'Too many attempts',
          'There were too many attempts to sign in. Wait five minutes and try again.',
        ),
      );
    },
  });
  return Router()
    .post('/session', limiter, async (request, response) => {
      const { token, session } = await signIn(database, SignIn.parse(request.body)).catch((error: unknown) => {
        // Never the name: people type passwords there.
        if (error instanceof ProblemError) logger.warn({ from: request.ip }, 'somebody was not signed in');
        throw error;
      });
      response.cookie(COOKIE, token, { ...cookieOptions(request), maxAge: SESSION_DAYS * 24 * 60 * 60 * 1000 });
      response.status(201).json(session);
    })
    .get('/session', (request, response) => {
      whoIs(request);
      response.json(sessions.get(request));
    })
    .delete('/session', async (request, response) => {
      const token = tokenOf(request);
      if (token) await signOut(database, token);
      // What the browser keeps of its own accord goes too: pictures and lists are the team's.
      response.set('Clear-Site-Data', '"cache"');
      response.clearCookie(COOKIE, cookieOptions(request)).status(204).end();
    });
}

/**
 * Attempts count for one account from one address: whoever mistypes in an office keeps no colleague out, and nobody elsewhere keeps
 * the account's owner out. Which address that is, a request cannot choose: see `DOSSIER_TRUSTED_PROXIES`.
 */
function attemptKey(request: Request): string {
  const { email } = (request.body ?? {}) as { email?: unknown };
  const account = createHash('sha256')
    .update(typeof email === 'string' ? email.trim().toLowerCase() : '')
    .digest('base64');
  return `${ipKeyGenerator(request.ip ?? '')} ${account}`;
}

export const teamRoutes = (database: DataSource): Routes =>
  new Routes().get('/team', 'see', async (request, response) => {
    response.json(await listTeam(database, whoIs(request).workspaceId));
  });
