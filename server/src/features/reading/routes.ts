import { LearnedChange, TextCard } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { listLearned, revokeLearned } from './learning';
import { keepTextCard } from './textCards';

/** What is read without a picture, and what reading has learned. */
export const readingRoutes = (database: DataSource): Routes =>
  new Routes()
    .put('/cards/:id/text', 'capture', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await keepTextCard(database, whoIs(request), id, TextCard.parse(request.body));
      response.status(201).json({ cardId: id });
    })
    .get('/learned', 'see', async (request, response) => {
      response.json({ items: await listLearned(database, whoIs(request)) });
    })
    .patch('/learned/:id', 'settle', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await revokeLearned(database, whoIs(request), id, LearnedChange.parse(request.body).revoked);
      response.status(204).end();
    });
