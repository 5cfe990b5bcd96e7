import { MAX_PHOTO_BYTES, OccasionFields, PhotoUpload } from '@dossier/contract';
import express from 'express';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { sendPicture } from '../../platform/pictures';
import { ProblemError } from '../../platform/problem';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { listOccasions, saveOccasion } from './occasions';
import { latestBatch, photoPicture, receivePhoto } from './service';
import { smallPicture } from './smallPictures';

const Id = z.object({ id: z.uuid() });
const PictureSize = z.object({ size: z.enum(['full', 'display', 'thumbnail']).default('full') });

export function captureRoutes(database: DataSource): Routes {
  const picture = express.raw({ type: () => true, limit: MAX_PHOTO_BYTES });
  return new Routes()
    .put('/photos/:id', 'capture', picture, async (request, response) => {
      const { id } = Id.parse(request.params);
      const { takenAt, occasion, backOf, file } = PhotoUpload.parse(request.query);
      if (!Buffer.isBuffer(request.body) || request.body.length === 0) {
        throw new ProblemError(400, 'empty', 'Empty file', 'This file is empty. Choose another one.');
      }
      const { photo, created } = await receivePhoto(database, whoIs(request), {
        id,
        takenAt,
        bytes: request.body,
        occasionId: occasion,
        backOf,
        onceOnly: file === '1',
      });
      response.status(created ? 201 : 200).json(photo);
    })
    .get('/batches/latest', 'see', async (request, response) => {
      response.json({ batch: await latestBatch(database, whoIs(request)) });
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
