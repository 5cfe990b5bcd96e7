import { AllowedOrigins, NewToken } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { allowedOrigins, listTokens, makeToken, revokeToken } from './apiTokens';
import { saveAllowedOrigins } from './settings';

const Id = z.object({ id: z.uuid() });

/** What lets programs in, and pages of others. */
export const apiTokenRoutes = (database: DataSource): Routes =>
  new Routes()
    .get('/tokens', 'connect', async (request, response) => {
      response.json(await listTokens(database, whoIs(request)));
    })
    .post('/tokens', 'connect', async (request, response) => {
      const made = await makeToken(database, whoIs(request), NewToken.parse(request.body));
      response.status(201).set('Cache-Control', 'no-store').json(made);
    })
    .delete('/tokens/:id', 'connect', async (request, response) => {
      await revokeToken(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .get('/allowed-origins', 'connect', async (request, response) => {
      response.json({ origins: await allowedOrigins(database, whoIs(request)) });
    })
    .put('/allowed-origins', 'connect', async (request, response) => {
      await saveAllowedOrigins(database, whoIs(request), AllowedOrigins.parse(request.body).origins);
      response.status(204).end();
    });
