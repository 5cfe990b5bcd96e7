import { BookingFields } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import type { Reach } from '../../../platform/outside';
import { Routes } from '../../../platform/routes';
import { whoIs } from '../../../platform/session';
import { bookingStanding, callOffOwn, saveBookingRules } from './service';

/** When one lets others book a talk, and what is booked. */
export function bookingRoutes(database: DataSource, reach: Reach): Routes {
  return new Routes()
    .get('/booking', 'see', async (request, response) => {
      response.json(await bookingStanding(database, whoIs(request)));
    })
    .put('/booking', 'see', async (request, response) => {
      await saveBookingRules(database, reach, whoIs(request), BookingFields.parse(request.body));
      response.status(204).end();
    })
    .delete('/bookings/:id', 'see', async (request, response) => {
      const { id } = z.object({ id: z.uuid() }).parse(request.params);
      await callOffOwn(database, reach.publicAddress, whoIs(request), id);
      response.status(204).end();
    });
}
