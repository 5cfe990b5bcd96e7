import { PictureSettings } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { previewPictureSettings } from './retention';

export const retentionRoutes = (database: DataSource): Routes =>
  new Routes().post('/picture-settings/preview', 'settle', async (request, response) => {
    response.json(await previewPictureSettings(database, whoIs(request), PictureSettings.parse(request.body)));
  });
