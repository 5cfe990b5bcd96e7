import { parseCookie } from 'cookie';
import type { CookieOptions, Request, Response } from 'express';

/** Over https another one, which nothing sent over plain http can set or replace. */
const nameOf = (request: Request): string => (request.secure ? '__Host-dossier_session' : 'dossier_session');
export const SESSION_DAYS = 30;

const options = (request: Request): CookieOptions => ({
  httpOnly: true,
  sameSite: 'strict',
  secure: request.secure,
  path: '/',
});

export const tokenOf = (request: Request): string | undefined =>
  parseCookie(request.get('cookie') ?? '')[nameOf(request)];

/** The browser is signed in from this answer on. */
export function keepToken(request: Request, response: Response, token: string): void {
  response.cookie(nameOf(request), token, { ...options(request), maxAge: SESSION_DAYS * 24 * 60 * 60 * 1000 });
}

export function forgetToken(request: Request, response: Response): void {
  response.clearCookie(nameOf(request), options(request));
}
