import {
  BackPairs,
  CardsChange,
  OccasionMove,
  OutlinesChange,
  PhotosQuery,
  ReadAgain,
  SecondLookAnswer,
  SecondLookRequest,
  SecondLooksSeen,
  TrayQuery,
} from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import type { TrayEvents } from '../../platform/trayEvents';
import { isSessionOpen } from '../account';
import { backsOfPhoto, joinBacks } from './backsByPosition';
import { latestBatch } from './batches';
import { changeCards } from './changeCards';
import { moveToOccasion } from './moveToOccasion';
import { changeOutlines, nothingMissed, outlinesOf } from './outlines';
import { discardPhoto, photosNamed } from './photos';
import { readAgain } from './readAgain';
import { answerSecondLook, askForSecondLook, markSecondLooksSeen, secondLooksOf } from './secondLooks';
import { listTray, trayRun } from './tray';

/** Proxies close silent connections after about a minute. */
const KEEP_ALIVE_MS = 25_000;

export function trayRoutes(database: DataSource, events: TrayEvents): Routes {
  return new Routes()
    .get('/tray', 'see', async (request, response) => {
      response.json(await listTray(database, whoIs(request), TrayQuery.parse(request.query)));
    })
    .get('/batches/latest', 'see', async (request, response) => {
      response.json({ batch: await latestBatch(database, whoIs(request)) });
    })
    .get('/tray/run', 'see', async (request, response) => {
      response.json(await trayRun(database, whoIs(request), TrayQuery.parse(request.query)));
    })
    .get('/tray/events', 'see', (request, response) => {
      const { workspaceId, session } = whoIs(request);
      response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
      response.flushHeaders();
      response.write('retry: 2000\n\n');
      const stop = events.subscribe({
        workspaceId,
        session,
        hear: (event) => response.write(`data: ${JSON.stringify(event)}\n\n`),
        end: () => response.end(),
      });
      const beat = setInterval(() => {
        response.write(': still here\n\n');
        // A session that has run out ends its stream too; without a database nobody can say.
        void isSessionOpen(database, session).then(
          (open) => open || response.end(),
          () => undefined,
        );
      }, KEEP_ALIVE_MS);
      response.on('close', () => {
        clearInterval(beat);
        stop();
      });
    })
    .get('/photos', 'see', async (request, response) => {
      response.json({ items: await photosNamed(database, whoIs(request), PhotosQuery.parse(request.query).ids) });
    })
    .delete('/photos/:id', 'capture', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await discardPhoto(database, whoIs(request), id);
      response.status(204).end();
    })
    .get('/photos/:id/outlines', 'see', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      response.json(await outlinesOf(database, whoIs(request), id));
    })
    .put('/photos/:id/outlines', 'prove', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await changeOutlines(database, whoIs(request), id, OutlinesChange.parse(request.body));
      response.status(204).end();
    })
    .delete('/photos/:id/perhaps', 'prove', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await nothingMissed(database, whoIs(request), id);
      response.status(204).end();
    })
    .get('/photos/:id/backs', 'see', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      response.json(await backsOfPhoto(database, whoIs(request), id));
    })
    .put('/photos/:id/backs', 'prove', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await joinBacks(database, whoIs(request), id, BackPairs.parse(request.body).pairs);
      response.status(204).end();
    })
    .post('/cards/read-again', 'prove', async (request, response) => {
      await readAgain(database, whoIs(request), ReadAgain.parse(request.body));
      response.status(202).end();
    })
    .get('/second-looks', 'see', async (request, response) => {
      response.json(await secondLooksOf(database, whoIs(request)));
    })
    .post('/second-looks', 'prove', async (request, response) => {
      await askForSecondLook(database, whoIs(request), SecondLookRequest.parse(request.body));
      response.status(204).end();
    })
    .put('/second-looks/seen', 'prove', async (request, response) => {
      await markSecondLooksSeen(database, whoIs(request), SecondLooksSeen.parse(request.body).ids);
      response.status(204).end();
    })
    .put('/cards/:id/second-look/answer', 'prove', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await answerSecondLook(database, whoIs(request), id, SecondLookAnswer.parse(request.body).answer);
      response.status(204).end();
    })
    .patch('/cards', 'prove', async (request, response) => {
      await changeCards(database, whoIs(request), CardsChange.parse(request.body));
      response.status(204).end();
    })
    .put('/tray/occasion', 'prove', async (request, response) => {
      await moveToOccasion(database, whoIs(request), OccasionMove.parse(request.body));
      response.status(204).end();
    });
}
