import { DeviceSettings, NewDevice } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { Routes } from '../../../platform/routes';
import { whoIs } from '../../../platform/session';
import { addDevice, listDevices, removeDevice, setDevicesDelete } from './devices';

/** Which devices keep address books in step. */
export const deviceRoutes = (database: DataSource, publicAddress: string | undefined): Routes =>
  new Routes()
    .get('/devices', 'see', async (request, response) => {
      response.json(await listDevices(database, whoIs(request), publicAddress));
    })
    .post('/devices', 'see', async (request, response) => {
      const made = await addDevice(database, whoIs(request), NewDevice.parse(request.body));
      response.status(201).set('Cache-Control', 'no-store').json(made);
    })
    .delete('/devices/:id', 'see', async (request, response) => {
      await removeDevice(database, whoIs(request), z.object({ id: z.uuid() }).parse(request.params).id);
      response.status(204).end();
    })
    .put('/device-settings', 'settle', async (request, response) => {
      await setDevicesDelete(database, whoIs(request), DeviceSettings.parse(request.body).devicesDelete);
      response.status(204).end();
    });
