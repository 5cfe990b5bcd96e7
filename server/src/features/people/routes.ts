import { FileCard, PeopleQuery, SuggestionQuery } from '@dossier/contract';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { notFound, ProblemError } from '../../platform/problem';
import { whoIs } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { fileCard } from './fileCard';
import { findPeople } from './findPeople';
import { loadPerson } from './loadPerson';
import { suggest } from './suggest';

const Id = z.object({ id: z.uuid() });

export function peopleRoutes(database: DataSource): Router {
  return Router()
    .get('/people', async (request, response) => {
      response.json(await findPeople(database, whoIs(request), PeopleQuery.parse(request.query)));
    })
    .get('/suggestions', async (request, response) => {
      response.json({ items: await suggest(database, whoIs(request), SuggestionQuery.parse(request.query)) });
    })
    .post('/people', async (request, response) => {
      const key = request.get('idempotency-key');
      if (!key || key.length > 100) {
        throw new ProblemError(400, 'no-key', 'Something is missing', 'The header Idempotency-Key is missing.');
      }
      const filed = await fileCard(database, whoIs(request), key, FileCard.parse(request.body));
      response.status(filed.outcome === 'created' ? 201 : 200).json(filed);
    })
    .get('/people/:id', async (request, response) => {
      const { id } = Id.parse(request.params);
      const person = await inWorkspace(database, whoIs(request).workspaceId, (manager) => loadPerson(manager, id));
      if (!person) throw notFound('This person');
      response.json(person);
    });
}
