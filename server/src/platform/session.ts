import type { Request, RequestHandler } from 'express';
import { ProblemError } from './problem';

/** Who sends a request: set by the account room's session middleware. */
export interface SignedIn {
  accountId: string;
  workspaceId: string;
}

const signedIn = new WeakMap<Request, SignedIn>();

export const setSignedIn = (request: Request, who: SignedIn): void => void signedIn.set(request, who);

/** @throws ProblemError 401 when nobody is signed in */
export function whoIs(request: Request): SignedIn {
  const who = signedIn.get(request);
  if (!who) throw new ProblemError(401, 'not-signed-in', 'Not signed in', 'Sign in to go on.');
  return who;
}

export const requireSignIn: RequestHandler = (request, _response, next) => {
  whoIs(request);
  next();
};

/**
 * Writes must come from the application's own pages: browsers name the sender in `Sec-Fetch-Site`
 * and `Origin`; programs without either are let through, since no browser sent their cookie.
 */
export const sameOriginWrites: RequestHandler = (request, _response, next) => {
  const reading = ['GET', 'HEAD', 'OPTIONS'].includes(request.method);
  const site = request.get('sec-fetch-site');
  const origin = request.get('origin');
  const foreign =
    (site && !['same-origin', 'none'].includes(site)) ||
    (origin && !site && new URL(origin).host !== request.get('host'));
  if (!reading && foreign) {
    throw new ProblemError(403, 'other-origin', 'Not allowed', 'This request came from another site.');
  }
  next();
};
