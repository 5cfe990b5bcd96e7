import {
  BusinessTakenQuery,
  CompaniesTakenQuery,
  ImportMapping,
  ImportQuery,
  ImportRowsQuery,
  ImportRowSettled,
  ImportRun,
  MAX_IMPORT_BYTES,
  ShareFields,
  ShareOpened,
  TableBackQuery,
  TakeOutColumnsRequest,
  TakeOutQuery,
  TakeOutRequest,
  VcardQuery,
} from '@dossier/contract';
import { toVcard } from '@dossier/core/exchange';
import express, { Router } from 'express';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { notFound } from '../../platform/problem';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { storage } from '../../platform/storage';
import { inSnapshot } from '../../platform/workspaceScope';
import { loadPerson } from '../people';
import { Card } from '../reading';
import { beginImport, cancelImport, mapImport, runImport, settleRow, undoImport } from './bringIn/bringIn';
import { importRows, importState, latestImports } from './bringIn/importState';
import { bringBusinessBack } from './business/bringBack';
import { takeBusinessOut } from './business/takeOut';
import { bringCompaniesBack } from './companies/bringBack';
import { takeCompaniesOut } from './companies/takeOut';
import { fileName } from './fileName';
import { listedOf } from './takeOut/chosenPeople';
import { takeOutEverything } from './takeOut/everything';
import { columnsFor, takeOut } from './takeOut/takeOut';
import { endShare, listShares, openedShare, share } from './shares';

const Id = z.object({ id: z.uuid() });
const RowId = Id.extend({ number: z.coerce.number().int().min(0) });
/** Whatever it says it is: what it is is told by its bytes. */
const fileBytes = express.raw({ type: () => true, limit: MAX_IMPORT_BYTES });
const bytesOf = ({ body }: { body: unknown }): Uint8Array => (Buffer.isBuffer(body) ? body : new Uint8Array());

/** Opening a link: nobody is signed in. Its secret stands in no address, so that no log keeps it. */
export const shareRoutes = (database: DataSource): Router =>
  Router().post('/shares/opened', async (request, response) => {
    response.json(await openedShare(database, ShareOpened.parse(request.body).token));
  });

export function exchangeRoutes(database: DataSource): Routes {
  return new Routes()
    .get('/people/export', 'takeOut', async (request, response) => {
      const query = TakeOutQuery.parse(request.query);
      await takeOut(database, whoIs(request), { listed: listedOf(query) }, query, response);
    })
    .post('/people/export', 'takeOut', async (request, response) => {
      const { who, ...how } = TakeOutRequest.parse(request.body);
      await takeOut(database, whoIs(request), who, how, response);
    })
    .post('/people/export/columns', 'takeOut', async (request, response) => {
      const { who } = TakeOutColumnsRequest.parse(request.body);
      response.json(await columnsFor(database, whoIs(request), who));
    })
    .get('/business/export', 'takeOut', async (request, response) => {
      await takeBusinessOut(database, whoIs(request), BusinessTakenQuery.parse(request.query), response);
    })
    .post('/business/import', 'takeOut', fileBytes, async (request, response) => {
      const { preview } = TableBackQuery.parse(request.query);
      response.json(await bringBusinessBack(database, whoIs(request), bytesOf(request), preview === '1'));
    })
    .get('/companies/export', 'takeOut', async (request, response) => {
      await takeCompaniesOut(database, whoIs(request), CompaniesTakenQuery.parse(request.query), response);
    })
    .post('/companies/import', 'takeOut', fileBytes, async (request, response) => {
      const { preview } = TableBackQuery.parse(request.query);
      response.json(await bringCompaniesBack(database, whoIs(request), bytesOf(request), preview === '1'));
    })
    .get('/imports', 'takeOut', async (request, response) => {
      response.json(await latestImports(database, whoIs(request)));
    })
    .post('/imports', 'takeOut', fileBytes, async (request, response) => {
      const { name } = ImportQuery.parse(request.query);
      const id = await beginImport(database, whoIs(request), name, bytesOf(request));
      response.status(201).json(await importState(database, whoIs(request), id));
    })
    .get('/imports/:id', 'takeOut', async (request, response) => {
      response.json(await importState(database, whoIs(request), Id.parse(request.params).id));
    })
    .put('/imports/:id/mapping', 'takeOut', async (request, response) => {
      const { id } = Id.parse(request.params);
      await mapImport(database, whoIs(request), id, ImportMapping.parse(request.body));
      response.json(await importState(database, whoIs(request), id));
    })
    .post('/imports/:id/run', 'takeOut', async (request, response) => {
      const { id } = Id.parse(request.params);
      await runImport(database, whoIs(request), id, ImportRun.parse(request.query).dry === '1');
      response.status(202).json(await importState(database, whoIs(request), id));
    })
    .post('/imports/:id/cancel', 'takeOut', async (request, response) => {
      const { id } = Id.parse(request.params);
      await cancelImport(database, whoIs(request), id);
      response.json(await importState(database, whoIs(request), id));
    })
    .post('/imports/:id/undo', 'takeOut', async (request, response) => {
      const { id } = Id.parse(request.params);
      await undoImport(database, whoIs(request), id);
      response.status(202).json(await importState(database, whoIs(request), id));
    })
    .get('/imports/:id/rows', 'takeOut', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.json(await importRows(database, whoIs(request), id, ImportRowsQuery.parse(request.query)));
    })
    .post('/imports/:id/rows/:number', 'takeOut', async (request, response) => {
      const { id, number } = RowId.parse(request.params);
      await settleRow(database, whoIs(request), id, number, ImportRowSettled.parse(request.body));
      response.status(204).end();
    })
    .get('/people/:id/everything', 'takeOut', async (request, response) => {
      await takeOutEverything(database, whoIs(request), Id.parse(request.params).id, response);
    })
    .get('/people/:id/shares', 'see', async (request, response) => {
      response.json(await listShares(database, whoIs(request), Id.parse(request.params).id));
    })
    .post('/people/:id/shares', 'edit', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.status(201).json(await share(database, whoIs(request), id, ShareFields.parse(request.body).days));
    })
    .delete('/shares/:id', 'edit', async (request, response) => {
      await endShare(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .get('/people/:id/vcard', 'see', async (request, response) => {
      const { id } = Id.parse(request.params);
      const { version, picture } = VcardQuery.parse(request.query);
      const { person, photo } = await inSnapshot(database, whoIs(request).workspaceId, async (manager) => {
        const found = await loadPerson(manager, id);
        if (!found) throw notFound('This person');
        const [cardId] = found.cardIds;
        const card = picture === '1' && cardId ? await manager.findOneBy(Card, { id: cardId }) : null;
        return { person: found, photo: card?.fileId ? await storage.get(manager, card.fileId) : undefined };
      });
      const text = toVcard(person.fields, {
        version,
        uid: person.id,
        revision: new Date(person.updatedAt),
        note: person.notes[0]?.text,
        photos: photo ? [photo.bytes.toString('base64')] : [],
      });
      response
        .set('Content-Disposition', `attachment; filename="${fileName(person.fullName)}.vcf"`)
        .type('text/vcard; charset=utf-8')
        .send(text);
    });
}
