import { CompaniesQuery, CompanyMerge, CompanyNoteFields, CompanyRename, PeopleMove } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { mergeCompanies, movePeople, renameCompany, undoCompanyAct } from './changeCompany';
import { findCompanies } from './findCompanies';
import { loadCompany } from './loadCompany';
import { companyLogo } from './logo';
import { addCompanyNote, changeCompanyNote, removeCompanyNote } from './notes';

const Id = z.object({ id: z.uuid() });

export function companyRoutes(database: DataSource): Routes {
  return new Routes()
    .get('/companies', 'see', async (request, response) => {
      response.json(await findCompanies(database, whoIs(request), CompaniesQuery.parse(request.query)));
    })
    .get('/companies/:id', 'see', async (request, response) => {
      response.json(await loadCompany(database, whoIs(request), Id.parse(request.params).id));
    })
    .get('/companies/:id/logo', 'see', async (request, response) => {
      response.json(await companyLogo(database, whoIs(request), Id.parse(request.params).id));
    })
    .put('/companies/:id', 'edit', async (request, response) => {
      await renameCompany(database, whoIs(request), Id.parse(request.params).id, CompanyRename.parse(request.body));
      response.status(204).end();
    })
    .post('/companies/:id/merge', 'merge', async (request, response) => {
      await mergeCompanies(database, whoIs(request), Id.parse(request.params).id, CompanyMerge.parse(request.body));
      response.status(204).end();
    })
    .post('/companies/:id/people/move', 'edit', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.json({ id: await movePeople(database, whoIs(request), id, PeopleMove.parse(request.body)) });
    })
    .post('/company-acts/:id/undo', 'edit', async (request, response) => {
      await undoCompanyAct(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .post('/companies/:id/notes', 'edit', async (request, response) => {
      const { text } = CompanyNoteFields.parse(request.body);
      const id = await addCompanyNote(database, whoIs(request), Id.parse(request.params).id, text);
      response.status(201).json({ id });
    })
    .put('/company-notes/:id', 'edit', async (request, response) => {
      const { text } = CompanyNoteFields.parse(request.body);
      await changeCompanyNote(database, whoIs(request), Id.parse(request.params).id, text);
      response.status(204).end();
    })
    .delete('/company-notes/:id', 'edit', async (request, response) => {
      await removeCompanyNote(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    });
}
