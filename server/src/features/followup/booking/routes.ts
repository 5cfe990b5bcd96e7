import { BookingFields } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import type { Reach } from '../../../platform/outside';
import { notFound } from '../../../platform/problem';
import { Routes } from '../../../platform/routes';
import { whoIs } from '../../../platform/session';
import { Account } from '../../account';
import { callOff } from './book';
import { BookingRulesRecord } from './entities';
import { bookingStanding, saveBookingRules } from './service';

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
      const who = whoIs(request);
      const { accountId } = who;
      const account = await database.getRepository(Account).findOneOrFail({ where: { id: accountId }, relations: { workspace: true } }); // prettier-ignore
      const place = (await database.getRepository(BookingRulesRecord).findOneBy({ accountId }))?.place ?? '';
      const whose = { ...who, country: account.workspace!.country };
      const isThere = await callOff(database, whose, id, { name: account.name, place, publicAddress: reach.publicAddress }, new Date()); // prettier-ignore
      if (!isThere) throw notFound('This talk');
      response.status(204).end();
    });
}
