import {
  ConsentGiven,
  FileCard,
  FilingSettings,
  MergePeople,
  PeopleQuery,
  PersonEdit,
  PersonIds,
  SuggestionQuery,
  TagRename,
} from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { notFound, ProblemError } from '../../platform/problem';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { listFiledByItself, markSeen, saveFilingSettings } from './byItself';
import { addConsent, withdrawConsent } from './consents';
import { deletedPeople } from './deletedPeople';
import { deletePerson, editPerson, restorePerson } from './editPerson';
import { erasePerson } from './erasePerson';
import { fileCard, type IsKnown } from './fileCard';
import { findPeople } from './findPeople';
import { loadPerson } from './loadPerson';
import { mergePeople, undoMerge } from './merge';
import { suggest } from './suggest';
import { takeBack, takeOneBack } from './takeBack';
import { listTags, renameTag } from './tags';

const Id = z.object({ id: z.uuid() });

/** @param isKnown asked before a card that nobody compared is filed as somebody new */
export function peopleRoutes(database: DataSource, isKnown: IsKnown): Routes {
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
    .post('/people', 'file', async (request, response) => {
      const key = request.get('idempotency-key');
      if (!key || key.length > 100) {
        throw new ProblemError(400, 'no-key', 'Something is missing', 'The header Idempotency-Key is missing.');
      }
      const filed = await fileCard(database, whoIs(request), key, FileCard.parse(request.body), isKnown);
      response.status(filed.outcome === 'created' ? 201 : 200).json(filed);
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
    .post('/people/:id/take-back', 'file', async (request, response) => {
      await takeOneBack(database, whoIs(request), Id.parse(request.params).id);
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
    })
    .get('/filed-by-itself', 'see', async (request, response) => {
      response.json(await listFiledByItself(database, whoIs(request)));
    })
    .post('/filed-by-itself/seen', 'file', async (request, response) => {
      await markSeen(database, whoIs(request), PersonIds.parse(request.body).personIds);
      response.status(204).end();
    })
    .post('/filed-by-itself/take-back', 'file', async (request, response) => {
      await takeBack(database, whoIs(request), PersonIds.parse(request.body).personIds);
      response.status(204).end();
    })
    .put('/filing-settings', 'settle', async (request, response) => {
      await saveFilingSettings(database, whoIs(request), FilingSettings.parse(request.body));
      response.status(204).end();
    });
}
