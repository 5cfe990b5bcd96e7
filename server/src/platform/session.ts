import { may, type Act, type Role, type Scope } from '@dossier/core/account';
import type { Request, RequestHandler } from 'express';
import { ProblemError } from './problem';

/** Who does something: whoever sends a request, or for whom a job is done. */
export interface SignedIn {
  accountId: string;
  workspaceId: string;
}

/** Who sends a request: set by the account room's session middleware. */
export interface Visitor extends SignedIn {
  role: Role;
  /** Names the session without opening it: the hash of its token, in hexadecimal. */
  session: string;
  /** Of a program: what it may do, with how many requests a minute. Undefined for somebody at a screen. */
  token?: { id: string; scopes: readonly Scope[]; perMinute: number };
}

const signedIn = new WeakMap<Request, Visitor>();

export const setSignedIn = (request: Request, who: Visitor): void => void signedIn.set(request, who);

/** @throws ProblemError 401 when nobody is signed in */
export function whoIs(request: Request): Visitor {
  const who = signedIn.get(request);
  if (!who) throw new ProblemError(401, 'not-signed-in', 'Not signed in', 'Sign in to go on.');
  return who;
}

export const requireSignIn: RequestHandler = (request, _response, next) => {
  whoIs(request);
  next();
};

const noTokenIsEnough = (): ProblemError =>
  new ProblemError(403, 'not-in-scope', 'Not for this token', 'No token may do that. Sign in to do it.');

/** Lets through who has signed in, and no program. @throws ProblemError 401 or 403 else */
export const requireSomebody: RequestHandler = (request, _response, next) => {
  if (whoIs(request).token) throw noTokenIsEnough();
  next();
};

/**
 * Lets through whose role may do this, and of programs those whose token may.
 * @param scope what a token must have; null for what no token is enough for
 * @throws ProblemError 403 else
 */
export const requireLeave =
  (act: Act, scope: Scope | null): RequestHandler =>
  (request, _response, next) => {
    const { role, token } = whoIs(request);
    if (token && scope === null) throw noTokenIsEnough();
    if (token && !token.scopes.includes(scope!))
      throw new ProblemError(403, 'not-in-scope', 'Not for this token', `This token may not do that. It takes one with the scope ${scope}.`); // prettier-ignore
    if (!may(role, act))
      throw new ProblemError(
        403,
        'not-for-your-role',
        'Not yours to do',
        'Your role in this team does not include that. Ask your manager to do it.',
      );
    next();
  };

/**
 * Writes must come from the application's own pages: browsers name the sender in `Sec-Fetch-Site`
 * and `Origin`; programs without either are let through, since no browser sent their cookie. Nor does one send a token by itself.
 */
export const sameOriginWrites: RequestHandler = (request, _response, next) => {
  const reading = ['GET', 'HEAD', 'OPTIONS'].includes(request.method) || bearerOf(request) !== undefined;
  const site = request.get('sec-fetch-site');
  const origin = request.get('origin');
  const foreign =
    (site && !['same-origin', 'none'].includes(site)) || (origin && !site && hostOf(origin) !== request.get('host'));
  if (!reading && foreign) {
    throw new ProblemError(403, 'other-origin', 'Not allowed', 'This request came from another site.');
  }
  next();
};

/** Undefined for an origin that is none, such as `null`. */
const hostOf = (origin: string): string | undefined => (URL.canParse(origin) ? new URL(origin).host : undefined);

/** The token that a program sends (RFC 6750). */
export const bearerOf = (request: Request): string | undefined =>
  /^Bearer +(\S+)\s*$/i.exec(request.get('authorization') ?? '')?.[1];
