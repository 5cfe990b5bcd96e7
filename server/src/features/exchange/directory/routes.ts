import { DirectorySettingsChange, FindingsSettled, FoundQuery, LookUpRequest } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import type { Reach } from '../../../platform/outside';
import { sendPicture } from '../../../platform/pictures';
import { Routes } from '../../../platform/routes';
import { whoIs } from '../../../platform/session';
import { firmFacts, forgetFact, forgetPortrait, foundOf, foundOfMany, portraitOf, portraitPicture, settleFindings } from './findings'; // prettier-ignore
import { beginLookUp, goOnWithLookUp, lookUpState, latestLookUp, stopLookUp } from './lookUp';
import { changeDirectory, directorySettings } from './settings';

const Id = z.object({ id: z.uuid() });

/** A directory of firms and people: what it says is offered, and taken by hand. */
export const directoryRoutes = (database: DataSource, reach: Reach): Routes =>
  new Routes()
    .get('/directory-settings', 'see', async (request, response) => {
      response.json(await directorySettings(database, whoIs(request)));
    })
    .put('/directory-settings', 'connect', async (request, response) => {
      await changeDirectory(database, reach, whoIs(request), DirectorySettingsChange.parse(request.body));
      response.status(204).end();
    })
    .post('/look-ups', 'edit', async (request, response) => {
      response.status(201).json(await beginLookUp(database, whoIs(request), LookUpRequest.parse(request.body).who));
    })
    .get('/look-ups', 'see', async (request, response) => {
      response.json({ latest: await latestLookUp(database, whoIs(request)) });
    })
    .get('/look-ups/:id', 'see', async (request, response) => {
      response.json(await lookUpState(database, whoIs(request), Id.parse(request.params).id));
    })
    .post('/look-ups/:id/stop', 'edit', async (request, response) => {
      await stopLookUp(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .post('/look-ups/:id/go-on', 'edit', async (request, response) => {
      await goOnWithLookUp(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .get('/findings', 'see', async (request, response) => {
      response.json(await foundOfMany(database, whoIs(request), FoundQuery.parse(request.query).cursor));
    })
    .post('/findings/settled', 'edit', async (request, response) => {
      await settleFindings(database, reach, whoIs(request), FindingsSettled.parse(request.body));
      response.status(204).end();
    })
    .delete('/firm-facts/:id', 'edit', async (request, response) => {
      await forgetFact(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .get('/companies/:id/facts', 'see', async (request, response) => {
      response.json(await firmFacts(database, whoIs(request), Id.parse(request.params).id));
    })
    .get('/people/:id/findings', 'see', async (request, response) => {
      response.json(await foundOf(database, whoIs(request), Id.parse(request.params).id));
    })
    .get('/people/:id/portrait', 'see', async (request, response) => {
      response.json(await portraitOf(database, whoIs(request), Id.parse(request.params).id));
    })
    .get('/people/:id/portrait/picture', 'see', async (request, response) => {
      sendPicture(request, response, await portraitPicture(database, whoIs(request), Id.parse(request.params).id));
    })
    .delete('/people/:id/portrait', 'edit', async (request, response) => {
      await forgetPortrait(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    });
