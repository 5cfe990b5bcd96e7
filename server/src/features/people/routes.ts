import { ConsentGiven, MergePeople, PeopleQuery, PersonEdit, SuggestionQuery, TagRename } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { notFound } from '../../platform/problem';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { addConsent, withdrawConsent } from './consents';
import { deletedPeople } from './deletedPeople';
import { deletePerson, editPerson, restorePerson } from './editPerson';
import { erasePerson } from './erasePerson';
import { findPeople } from './findPeople';
import { loadPerson } from './loadPerson';
import { mergePeople, undoMerge } from './merge';
import { suggest } from './suggest';
import { listTags, renameTag } from './tags';

const Id = z.object({ id: z.uuid() });

export function peopleRoutes(database: DataSource): Routes {
  return new Routes()
    .get('/people', 'see', async (request, response) => {
      response.json(await findPeople(database, whoIs(request), PeopleQuery.parse(request.query)));
    })
    .get('/deleted-people', 'delete', async (request, response) => {
      response.json(await deletedPeople(database, whoIs(request)));
    })
    .get('/suggestions', 'see', async (request, response) => {
      response.json({ items: await suggest(database, whoIs(request), SuggestionQuery.parse(request.query)) });
    })
    .get('/people/:id', 'see', async (request, response) => {
      const { id } = Id.parse(request.params);
      const person = await inSnapshot(database, whoIs(request).workspaceId, (manager) => loadPerson(manager, id));
      if (!person) throw notFound('This person');
      response.json(person);
    })
    .put('/people/:id', 'edit', async (request, response) => {
      await editPerson(database, whoIs(request), Id.parse(request.params).id, PersonEdit.parse(request.body));
      response.status(204).end();
    })
    .delete('/people/:id', 'delete', async (request, response) => {
      await deletePerson(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .post('/people/:id/restore', 'delete', async (request, response) => {
      await restorePerson(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .post('/people/:id/erase', 'erase', async (request, response) => {
      await erasePerson(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .post('/people/:id/consents', 'edit', async (request, response) => {
      await addConsent(database, whoIs(request), Id.parse(request.params).id, ConsentGiven.parse(request.body));
      response.status(204).end();
    })
    .post('/consents/:id/withdraw', 'edit', async (request, response) => {
      await withdrawConsent(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .post('/merges', 'merge', async (request, response) => {
      response.status(201).json(await mergePeople(database, whoIs(request), MergePeople.parse(request.body)));
    })
    .post('/merges/:id/undo', 'merge', async (request, response) => {
      await undoMerge(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
    })
    .get('/tags', 'see', async (request, response) => {
      response.json(await listTags(database, whoIs(request)));
    })
    .post('/tags/rename', 'merge', async (request, response) => {
      await renameTag(database, whoIs(request), TagRename.parse(request.body));
      response.status(204).end();
    });
}
