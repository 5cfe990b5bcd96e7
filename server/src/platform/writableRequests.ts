import { unwritablePlace } from '@dossier/core/text';
import type { RequestHandler } from 'express';
import { unwritable } from './problem';

/** Refuses what cannot be kept before anything is done with it. @throws ProblemError 400 that names the place */
export const writableRequests: RequestHandler = (request, _response, next) => {
  const body: unknown = Buffer.isBuffer(request.body) ? undefined : request.body;
  for (const part of [request.query, body]) {
    const place = unwritablePlace(part);
    if (place !== undefined) throw unwritable(place);
  }
  if (request.path.includes('%00')) throw unwritable('');
  next();
};
