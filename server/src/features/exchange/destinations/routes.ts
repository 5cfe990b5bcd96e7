import {
  ChosenPeople,
  DestinationFields,
  HandOverDeliveriesQuery,
  HandOverMapping,
  HandOverSample,
  MappingOver,
  TheirsSettled,
} from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import type { Reach } from '../../../platform/outside';
import { Routes } from '../../../platform/routes';
import { whoIs } from '../../../platform/session';
import { destinationNames, handPeopleOver, listDeliveries, repeatDelivery, repeatHeld } from './deliveries';
import { addDestination, changeDestination, listDestinations, loadDestination, removeDestination } from './destinations'; // prettier-ignore
import { elsewhereOf, settleTheirs } from './elsewhere';
import { changeMapping, describedFields, mappingVersions, sampleOf, tryOne } from './mapping';

const Id = z.object({ id: z.uuid() });
const IdAndKind = Id.extend({ kind: z.enum(['lead', 'contact', 'company']) });

export const destinationRoutes = (database: DataSource, reach: Reach): Routes =>
  new Routes()
    .get('/destinations', 'connect', async (request, response) => {
      response.json(await listDestinations(database, whoIs(request)));
    })
    .post('/destinations', 'connect', async (request, response) => {
      const fields = DestinationFields.parse(request.body);
      response.status(201).json({ id: await addDestination(database, reach, whoIs(request), fields) });
    })
    .get('/destinations/:id', 'connect', async (request, response) => {
      response.json(await loadDestination(database, whoIs(request), Id.parse(request.params).id));
    })
    .put('/destinations/:id', 'connect', async (request, response) => {
      const { id } = Id.parse(request.params);
      await changeDestination(database, reach, whoIs(request), id, DestinationFields.parse(request.body));
      response.status(204).end();
    })
    .delete('/destinations/:id', 'connect', async (request, response) => {
      await removeDestination(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .get('/destinations/:id/fields/:kind', 'connect', async (request, response) => {
      const { id, kind } = IdAndKind.parse(request.params);
      response.json(await describedFields(database, reach, whoIs(request), id, kind));
    })
    .put('/destinations/:id/mapping', 'connect', async (request, response) => {
      const { id } = Id.parse(request.params);
      const { over } = MappingOver.parse(request.query);
      await changeMapping(database, whoIs(request), id, HandOverMapping.parse(request.body), over);
      response.status(204).end();
    })
    .post('/destinations/:id/sample', 'connect', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.json(await sampleOf(database, reach, whoIs(request), id, HandOverSample.parse(request.body)));
    })
    .get('/destinations/:id/mappings', 'connect', async (request, response) => {
      response.json(await mappingVersions(database, whoIs(request), Id.parse(request.params).id));
    })
    .post('/destinations/:id/try', 'connect', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.json(await tryOne(database, reach, whoIs(request), id, HandOverSample.parse(request.body)));
    })
    .get('/destination-names', 'see', async (request, response) => {
      response.json(await destinationNames(database, whoIs(request)));
    })
    .get('/people/:id/elsewhere', 'see', async (request, response) => {
      response.json(await elsewhereOf(database, whoIs(request), Id.parse(request.params).id));
    })
    .put('/people/:id/elsewhere/:destinationId', 'edit', async (request, response) => {
      const { id, destinationId } = Id.extend({ destinationId: z.uuid() }).parse(request.params);
      await settleTheirs(database, whoIs(request), id, destinationId, TheirsSettled.parse(request.body));
      response.status(204).end();
    })
    .post('/destinations/:id/people', 'edit', async (request, response) => {
      const { id } = Id.parse(request.params);
      const who = ChosenPeople.parse(request.body);
      response.status(202).json(await handPeopleOver(database, whoIs(request), id, who));
    })
    .post('/destinations/:id/repeat', 'connect', async (request, response) => {
      response.status(202).json(await repeatHeld(database, whoIs(request), Id.parse(request.params).id));
    })
    .get('/deliveries', 'see', async (request, response) => {
      response.json(await listDeliveries(database, whoIs(request), HandOverDeliveriesQuery.parse(request.query)));
    })
    .post('/deliveries/:id/repeat', 'edit', async (request, response) => {
      response.status(202).json(await repeatDelivery(database, whoIs(request), Id.parse(request.params).id));
    });
