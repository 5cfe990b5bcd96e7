import type { Attachment } from '@dossier/contract';
import type { Request } from 'express';
import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { storage } from '../../../platform/storage';
import { fileIn } from '../../../platform/upload';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Workspace } from '../../account';
import { deleteUnusedAttachments } from '../messages/queries';
import { AttachmentRecord } from './entities';

const MOST_BYTES = 5 * 1024 * 1024;

/** Keeps a file of the team's that is to go along. @throws ProblemError 413, 400 for nothing */
export async function keepAttachment(
  database: DataSource,
  { workspaceId }: SignedIn,
  name: string,
  request: Request,
): Promise<Attachment> {
  const { bytes, ...rest } = await fileIn(request, name, MOST_BYTES);
  const [id, fileId] = [uuidv7(), uuidv7()];
  const kept = { ...rest, bytes: bytes.length };
  await inWorkspace(database, workspaceId, async (manager) => {
    await storage.put(manager, { id: fileId, workspaceId, type: kept.type, bytes });
    await manager.insert(AttachmentRecord, { ...kept, id, workspaceId, fileId, personId: null, madeAt: new Date() });
  });
  return { id, ...kept };
}

/** So long a file may wait for the message or template that it was chosen for. */
const WAITS_DAYS = 7;

/** Removes files of teams that go along with nothing. @returns how many */
export async function forgetUnusedAttachments(database: DataSource): Promise<number> {
  let forgotten = 0;
  for (const { id } of await database.getRepository(Workspace).find({ select: { id: true } }))
    forgotten += await inWorkspace(database, id, (manager) => deleteUnusedAttachments(manager, id, WAITS_DAYS));
  return forgotten;
}

/** @throws ProblemError 404 */
export const loadAttachment = (
  database: DataSource,
  { workspaceId }: SignedIn,
  id: string,
): Promise<{ name: string; type: string; bytes: Buffer }> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const record = await manager.findOneBy(AttachmentRecord, { id, workspaceId });
    const file = record && (await storage.get(manager, record.fileId));
    if (!record || !file) throw notFound('This file');
    return { name: record.name, type: record.type, bytes: file.bytes };
  });
