import { AddressBlock, AreaToRead, BackChange, DraftChange } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { sendPicture } from '../../platform/pictures';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { readAreaOf } from '../reading';
import { joinBack, takeBackOff } from '../tray';
import { addressPartsIn, cardPicture, cardToProve, keepDraft } from './service';
import { personSources } from './sources';

const Id = z.object({ id: z.uuid() });
const Size = z.object({ size: z.enum(['full', 'thumbnail']).default('full') });

export function proofRoutes(database: DataSource): Routes {
  return new Routes()
    .get('/cards/:id', 'see', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.json(await cardToProve(database, whoIs(request), id));
    })
    .get('/cards/:id/picture', 'see', async (request, response) => {
      const { id } = Id.parse(request.params);
      const { size } = Size.parse(request.query);
      sendPicture(request, response, await cardPicture(database, whoIs(request), id, size));
    })
    .get('/people/:id/sources', 'see', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.json(await personSources(database, whoIs(request), id));
    })
    .post('/address-parts', 'prove', async (request, response) => {
      response.json({ parts: await addressPartsIn(AddressBlock.parse(request.body)) });
    })
    .put('/cards/:id/draft', 'prove', async (request, response) => {
      const { id } = Id.parse(request.params);
      const version = await keepDraft(database, whoIs(request), id, DraftChange.parse(request.body));
      response.json({ version });
    })
    .post('/cards/:id/areas', 'prove', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.json({ lines: await readAreaOf(database, whoIs(request), id, AreaToRead.parse(request.body)) });
    })
    .put('/cards/:id/back', 'prove', async (request, response) => {
      const { id } = Id.parse(request.params);
      await joinBack(database, whoIs(request), id, BackChange.parse(request.body).cardId);
      response.status(204).end();
    })
    .delete('/cards/:id/back', 'prove', async (request, response) => {
      await takeBackOff(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    });
}
