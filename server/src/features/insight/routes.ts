import { ComingQuery, Cost, FiguresQuery, OwedQuery } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { fileNameOf } from '../../platform/upload';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { coming, owed } from './ahead';
import { funnel, readingFigures, speed } from './figures';
import { occasionReport, setCost } from './occasion';
import { reportFile } from './report';
import { teamName } from './teamName';

const Id = z.object({ id: z.uuid() });
const idIn = (request: { params: unknown }): string => Id.parse(request.params).id;

export function insightRoutes(database: DataSource): Routes {
  return new Routes()
    .get('/insight/occasions/:id', 'see', async (request, response) => {
      response.json(await occasionReport(database, whoIs(request), idIn(request)));
    })
    .get('/insight/occasions/:id/report', 'see', async (request, response) => {
      const report = await occasionReport(database, whoIs(request), idIn(request));
      const file = await reportFile(report, await teamName(database, whoIs(request)));
      response
        .attachment(`${fileNameOf(report.name, 1)}.pdf`)
        .type('application/pdf')
        .send(file);
    })
    .put('/insight/occasions/:id/cost', 'settle', async (request, response) => {
      await setCost(database, whoIs(request), idIn(request), Cost.parse(request.body));
      response.status(204).end();
    })
    .get('/insight/speed', 'see', async (request, response) => {
      response.json(await speed(database, whoIs(request), FiguresQuery.parse(request.query)));
    })
    .get('/insight/leads', 'see', async (request, response) => {
      response.json(await funnel(database, whoIs(request), FiguresQuery.parse(request.query)));
    })
    .get('/insight/reading', 'see', async (request, response) => {
      response.json(await readingFigures(database, whoIs(request), FiguresQuery.parse(request.query)));
    })
    .get('/insight/owed', 'see', async (request, response) => {
      response.json(await owed(database, whoIs(request), OwedQuery.parse(request.query).day));
    })
    .get('/insight/coming', 'see', async (request, response) => {
      response.json(await coming(database, whoIs(request), ComingQuery.parse(request.query)));
    });
}
