import { createWriteStream } from 'node:fs';
import { mkdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Task } from 'graphile-worker';
import { LessThan, type DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { Logger } from '../../platform/logger';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { backUp } from './backUp';
import { BackupRecord } from './entities';
import { tryLockBackups } from './queries';

/** Where backups that are made by themselves go, and how. */
export interface BackupPlace {
  folder: string;
  passphrase?: string;
}

const HOUR_MS = 60 * 60 * 1000;
/** A little less than what was said, so that an hour's delay does not add up. */
const PERIOD_MS = { day: 23.5 * HOUR_MS, week: (7 * 24 - 0.5) * HOUR_MS };
/** So soon after its beginning one need not have taken the lock yet. */
const BEGINNING_MS = 60_000;
/** Failures that are told of. */
const FAILURES_KEPT = 5;
const TELL_EVERY_MS = 2_000;

/** Makes the backups whose time has come, one after the other. */
export const backUpTask =
  (database: DataSource, place: BackupPlace | undefined, logger: Logger): Task =>
  async () => {
    if (!place) return;
    for (const workspace of await database.getRepository(Workspace).find({ order: { id: 'ASC' } }))
      if (await isDue(database, workspace, new Date())) await backUpIntoFolder(database, workspace, place, logger);
  };

/** Whether a workspace's next backup is to be made. One that broke off is said to have failed. */
export async function isDue(
  database: DataSource,
  { id: workspaceId, backupEvery }: Workspace,
  now: Date,
): Promise<boolean> {
  if (backupEvery === 'never') return false;
  return inWorkspace(database, workspaceId, async (manager) => {
    if (!(await tryLockBackups(manager, workspaceId))) return false;
    const brokeOff = {
      workspaceId,
      state: 'running' as const,
      beganAt: LessThan(new Date(now.getTime() - BEGINNING_MS)),
    };
    await manager.update(BackupRecord, brokeOff, { state: 'failed', endedAt: now, problem: 'It broke off: what made it was stopped.' }); // prettier-ignore
    const where = [
      { workspaceId, state: 'running' as const },
      { workspaceId, state: 'done' as const },
    ];
    const [latest] = await manager.find(BackupRecord, { where, order: { beganAt: 'DESC' }, take: 1 });
    return !latest || (latest.state === 'done' && now.getTime() - latest.beganAt.getTime() >= PERIOD_MS[backupEvery]);
  });
}

export async function backUpIntoFolder(
  database: DataSource,
  { id: workspaceId, name }: Workspace,
  { folder, passphrase }: BackupPlace,
  logger: Logger,
): Promise<void> {
  const [id, beganAt] = [uuidv7(), new Date()];
  const day = beganAt.toISOString().slice(0, 10);
  const file = join(workspaceId, `${day}-${id.slice(-8)}.tar.gz${passphrase ? '.age' : ''}`);
  const path = join(folder, file);
  const change = (values: Partial<BackupRecord>) =>
    inWorkspace(database, workspaceId, (manager) => manager.update(BackupRecord, { id }, values));
  await inWorkspace(
    database,
    workspaceId,
    (manager) =>
    manager.insert(BackupRecord, { id, workspaceId, beganAt, endedAt: null, state: 'running', progress: 0, file, bytes: null, people: null, isEncrypted: Boolean(passphrase), problem: null }), // prettier-ignore
  );
  let told = Date.now();
  const onProgress = (progress: number) => {
    if (Date.now() - told < TELL_EVERY_MS) return;
    told = Date.now();
    // How far it is may go untold.
    change({ progress }).catch(() => undefined);
  };
  try {
    await mkdir(join(folder, workspaceId), { recursive: true, mode: 0o700 });
    const { rows } = await inSnapshot(database, workspaceId, async (manager) => {
      if (!(await tryLockBackups(manager, workspaceId))) throw new Error('Another backup is being made.');
      return backUp(manager, workspaceId, createWriteStream(`${path}.part`, { mode: 0o600 }), passphrase, onProgress);
    });
    await rename(`${path}.part`, path);
    const { size } = await stat(path);
    await change({ state: 'done', endedAt: new Date(), progress: 1, bytes: size, people: rows.person ?? 0 });
  } catch (error) {
    logger.error({ err: error, workspace: name }, 'a backup failed');
    await rm(`${path}.part`, { force: true }).catch(() => undefined);
    await change({ state: 'failed', endedAt: new Date(), problem: inWords(error) });
  }
  await keepLatest(database, workspaceId, folder);
}

/** Those that are older than as many as are to be kept go, with their files. */
async function keepLatest(database: DataSource, workspaceId: string, folder: string): Promise<void> {
  const gone = await inWorkspace(database, workspaceId, async (manager) => {
    const { backupKeep } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
    const order = { beganAt: 'DESC' } as const;
    return [
      ...(await manager.find(BackupRecord, { where: { workspaceId, state: 'done' }, order, skip: backupKeep })),
      ...(await manager.find(BackupRecord, { where: { workspaceId, state: 'failed' }, order, skip: FAILURES_KEPT })),
    ];
  });
  for (const { id, file } of gone) {
    await rm(join(folder, file), { force: true });
    await inWorkspace(database, workspaceId, (manager) => manager.delete(BackupRecord, { id, workspaceId }));
  }
}

function inWords(error: unknown): string {
  const { code } = error as { code?: string };
  if (code === 'ENOSPC') return 'There is no room left where backups are kept. Make room there, or keep fewer.';
  if (code === 'EACCES' || code === 'EROFS' || code === 'ENOENT')
    return `The folder for backups cannot be written to (${code}). Whoever runs this installation can mend that.`;
  return 'Something went wrong on the way. It is tried again within the hour.';
}
