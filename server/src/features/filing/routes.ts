import { FileCard, PersonIds } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { ProblemError } from '../../platform/problem';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { listFiledByItself, markSeen } from './byItself';
import { fileCard } from './fileCard';
import { takeBack, takeOneBack } from './takeBack';

const Id = z.object({ id: z.uuid() });

export const filingRoutes = (database: DataSource): Routes =>
  new Routes()
    .post('/people', 'file', async (request, response) => {
      const key = request.get('idempotency-key');
      if (!key || key.length > 100) {
        throw new ProblemError(400, 'no-key', 'Something is missing', 'The header Idempotency-Key is missing.');
      }
      const filed = await fileCard(database, whoIs(request), key, FileCard.parse(request.body));
      response.status(filed.outcome === 'created' ? 201 : 200).json(filed);
    })
    .post('/people/:id/take-back', 'file', async (request, response) => {
      await takeOneBack(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .get('/filed-by-itself', 'see', async (request, response) => {
      response.json(await listFiledByItself(database, whoIs(request)));
    })
    .post('/filed-by-itself/seen', 'file', async (request, response) => {
      await markSeen(database, whoIs(request), PersonIds.parse(request.body).personIds);
      response.status(204).end();
    })
    .post('/filed-by-itself/take-back', 'file', async (request, response) => {
      await takeBack(database, whoIs(request), PersonIds.parse(request.body).personIds);
      response.status(204).end();
    });
