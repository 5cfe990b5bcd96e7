import type { Response } from 'express';

const YEAR_SECONDS = 31_536_000;

/** Pictures never change under their id, but belong to whoever is signed in: cached by the browser alone. */
export function sendPicture(response: Response, file: { type: string; bytes: Uint8Array }): void {
  response
    .set('Cache-Control', `private, max-age=${YEAR_SECONDS}, immutable`)
    .set('X-Content-Type-Options', 'nosniff')
    .type(file.type)
    .send(Buffer.from(file.bytes));
}
