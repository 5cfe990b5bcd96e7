import { DeliveriesQuery, EventsQuery, WebhookChange, WebhookFields } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import type { Reach } from '../../../platform/outside';
import { Routes } from '../../../platform/routes';
import { whoIs } from '../../../platform/session';
import { refusePrivate } from '../../../platform/refusePrivate';
import { eventsPage } from '../events/feed';
import { addWebhook, changeSecret, changeWebhook, deliveriesOf, listWebhooks, removeWebhook, repeatDelivery, repeatFailed, tryWebhook } from './webhooks'; // prettier-ignore

const Id = z.object({ id: z.uuid() });

/** What happens, for whoever asks, and for whoever is told. */
export const eventRoutes = (database: DataSource, { sealing, allowed }: Reach): Routes =>
  new Routes()
    .get('/events', 'see', async (request, response) => {
      response.json(await eventsPage(database, whoIs(request), EventsQuery.parse(request.query)));
    })
    .get('/webhooks', 'connect', async (request, response) => {
      response.json(await listWebhooks(database, whoIs(request)));
    })
    .post('/webhooks', 'connect', async (request, response) => {
      const fields = WebhookFields.parse(request.body);
      refusePrivate(fields.url, allowed, 'url');
      const made = await addWebhook(database, sealing, whoIs(request), fields);
      response.status(201).set('Cache-Control', 'no-store').json(made);
    })
    .put('/webhooks/:id', 'connect', async (request, response) => {
      const { id } = Id.parse(request.params);
      const change = WebhookChange.parse(request.body);
      refusePrivate(change.url, allowed, 'url');
      await changeWebhook(database, whoIs(request), id, change);
      response.status(204).end();
    })
    .delete('/webhooks/:id', 'connect', async (request, response) => {
      await removeWebhook(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .post('/webhooks/:id/secret', 'connect', async (request, response) => {
      const made = await changeSecret(database, sealing, whoIs(request), Id.parse(request.params).id);
      response.status(201).set('Cache-Control', 'no-store').json(made);
    })
    .post('/webhooks/:id/try', 'connect', async (request, response) => {
      response.status(202).json(await tryWebhook(database, whoIs(request), Id.parse(request.params).id));
    })
    .post('/webhooks/:id/repeat', 'connect', async (request, response) => {
      response.status(202).json(await repeatFailed(database, whoIs(request), Id.parse(request.params).id));
    })
    .get('/webhooks/:id/deliveries', 'connect', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.json(await deliveriesOf(database, whoIs(request), id, DeliveriesQuery.parse(request.query)));
    })
    .post('/webhook-deliveries/:id/repeat', 'connect', async (request, response) => {
      response.status(202).json(await repeatDelivery(database, whoIs(request), Id.parse(request.params).id));
    });
