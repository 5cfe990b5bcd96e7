import { MatchQuery, NotSame, type Matches } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { Routes } from '../../platform/routes';
import { whoIs, type SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { fieldsSettledIn } from '../people';
import { findCandidates } from './candidates';
import { cancelSweep, listDuplicates, mergeCertain, notSame, showSweep, startSweep } from './duplicates';
import { trayTwins } from './trayTwins';

/** The likeliest few are enough to choose from. */
const MOST_MATCHES = 4;

export function matchingRoutes(database: DataSource): Routes {
  return new Routes()
    .post('/matches', 'see', async (request, response) => {
      response.json(await findMatches(database, whoIs(request), MatchQuery.parse(request.body)));
    })
    .get('/tray/twins', 'see', async (request, response) => {
      response.json(await trayTwins(database, whoIs(request)));
    })
    .post('/not-same', 'edit', async (request, response) => {
      await notSame(database, whoIs(request), NotSame.parse(request.body).ids);
      response.status(204).end();
    })
    .get('/duplicates', 'see', async (request, response) => {
      response.json(await listDuplicates(database, whoIs(request)));
    })
    .post('/duplicates/merge', 'merge', async (request, response) => {
      response.json(await mergeCertain(database, whoIs(request)));
    })
    .post('/sweeps', 'merge', async (request, response) => {
      response.status(202).json(await startSweep(database, whoIs(request)));
    })
    .get('/sweeps/latest', 'see', async (request, response) => {
      response.json(await showSweep(database, whoIs(request)));
    })
    .delete('/sweeps/latest', 'merge', async (request, response) => {
      await cancelSweep(database, whoIs(request));
      response.status(204).end();
    });
}

/** People of the workspace that are, or may be, the person of a card, the likeliest first. */
function findMatches(database: DataSource, who: SignedIn, { fields, cardId }: MatchQuery): Promise<Matches> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const candidates = (await findCandidates(manager, who.workspaceId, fields, cardId)).slice(0, MOST_MATCHES);
    const settled = await fieldsSettledIn(
      manager,
      who.workspaceId,
      candidates.map(({ person }) => person.id),
    );
    const matches = candidates.flatMap(({ person, likelihood, band, newJob, evidence }) => {
      const { features: _, ...record } = person;
      return band === 'different'
        ? []
        : [{ person: { ...record, settled: settled.get(person.id)! }, likelihood, band, newJob, evidence }];
    });
    return { matches };
  });
}
