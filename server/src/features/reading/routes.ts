import {
  BackPairs,
  CardsChange,
  LearnedChange,
  OccasionMove,
  OutlinesChange,
  OwnFields,
  PictureSettings,
  ReadAgain,
  ReadingSettings,
  SecondLookAnswer,
  SecondLookRequest,
  SecondLooksSeen,
  TextCard,
  TrayQuery,
} from '@dossier/contract';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { Workspace } from '../../platform/entities';
import { inWorkspace } from '../../platform/workspaceScope';
import { whoIs } from '../../platform/session';
import type { TrayEvents } from '../../platform/trayEvents';
import { backsOfPhoto, joinBacks } from './backsByPosition';
import { changeCards } from './changeCards';
import { listLearned, revokeLearned } from './learning';
import { moveToOccasion } from './moveToOccasion';
import { changeOutlines, outlinesOf } from './outlines';
import { readAgain } from './readAgain';
import { answerSecondLook, askForSecondLook, markSecondLooksSeen, secondLooksOf } from './secondLooks';
import { keepTextCard } from './textCards';
import { removePicturesSoon } from './removePictures';
import { listTray } from './tray';

/** Proxies close silent connections after about a minute. */
const KEEP_ALIVE_MS = 25_000;

export function trayRoutes(database: DataSource, events: TrayEvents): Router {
  return Router()
    .get('/tray', async (request, response) => {
      response.json(await listTray(database, whoIs(request), TrayQuery.parse(request.query)));
    })
    .get('/tray/events', (request, response) => {
      const { workspaceId } = whoIs(request);
      response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
      response.flushHeaders();
      response.write('retry: 2000\n\n');
      const stop = events.subscribe(workspaceId, (event) => response.write(`data: ${JSON.stringify(event)}\n\n`));
      const beat = setInterval(() => response.write(': still here\n\n'), KEEP_ALIVE_MS);
      request.on('close', () => {
        clearInterval(beat);
        stop();
      });
    })
    .put('/cards/:id/text', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await keepTextCard(database, whoIs(request), id, TextCard.parse(request.body));
      response.status(201).json({ cardId: id });
    })
    .get('/photos/:id/outlines', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      response.json(await outlinesOf(database, whoIs(request), id));
    })
    .put('/photos/:id/outlines', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await changeOutlines(database, whoIs(request), id, OutlinesChange.parse(request.body));
      response.status(204).end();
    })
    .get('/photos/:id/backs', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      response.json(await backsOfPhoto(database, whoIs(request), id));
    })
    .put('/photos/:id/backs', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await joinBacks(database, whoIs(request), id, BackPairs.parse(request.body).pairs);
      response.status(204).end();
    })
    .post('/cards/read-again', async (request, response) => {
      await readAgain(database, whoIs(request), ReadAgain.parse(request.body));
      response.status(202).end();
    })
    .get('/second-looks', async (request, response) => {
      response.json(await secondLooksOf(database, whoIs(request)));
    })
    .post('/second-looks', async (request, response) => {
      await askForSecondLook(database, whoIs(request), SecondLookRequest.parse(request.body));
      response.status(204).end();
    })
    .put('/second-looks/seen', async (request, response) => {
      await markSecondLooksSeen(database, whoIs(request), SecondLooksSeen.parse(request.body).ids);
      response.status(204).end();
    })
    .put('/cards/:id/second-look/answer', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await answerSecondLook(database, whoIs(request), id, SecondLookAnswer.parse(request.body).answer);
      response.status(204).end();
    })
    .patch('/cards', async (request, response) => {
      await changeCards(database, whoIs(request), CardsChange.parse(request.body));
      response.status(204).end();
    })
    .put('/tray/occasion', async (request, response) => {
      await moveToOccasion(database, whoIs(request), OccasionMove.parse(request.body));
      response.status(204).end();
    })
    .get('/learned', async (request, response) => {
      response.json({ items: await listLearned(database, whoIs(request)) });
    })
    .patch('/learned/:id', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await revokeLearned(database, whoIs(request), id, LearnedChange.parse(request.body).revoked);
      response.status(204).end();
    })
    .put('/picture-settings', async (request, response) => {
      const { workspaceId } = whoIs(request);
      const settings = PictureSettings.parse(request.body);
      await database.getRepository(Workspace).update({ id: workspaceId }, settings);
      await inWorkspace(database, workspaceId, (manager) => removePicturesSoon(manager, workspaceId));
      response.status(204).end();
    })
    .put('/own-fields', async (request, response) => {
      const { names } = OwnFields.parse(request.body);
      await database.getRepository(Workspace).update({ id: whoIs(request).workspaceId }, { ownFields: names });
      response.status(204).end();
    })
    .put('/reading-settings', async (request, response) => {
      const settings = ReadingSettings.parse(request.body);
      await database.getRepository(Workspace).update({ id: whoIs(request).workspaceId }, settings);
      response.status(204).end();
    });
}
