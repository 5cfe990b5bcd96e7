import { FilingSettings, OwnFields, PictureSettings, ReadingSettings } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { keepPast, saveFilingSettings, saveOwnFields, savePictureSettings, saveReadingSettings } from './settings';

/** Everything that a workspace can be set to. */
export const settingsRoutes = (database: DataSource): Routes =>
  new Routes()
    .put('/reading-settings', 'settle', async (request, response) => {
      await saveReadingSettings(database, whoIs(request), ReadingSettings.parse(request.body));
      response.status(204).end();
    })
    .put('/own-fields', 'settle', async (request, response) => {
      await saveOwnFields(database, whoIs(request), OwnFields.parse(request.body).names);
      response.status(204).end();
    })
    .put('/picture-settings', 'settle', async (request, response) => {
      await savePictureSettings(database, whoIs(request), PictureSettings.parse(request.body));
      response.status(204).end();
    })
    .delete('/picture-settings/past', 'settle', async (request, response) => {
      await keepPast(database, whoIs(request));
      response.status(204).end();
    })
    .put('/filing-settings', 'settle', async (request, response) => {
      await saveFilingSettings(database, whoIs(request), FilingSettings.parse(request.body));
      response.status(204).end();
    });
