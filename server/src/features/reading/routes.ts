import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { whoIs } from '../../platform/session';
import type { TrayEvents } from '../../platform/trayEvents';
import { listTray } from './tray';

/** Proxies close silent connections after about a minute. */
const KEEP_ALIVE_MS = 25_000;

export function trayRoutes(database: DataSource, events: TrayEvents): Router {
  return Router()
    .get('/tray', async (request, response) => {
      const { cursor } = z.object({ cursor: z.string().max(400).optional() }).parse(request.query);
      response.json(await listTray(database, whoIs(request), cursor));
    })
    .get('/tray/events', (request, response) => {
      const { workspaceId } = whoIs(request);
      response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
      response.flushHeaders();
      response.write('retry: 2000\n\n');
      const stop = events.subscribe(workspaceId, (event) => response.write(`data: ${JSON.stringify(event)}\n\n`));
      const beat = setInterval(() => response.write(': still here\n\n'), KEEP_ALIVE_MS);
      request.on('close', () => {
        clearInterval(beat);
        stop();
      });
    });
}
