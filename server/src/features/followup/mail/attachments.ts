import type { Attachment } from '@dossier/contract';
import type { Request } from 'express';
import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { storage } from '../../../platform/storage';
import { inWorkspace } from '../../../platform/workspaceScope';
import { AttachmentRecord } from './entities';
import { nameOf } from './receive';

const MOST_BYTES = 5 * 1024 * 1024;

const tooLarge = () => new ProblemError(413, 'too-large', 'Too large', 'A file that goes along has 5 MB at most. Make it smaller, or write where it can be fetched.'); // prettier-ignore

/** Keeps a file of the team's that is to go along. @throws ProblemError 413, 400 for nothing */
export async function keepAttachment(
  database: DataSource,
  { workspaceId }: SignedIn,
  name: string,
  request: Request,
): Promise<Attachment> {
  if (Number(request.headers['content-length'] ?? 0) > MOST_BYTES) throw tooLarge();
  const chunks: Buffer[] = [];
  let length = 0;
  for await (const chunk of request.iterator({ destroyOnReturn: false })) {
    length += (chunk as Buffer).length;
    if (length > MOST_BYTES) throw tooLarge();
    chunks.push(chunk as Buffer);
  }
  if (length === 0)
    throw new ProblemError(400, 'empty-file', 'Nothing in it', 'This file is empty. Choose another one.');
  const [id, fileId] = [uuidv7(), uuidv7()];
  const type = /^[\w.+-]+\/[\w.+-]+$/.test(request.get('content-type') ?? '')
    ? request.get('content-type')!
    : 'application/octet-stream';
  const kept = { name: nameOf(name, 1), type, bytes: length };
  await inWorkspace(database, workspaceId, async (manager) => {
    await storage.put(manager, { id: fileId, workspaceId, type, bytes: Buffer.concat(chunks) });
    await manager.insert(AttachmentRecord, { ...kept, id, workspaceId, fileId, personId: null, madeAt: new Date() });
  });
  return { id, ...kept };
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
