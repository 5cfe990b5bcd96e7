import { OwnCardFields, OwnCardSending } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { sendPicture } from '../../../platform/pictures';
import { Routes } from '../../../platform/routes';
import { whoIs } from '../../../platform/session';
import { sendOwnCard, sendToCard } from './send';
import { endPage, makePage, ownCard, ownPicture, removeOwnPicture, saveOwnCard, saveOwnPicture } from './service';

const idIn = ({ params }: { params: unknown }): string => z.object({ id: z.uuid() }).parse(params).id;

/** One's own card: what it says, its page, and to whom it goes. */
export function ownCardRoutes(database: DataSource, publicAddress: string | undefined): Routes {
  return new Routes()
    .get('/own-card', 'see', async (request, response) => {
      response.json(await ownCard(database, whoIs(request), publicAddress));
    })
    .put('/own-card', 'see', async (request, response) => {
      await saveOwnCard(database, whoIs(request), OwnCardFields.parse(request.body));
      response.status(204).end();
    })
    .get('/own-card/picture', 'see', async (request, response) => {
      sendPicture(request, response, await ownPicture(database, whoIs(request)));
    })
    .put('/own-card/picture', 'see', async (request, response) => {
      await saveOwnPicture(database, whoIs(request), request);
      response.status(204).end();
    })
    .delete('/own-card/picture', 'see', async (request, response) => {
      await removeOwnPicture(database, whoIs(request));
      response.status(204).end();
    })
    .post('/own-card/page', 'see', async (request, response) => {
      await makePage(database, whoIs(request));
      response.status(201).json(await ownCard(database, whoIs(request), publicAddress));
    })
    .delete('/own-card/page', 'see', async (request, response) => {
      await endPage(database, whoIs(request));
      response.status(204).end();
    })
    .post('/people/:id/own-card', 'write', async (request, response) => {
      const { id } = OwnCardSending.parse(request.body);
      response.status(201).json(await sendOwnCard(database, whoIs(request), idIn(request), { id, publicAddress }));
    })
    .post('/cards/:id/own-card', 'write', async (request, response) => {
      const { id } = OwnCardSending.parse(request.body);
      response.status(201).json(await sendToCard(database, whoIs(request), idIn(request), { id, publicAddress }));
    });
}
