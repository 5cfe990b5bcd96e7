import { OccasionFields, PhotoUpload } from '@dossier/contract';
import express from 'express';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { sendPicture } from '../../platform/pictures';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { listOccasions, saveOccasion } from './occasions';
import { howMuchOf, partsOf } from './photoParts';
import { receiveBytes } from './receiveBytes';
import { photoPicture, receivePhoto } from './service';
import { smallPicture } from './smallPictures';

const Id = z.object({ id: z.uuid() });
const PictureSize = z.object({ size: z.enum(['full', 'display', 'thumbnail']).default('full') });

export function captureRoutes(database: DataSource): Routes {
  return new Routes()
    .put('/photos/:id', 'capture', async (request, response) => {
      const { id } = Id.parse(request.params);
      const { takenAt, occasion, backOf, file } = PhotoUpload.parse(request.query);
      const who = whoIs(request);
      const { photo, created } = await receivePhoto(database, who, {
        id,
        takenAt,
        bytes: await receiveBytes(request, partsOf(database, who, id)),
        occasionId: occasion,
        backOf,
        onceOnly: file === '1',
      });
      response.status(created ? 201 : 200).json(photo);
    })
    .get('/photos/:id/received', 'capture', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.json(await howMuchOf(database, whoIs(request), id));
    })
    .get('/occasions', 'see', async (request, response) => {
      response.json({ items: await listOccasions(database, whoIs(request)) });
    })
    .put('/occasions/:id', 'capture', express.json({ limit: '64kb' }), async (request, response) => {
      const { id } = Id.parse(request.params);
      await saveOccasion(database, whoIs(request), id, OccasionFields.parse(request.body));
      response.status(204).end();
    })
    .get('/photos/:id/picture', 'see', async (request, response) => {
      const { id } = Id.parse(request.params);
      const { size } = PictureSize.parse(request.query);
      const who = whoIs(request);
      sendPicture(
        request,
        response,
        await (size === 'full' ? photoPicture(database, who, id) : smallPicture(database, who, id, size)),
      );
    });
}
