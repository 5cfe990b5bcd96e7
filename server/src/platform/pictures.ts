import type { Request, Response } from 'express';
import type { StoredPicture } from './storage';

const YEAR_SECONDS = 31_536_000;

/**
 * Sends a picture to whoever is signed in; only their browser may keep it. An address that names the picture itself (`of`) always
 * means the same bytes; one that names whose it is means those of now, which the browser asks about each time.
 */
export function sendPicture(request: Request, response: Response, file: StoredPicture): void {
  const isNamed = request.query.of === file.id;
  response
    .set('Cache-Control', isNamed ? `private, max-age=${YEAR_SECONDS}, immutable` : 'private, no-cache')
    .set('ETag', `"${file.id}"`)
    .set('X-Content-Type-Options', 'nosniff')
    .type(file.type);
  if (request.fresh) response.status(304).end();
  else response.send(file.bytes);
}
