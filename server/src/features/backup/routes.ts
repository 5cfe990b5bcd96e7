import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { BackupRequest, BackupSchedule, type Backups, type BackupView } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { notFound, ProblemError } from '../../platform/problem';
import { Routes } from '../../platform/routes';
import { whoIs } from '../../platform/session';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { backUp } from './backUp';
import type { BackupPlace } from './byItself';
import { BackupRecord } from './entities';

const Id = z.object({ id: z.uuid() });
const SHOWN = 100;
/** Each holds a connection of the database for as long as somebody fetches. */
const MOST_AT_ONCE = 2;
const STALLED_MS = 120_000;
const under = { way: 0 };

/** @param place where backups are made by themselves; nowhere without */
export const backupRoutes = (database: DataSource, place?: BackupPlace): Routes =>
  new Routes()
    .get('/backups', 'backUp', async (request, response) => {
      response.json(await backupsOf(database, whoIs(request).workspaceId, place));
    })
    .put('/backups/schedule', 'backUp', async (request, response) => {
      const { workspaceId } = whoIs(request);
      const { every, keep } = BackupSchedule.parse(request.body);
      if (!place && every !== 'never')
        throw new ProblemError(409, 'no-folder', 'Not possible here', 'This installation has no folder for backups. Whoever runs it can name one.'); // prettier-ignore
      await inWorkspace(database, workspaceId, (manager) =>
        manager.update(Workspace, { id: workspaceId }, { backupEvery: every, backupKeep: keep }),
      );
      response.status(204).end();
    })
    .post('/backups/file', 'backUp', async (request, response) => {
      const { workspaceId } = whoIs(request);
      const { passphrase } = BackupRequest.parse(request.body);
      if (under.way >= MOST_AT_ONCE)
        throw new ProblemError(503, 'busy', 'Busy', 'Other backups are being fetched. Try again in a few minutes.', undefined, 60); // prettier-ignore
      response.setTimeout(STALLED_MS, () => response.destroy());
      under.way++;
      try {
        const name = `dossier-${new Date().toISOString().slice(0, 10)}.tar.gz${passphrase ? '.age' : ''}`;
        response
          .set('Content-Disposition', `attachment; filename="${name}"`)
          .set('Cache-Control', 'no-store')
          .type('application/octet-stream');
        await inSnapshot(database, workspaceId, (manager) => backUp(manager, workspaceId, response, passphrase));
      } catch (error) {
        // Whoever fetched it has gone away.
        if (!response.destroyed || !response.headersSent) throw error;
      } finally {
        under.way--;
      }
    })
    .get('/backups/:id/file', 'backUp', async (request, response) => {
      const { workspaceId } = whoIs(request);
      const { id } = Id.parse(request.params);
      const record = await inWorkspace(database, workspaceId, (manager) =>
        manager.findOneBy(BackupRecord, { id, workspaceId, state: 'done' }),
      );
      if (!record || !place) throw notFound('This backup');
      const path = join(place.folder, record.file);
      const there = await stat(path).catch(() => undefined);
      if (!there) throw notFound('The file of this backup');
      response
        .set('Content-Disposition', `attachment; filename="dossier-${record.file.split('/').at(-1)}"`)
        .set('Cache-Control', 'no-store')
        .set('Content-Length', String(there.size))
        .type('application/octet-stream');
      await pipeline(createReadStream(path), response).catch((error: unknown) => {
        if (!response.headersSent) throw error;
      });
    });

const backupsOf = (database: DataSource, workspaceId: string, place: BackupPlace | undefined): Promise<Backups> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { backupEvery: every, backupKeep: keep } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
    const latest = await manager.find(BackupRecord, {
      where: { workspaceId },
      order: { beganAt: 'DESC' },
      take: SHOWN,
    });
    return {
      schedule: place ? { every, keep } : null,
      isEncrypted: Boolean(place?.passphrase),
      latest: latest.map(viewOf),
    };
  });

const viewOf = ({ id, beganAt, state, progress, bytes, people, isEncrypted, problem }: BackupRecord): BackupView => ({
  id,
  beganAt: beganAt.toISOString(),
  state,
  progress,
  bytes,
  people,
  isEncrypted,
  problem,
});
