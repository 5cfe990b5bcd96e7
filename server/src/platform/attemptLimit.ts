import { createHash } from 'node:crypto';
import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Logger } from './logger';
import { ProblemError } from './problem';

const WINDOW_MS = 5 * 60 * 1000;

/**
 * Attempts to prove who one is are counted for five minutes; those that go well are not.
 * Which address somebody comes from, a request cannot choose: see `DOSSIER_TRUSTED_PROXIES`.
 * @param aim what is tried, beside the address it is tried from: whoever mistypes in an office keeps no colleague out
 */
export const attemptLimit = (limit: number, logger: Logger, aim: (request: Request) => string): RequestHandler =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    keyGenerator: (request) =>
      `${ipKeyGenerator(request.ip ?? '')} ${createHash('sha256').update(aim(request)).digest('base64')}`,
    handler: (_request, response, next) => {
      logger.warn('too many attempts to get in from one address');
      response.set('Retry-After', String(WINDOW_MS / 1000));
      next(
        new ProblemError(
          429,
          'too-many-attempts',
          'Too many attempts',
          'There were too many attempts. Wait five minutes and try again.',
        ),
      );
    },
  });
