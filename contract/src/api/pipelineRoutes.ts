import { Board, BoardQuery, FileName, LeadPage, LeadQuery, NewOpportunity, Opportunity, OpportunityEdit, OpportunityEnd, OpportunityMove, OpportunityNote, OpportunityPage, OpportunityQuery, PipelineSettings, Qualified, Qualify } from '../pipeline'; // prettier-ignore
import { Seen } from '../versions';
import { MadeId, type Bytes, type DescribedRoutes } from './describedRoute';

const read = 'people:read';
const write = 'people:write';
const settings = 'settings';
const FILE: Bytes = { types: ['application/octet-stream'], about: 'A file, up to 10 MB; its name in `?name=`.' };

/** Leads and what becomes of them. */
export const PIPELINE_ROUTES: DescribedRoutes = {
  'GET /pipeline-settings': { about: 'How the team follows leads and business: words, stages, rates, goals.', scope: read, answer: PipelineSettings }, // prettier-ignore
  'PUT /pipeline-settings': { about: 'Sets that.', scope: settings, body: PipelineSettings, status: 204 },
  'GET /leads': { about: 'Leads to work through, a page at a time.', scope: read, query: LeadQuery, answer: LeadPage },
  'POST /leads/:id/qualify': { about: 'Makes a contact of a lead, with the firm, the opportunity and the next task; all of it or nothing.', scope: write, body: Qualify, answer: Qualified, status: 201 }, // prettier-ignore
  'POST /qualifications/:id/undo': { about: 'Takes that back, unless something of it was worked on since.', scope: write, status: 204 }, // prettier-ignore
  'GET /board': { about: 'Open opportunities by stage, with what they are worth.', scope: read, query: BoardQuery, answer: Board }, // prettier-ignore
  'GET /opportunities': { about: 'Opportunities, a page at a time.', scope: read, query: OpportunityQuery, answer: OpportunityPage }, // prettier-ignore
  'POST /opportunities': { about: 'Makes an opportunity. The same id again is the same one.', scope: write, body: NewOpportunity, answer: MadeId, status: 201 }, // prettier-ignore
  'GET /opportunities/:id': { about: 'An opportunity with its people, notes, files, tasks and history.', scope: read, answer: Opportunity }, // prettier-ignore
  'PUT /opportunities/:id': { about: 'Changes an opportunity.', scope: write, body: OpportunityEdit, status: 204 },
  'DELETE /opportunities/:id': { about: 'Takes an opportunity away for good.', scope: write, query: Seen, status: 204 },
  'PUT /opportunities/:id/stage': { about: 'Moves an opportunity to another stage.', scope: write, body: OpportunityMove, status: 204 }, // prettier-ignore
  'PUT /opportunities/:id/end': { about: 'Says that it is won or lost, or opens it again.', scope: write, body: OpportunityEnd, status: 204 }, // prettier-ignore
  'POST /opportunities/:id/notes': { about: 'Adds a note to an opportunity.', scope: write, body: OpportunityNote, answer: MadeId, status: 201 }, // prettier-ignore
  'DELETE /opportunity-notes/:id': { about: 'Takes such a note away.', scope: write, status: 204 },
  'POST /opportunities/:id/files': { about: 'Keeps a file with an opportunity.', scope: write, query: FileName, body: FILE, answer: MadeId, status: 201 }, // prettier-ignore
  'GET /opportunity-files/:id': { about: 'A file of an opportunity, always to be saved.', scope: read, answer: { ...FILE, about: 'The file.' } }, // prettier-ignore
  'DELETE /opportunity-files/:id': { about: 'Takes a file away.', scope: write, status: 204 },
};
