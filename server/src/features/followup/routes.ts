import { NextStepFields } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { endStep, planStep } from './nextSteps';

const Id = z.object({ id: z.uuid() });

export function followupRoutes(database: DataSource): Routes {
  return new Routes()
    .post('/people/:id/steps', 'edit', async (request, response) => {
      const { id } = Id.parse(request.params);
      response
        .status(201)
        .json({ id: await planStep(database, whoIs(request), id, NextStepFields.parse(request.body)) });
    })
    .post('/steps/:id/done', 'edit', async (request, response) => {
      await endStep(database, whoIs(request), Id.parse(request.params).id, 'done');
      response.status(204).end();
    })
    .delete('/steps/:id', 'edit', async (request, response) => {
      await endStep(database, whoIs(request), Id.parse(request.params).id, 'dropped');
      response.status(204).end();
    });
}
