import {
  CellsChange,
  ConsentGiven,
  FacetsQuery,
  ListViewFields,
  MergePeople,
  NoteFields,
  PeopleChangeRequest,
  PeopleQuery,
  PersonEdit,
  SuggestionQuery,
  TagRename,
} from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { notFound } from '../../platform/problem';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { changeCells } from './changeCells';
import { addConsent, withdrawConsent } from './consents';
import { changePeople, previewChange, stopPeopleChange, undoPeopleChange } from './changes/changePeople';
import { latestChanges, peopleChangeState } from './changes/changeState';
import { deletedPeople } from './deletedPeople';
import { deletePerson, editPerson, restorePerson } from './editPerson';
import { erasePerson } from './erasePerson';
import { findFacets } from './list/facets';
import { findPeople } from './list/findPeople';
import { changeView, keepView, listViews, removeView } from './list/views';
import { loadPerson } from './loadPerson';
import { mergePeople, undoMerge } from './merging/merge';
import { addNote, changeNote, removeNote } from './notes';
import { suggest } from './suggest';
import { listTags, renameTag } from './tags';

const Id = z.object({ id: z.uuid() });

export function peopleRoutes(database: DataSource): Routes {
  return new Routes()
    .get('/people', 'see', async (request, response) => {
      response.json(await findPeople(database, whoIs(request), PeopleQuery.parse(request.query)));
    })
    .get('/people/facets', 'see', async (request, response) => {
      response.json(await findFacets(database, whoIs(request), FacetsQuery.parse(request.query)));
    })
    .get('/people/changes', 'see', async (request, response) => {
      response.json(await latestChanges(database, whoIs(request)));
    })
    .post('/people/changes', 'edit', async (request, response) => {
      const asked = PeopleChangeRequest.parse(request.body);
      const who = whoIs(request);
      if (asked.preview) response.json(await previewChange(database, who, asked));
      else response.status(202).json(await changePeople(database, who, asked));
    })
    .get('/people/changes/:id', 'see', async (request, response) => {
      response.json(await peopleChangeState(database, whoIs(request), Id.parse(request.params).id));
    })
    .delete('/people/changes/:id', 'edit', async (request, response) => {
      response.json(await stopPeopleChange(database, whoIs(request), Id.parse(request.params).id));
    })
    .post('/people/changes/:id/undo', 'edit', async (request, response) => {
      response.json(await undoPeopleChange(database, whoIs(request), Id.parse(request.params).id));
    })
    .post('/people/cells', 'edit', async (request, response) => {
      response.json(await changeCells(database, whoIs(request), CellsChange.parse(request.body)));
    })
    .get('/people-views', 'see', async (request, response) => {
      response.json(await listViews(database, whoIs(request)));
    })
    .post('/people-views', 'see', async (request, response) => {
      response.status(201).json({ id: await keepView(database, whoIs(request), ListViewFields.parse(request.body)) });
    })
    .put('/people-views/:id', 'see', async (request, response) => {
      const { id } = Id.parse(request.params);
      await changeView(database, whoIs(request), id, ListViewFields.parse(request.body));
      response.status(204).end();
    })
    .delete('/people-views/:id', 'see', async (request, response) => {
      await removeView(database, whoIs(request), Id.parse(request.params).id);
      response.status(204).end();
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
    .post('/people/:id/notes', 'edit', async (request, response) => {
      const { id } = Id.parse(request.params);
      response.status(201).json({ id: await addNote(database, whoIs(request), id, NoteFields.parse(request.body)) });
    })
    .put('/notes/:id', 'edit', async (request, response) => {
      const { text } = NoteFields.parse(request.body);
      await changeNote(database, whoIs(request), Id.parse(request.params).id, text);
      response.status(204).end();
    })
    .delete('/notes/:id', 'edit', async (request, response) => {
      await removeNote(database, whoIs(request), Id.parse(request.params).id);
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
