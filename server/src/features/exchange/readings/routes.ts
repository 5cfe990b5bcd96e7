import { ReadingAgainQuery, ReadingQuery, TextToRead, type AskedReading } from '@dossier/contract';
import busboy from 'busboy';
import type { Request, Response } from 'express';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { ProblemError } from '../../../platform/problem';
import { Routes } from '../../../platform/routes';
import { whoIs } from '../../../platform/session';
import { receiveBytes } from '../../capture';
import { askForReading } from './ask';
import { resultOf } from './result';

const Id = z.object({ id: z.uuid() });

/** A picture in, what stands on its cards out. */
export const readingOnRequestRoutes = (database: DataSource): Routes =>
  new Routes()
    .post('/readings', 'capture', async (request, response) => {
      const query = ReadingQuery.parse(request.query);
      const who = whoIs(request);
      const given = request.is('json') ? TextToRead.parse(request.body) : { bytes: await pictureIn(request) };
      const id = await askForReading(database, who, request.get('idempotency-key'), given, query);
      response.set('Location', `/api/v1/readings/${id}`);
      await answer(database, request, response, id, query);
    })
    .get('/readings/:id', 'capture', async (request, response) => {
      const { id } = Id.parse(request.params);
      await answer(database, request, response, id, ReadingAgainQuery.parse(request.query));
    });

async function answer(
  database: DataSource,
  request: Request,
  response: Response,
  id: string,
  { wait, pictures }: z.infer<typeof ReadingAgainQuery>,
): Promise<void> {
  const asked = { wait, pictures: pictures === '1' };
  const result: AskedReading = await resultOf(database, whoIs(request), id, asked, () => response.destroyed);
  if (result.state === 'reading') response.set('Retry-After', '1');
  response
    .status(result.state === 'reading' ? 202 : 200)
    .set('Cache-Control', 'no-store')
    .json(result);
}

/** Nothing that came before is gone on with. */
const NO_PARTS = { load: () => Promise.resolve(Buffer.alloc(0)), keep: () => Promise.resolve() };

/** @throws ProblemError 400 for a form without a file, 413 for one that is too large */
function pictureIn(request: Request): Promise<Buffer> {
  if (!request.is('multipart/form-data')) return receiveBytes(request, NO_PARTS);
  return new Promise<Buffer>((resolve, reject) => {
    const unreadable = () =>
      reject(new ProblemError(400, 'no-picture', 'Nothing to read', 'There is no picture in this form. Send it as a file.')); // prettier-ignore
    let form: busboy.Busboy;
    try {
      form = busboy({ headers: request.headers, limits: { files: 1, fields: 20, parts: 40 } });
    } catch {
      return unreadable();
    }
    let picture: Promise<Buffer> | undefined;
    form.on('file', (_name, stream) => {
      picture = receiveBytes(Object.assign(stream, { headers: {} }), NO_PARTS);
      picture.catch(reject);
    });
    form.on('close', () => (picture ? picture.then(resolve, reject) : unreadable()));
    form.on('error', unreadable);
    request.on('aborted', unreadable);
    request.pipe(form);
  }).finally(() => {
    // What is left of a form that is refused is taken in and dropped: the line stays of use.
    request.unpipe();
    request.resume();
  });
}
