import cors from 'cors';
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { ProblemError } from './problem';
import { bearerOf, whoIs, type SignedIn } from './session';

const WINDOW_MS = 60_000;

/** So many requests a minute as a token was given, in each process that serves. */
export const tokenLimit = (): RequestHandler =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit: (request) => whoIs(request).token!.perMinute,
    keyGenerator: (request) => whoIs(request).token!.id,
    skip: (request) => whoIs(request).token === undefined,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (request, response, next) => {
      const { resetTime } = (request as typeof request & { rateLimit: { resetTime?: Date } }).rateLimit;
      const seconds = Math.max(1, Math.ceil(((resetTime?.getTime() ?? Date.now() + WINDOW_MS) - Date.now()) / 1000));
      response.set('Retry-After', String(seconds));
      next(
        new ProblemError(
          429,
          'too-many-requests',
          'Too many requests',
          `This token may not ask so often. Wait ${seconds} seconds.`,
        ),
      );
    },
  });

/** What the pages of others may see of an answer besides what is in it. */
const EXPOSED = ['Retry-After', 'RateLimit', 'RateLimit-Policy', 'Content-Disposition', 'Location'];
const share = (origin: string | false): RequestHandler =>
  cors({
    origin,
    methods: ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'],
    allowedHeaders: ['Authorization', 'Content-Type', 'Idempotency-Key'],
    exposedHeaders: EXPOSED,
    maxAge: 600,
  });

/**
 * Scripts of other pages: never with a cookie, and with a token only from where the token's workspace lets them. A browser asks
 * beforehand, without the token: it is told so where any workspace lets that page.
 */
export const askedBeforehand =
  (isAllowed: (origin: string) => Promise<boolean>): RequestHandler =>
  async (request, response, next) => {
    const origin = request.get('origin');
    if (request.method !== 'OPTIONS' || !origin || !request.get('access-control-request-method')) return next();
    share((await isAllowed(origin)) && origin)(request, response, next);
  };

export const fromOtherPages =
  (database: DataSource, allowed: (database: DataSource, who: SignedIn) => Promise<string[]>): RequestHandler =>
  async (request, response, next) => {
    const origin = request.get('origin');
    const own = origin && URL.canParse(origin) && new URL(origin).host === request.get('host');
    if (!origin || own || bearerOf(request) === undefined) return next();
    if (!(await allowed(database, whoIs(request))).includes(origin))
      throw new ProblemError(403, 'other-origin', 'Not allowed', `Pages of ${origin} may not ask here. An administrator can let them.`); // prettier-ignore
    share(origin)(request, response, next);
  };
