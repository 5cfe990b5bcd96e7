import {
  BoardQuery, FileName, LeadQuery, NewOpportunity, OpportunityEdit, OpportunityEnd, OpportunityMove, OpportunityNote, OpportunityQuery, PipelineSettings,
  Qualify, Seen,
} from '@dossier/contract'; // prettier-ignore
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { listLeads } from './leads/list';
import { qualify } from './leads/qualify';
import { unqualify } from './leads/unqualify';
import { keepFile, loadFile, removeFile } from './opportunities/files';
import { board, listOpportunities } from './opportunities/list';
import { loadOpportunity } from './opportunities/load';
import { addNote, removeNote } from './opportunities/notes';
import { changeOpportunity, endOpportunity, makeOpportunity, moveOpportunity, removeOpportunity } from './opportunities/save'; // prettier-ignore
import { loadSettings, saveSettings } from './settings/settings';

const Id = z.object({ id: z.uuid() });
const idIn = (request: { params: unknown }): string => Id.parse(request.params).id;

export function pipelineRoutes(database: DataSource): Routes {
  return new Routes()
    .get('/pipeline-settings', 'see', async (request, response) => {
      response.json(await loadSettings(database, whoIs(request)));
    })
    .put('/pipeline-settings', 'settle', async (request, response) => {
      await saveSettings(database, whoIs(request), PipelineSettings.parse(request.body));
      response.status(204).end();
    })
    .get('/leads', 'see', async (request, response) => {
      response.json(await listLeads(database, whoIs(request), LeadQuery.parse(request.query)));
    })
    .post('/leads/:id/qualify', 'edit', async (request, response) => {
      response.status(201).json(await qualify(database, whoIs(request), idIn(request), Qualify.parse(request.body)));
    })
    .post('/qualifications/:id/undo', 'edit', async (request, response) => {
      await unqualify(database, whoIs(request), idIn(request));
      response.status(204).end();
    })
    .get('/board', 'see', async (request, response) => {
      response.json(await board(database, whoIs(request), BoardQuery.parse(request.query)));
    })
    .get('/opportunities', 'see', async (request, response) => {
      response.json(await listOpportunities(database, whoIs(request), OpportunityQuery.parse(request.query)));
    })
    .post('/opportunities', 'edit', async (request, response) => {
      response
        .status(201)
        .json({ id: await makeOpportunity(database, whoIs(request), NewOpportunity.parse(request.body)) });
    })
    .get('/opportunities/:id', 'see', async (request, response) => {
      response.json(await loadOpportunity(database, whoIs(request), idIn(request)));
    })
    .put('/opportunities/:id', 'edit', async (request, response) => {
      await changeOpportunity(database, whoIs(request), idIn(request), OpportunityEdit.parse(request.body));
      response.status(204).end();
    })
    .delete('/opportunities/:id', 'delete', async (request, response) => {
      await removeOpportunity(database, whoIs(request), idIn(request), Seen.parse(request.query).version);
      response.status(204).end();
    })
    .put('/opportunities/:id/stage', 'edit', async (request, response) => {
      await moveOpportunity(database, whoIs(request), idIn(request), OpportunityMove.parse(request.body));
      response.status(204).end();
    })
    .put('/opportunities/:id/end', 'edit', async (request, response) => {
      await endOpportunity(database, whoIs(request), idIn(request), OpportunityEnd.parse(request.body));
      response.status(204).end();
    })
    .post('/opportunities/:id/notes', 'edit', async (request, response) => {
      const note = OpportunityNote.parse(request.body);
      response.status(201).json({ id: await addNote(database, whoIs(request), idIn(request), note) });
    })
    .delete('/opportunity-notes/:id', 'edit', async (request, response) => {
      await removeNote(database, whoIs(request), idIn(request));
      response.status(204).end();
    })
    .post('/opportunities/:id/files', 'edit', async (request, response) => {
      const { name } = FileName.parse(request.query);
      response.status(201).json({ id: await keepFile(database, whoIs(request), idIn(request), name, request) });
    })
    .get('/opportunity-files/:id', 'see', async (request, response) => {
      const { name, type, bytes } = await loadFile(database, whoIs(request), idIn(request));
      // Never shown as a page of ours.
      response.set('Content-Security-Policy', "default-src 'none'; sandbox").attachment(name).type(type).send(bytes);
    })
    .delete('/opportunity-files/:id', 'edit', async (request, response) => {
      await removeFile(database, whoIs(request), idIn(request));
      response.status(204).end();
    });
}
