import { Beginning, PasswordChange, SignIn, type Session } from '@dossier/contract';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import type { DataSource } from 'typeorm';
import { attemptLimit } from '../../platform/attemptLimit';
import type { Logger } from '../../platform/logger';
import { ProblemError } from '../../platform/problem';
import { Routes } from '../../platform/routes';
import { bearerOf, requireSomebody, setSignedIn, whoIs } from '../../platform/session';
import { holderOfToken } from './apiTokens';
import type { FirstTime } from './beginning';
import { changePassword, describe, findSession, listTeam, sessionName, signIn, signOut } from './service';
import { forgetToken, keepToken, tokenOf } from './sessionCookie';

const sessions = new WeakMap<Request, Session>();

/** Finds out who sends a request; routes that need somebody ask `whoIs`. */
export function recogniseSession(database: DataSource): RequestHandler {
  return async (request, response, next) => {
    const bearer = bearerOf(request);
    if (bearer !== undefined) {
      await recogniseProgram(database, request, response, bearer);
      return next();
    }
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

/** @throws ProblemError 401 for a token that is none (any more) */
async function recogniseProgram(
  database: DataSource,
  request: Request,
  response: Response,
  bearer: string,
): Promise<void> {
  const held = await holderOfToken(database, bearer);
  if (!held) {
    response.set('WWW-Authenticate', 'Bearer error="invalid_token"');
    throw new ProblemError(401, 'unknown-token', 'Not let in', 'This token is not known, has ended or was revoked.');
  }
  const { account, token } = held;
  sessions.set(request, describe(account));
  setSignedIn(request, {
    accountId: account.id,
    workspaceId: account.workspaceId,
    role: account.role,
    session: sessionName(bearer),
    token: { id: token.id, scopes: token.scopes, perMinute: token.per_minute },
  });
}

/** Getting in and out: the routes that need nobody to be signed in. */
export function sessionRoutes(database: DataSource, signInLimit: number, firstTime: FirstTime, logger: Logger): Router {
  const limiter = attemptLimit(signInLimit, logger, attemptedAccount);
  return Router()
    .post('/session', limiter, async (request, response) => {
      const { token, session } = await signIn(database, SignIn.parse(request.body)).catch((error: unknown) => {
        // Never the name: people type passwords there.
        if (error instanceof ProblemError) logger.warn({ from: request.ip }, 'somebody was not signed in');
        throw error;
      });
      keepToken(request, response, token);
      response.status(201).json(session);
    })
    .get('/session', async (request, response) => {
      const session = sessions.get(request);
      if (!session && (await firstTime.isOpen()))
        throw new ProblemError(401, 'no-team-yet', 'No team yet', 'Begin a team with the code from the terminal.');
      whoIs(request);
      response.json(session);
    })
    .delete('/session', async (request, response) => {
      const token = tokenOf(request);
      if (token) await signOut(database, token);
      // What the browser keeps of its own accord goes too: pictures and lists are the team's.
      response.set('Clear-Site-Data', '"cache"');
      forgetToken(request, response);
      response.status(204).end();
    })
    .post(
      '/session/first',
      attemptLimit(signInLimit, logger, () => 'first'),
      async (request, response) => {
        keepToken(request, response, await firstTime.begin(Beginning.parse(request.body)));
        response.status(201).end();
      },
    )
    .put(
      '/session/password',
      requireSomebody,
      attemptLimit(signInLimit, logger, signedInAccount),
      async (request, response) => {
        await changePassword(database, whoIs(request), PasswordChange.parse(request.body));
        response.status(204).end();
      },
    );
}

function attemptedAccount(request: Request): string {
  const { email } = (request.body ?? {}) as { email?: unknown };
  return typeof email === 'string' ? email.trim().toLowerCase() : '';
}

const signedInAccount = (request: Request): string => whoIs(request).accountId;

export const teamRoutes = (database: DataSource): Routes =>
  new Routes().get('/team', 'see', async (request, response) => {
    response.json(await listTeam(database, whoIs(request).workspaceId));
  });
