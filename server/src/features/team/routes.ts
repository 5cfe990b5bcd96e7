import { Invitation, LinkOpened, LinkUsed, OutOfUse, RoleChange } from '@dossier/contract';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { keepToken } from '../account';
import { comeIn, holderOf } from './links';
import { callOff, changeRole, invite, linkForPassword, listMembers, takeBackIntoUse, takeOutOfUse } from './members';

/** Coming in by a link: nobody is signed in yet. The link's secret stands in no address, so that no log keeps it. */
export const linkRoutes = (database: DataSource): Router =>
  Router()
    .post('/links/opened', async (request, response) => {
      response.json(await holderOf(database, LinkOpened.parse(request.body).token));
    })
    .post('/links/used', async (request, response) => {
      keepToken(request, response, await comeIn(database, LinkUsed.parse(request.body)));
      response.status(201).end();
    });

export const memberRoutes = (database: DataSource): Routes =>
  new Routes()
    .get('/members', 'invite', async (request, response) => {
      response.json(await listMembers(database, whoIs(request)));
    })
    .post('/invitations', 'invite', async (request, response) => {
      response.status(201).json(await invite(database, whoIs(request), Invitation.parse(request.body)));
    })
    .delete('/invitations/:id', 'invite', async (request, response) => {
      await callOff(database, whoIs(request), z.uuid().parse(request.params.id));
      response.status(204).end();
    })
    .patch('/members/:id', 'invite', async (request, response) => {
      const { role } = RoleChange.parse(request.body);
      await changeRole(database, whoIs(request), z.uuid().parse(request.params.id), role);
      response.status(204).end();
    })
    .post('/members/:id/password-link', 'invite', async (request, response) => {
      response.status(201).json(await linkForPassword(database, whoIs(request), z.uuid().parse(request.params.id)));
    })
    .post('/members/:id/out-of-use', 'invite', async (request, response) => {
      const { handTo } = OutOfUse.parse(request.body);
      response.json(await takeOutOfUse(database, whoIs(request), z.uuid().parse(request.params.id), handTo));
    })
    .delete('/members/:id/out-of-use', 'invite', async (request, response) => {
      await takeBackIntoUse(database, whoIs(request), z.uuid().parse(request.params.id));
      response.status(204).end();
    });
