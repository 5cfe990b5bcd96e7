import { MapQuery, OwnPlaceFields, TownsQuery } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { Routes } from '../../../platform/routes';
import { whoIs } from '../../../platform/session';
import { forgetPlace, ownPlaces, sayWhere, townsLike } from './ownPlaces';
import { peopleMap } from './peopleMap';

/** Where people are, and where places are that only the team knows. */
export const mapRoutes = (database: DataSource): Routes =>
  new Routes()
    .get('/people/map', 'see', async (request, response) => {
      response.json(await peopleMap(database, whoIs(request), MapQuery.parse(request.query)));
    })
    .get('/towns', 'see', async (request, response) => {
      response.json(await townsLike(TownsQuery.parse(request.query).q));
    })
    .get('/own-places', 'see', async (request, response) => {
      response.json(await ownPlaces(database, whoIs(request)));
    })
    .put('/own-places', 'edit', async (request, response) => {
      await sayWhere(database, whoIs(request), OwnPlaceFields.parse(request.body));
      response.status(204).end();
    })
    .delete('/own-places/:id', 'edit', async (request, response) => {
      await forgetPlace(database, whoIs(request), z.object({ id: z.uuid() }).parse(request.params).id);
      response.status(204).end();
    });
