import type { Request } from 'express';
import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { storage } from '../../../platform/storage';
import { fileIn } from '../../../platform/upload';
import { inWorkspace } from '../../../platform/workspaceScope';
import { OpportunityFile, OpportunityRecord } from '../entities';

const MOST_BYTES = 10 * 1024 * 1024;

/** Keeps a file with a piece of business: an offer, a drawing. @returns its id @throws ProblemError 413, 400 for nothing, 404 */
export async function keepFile(
  database: DataSource,
  { workspaceId, accountId }: SignedIn,
  opportunityId: string,
  name: string,
  request: Request,
): Promise<string> {
  const { bytes, ...kept } = await fileIn(request, name, MOST_BYTES);
  const [id, fileId] = [uuidv7(), uuidv7()];
  return inWorkspace(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(OpportunityRecord, { id: opportunityId, workspaceId })))
      throw notFound('This opportunity');
    await storage.put(manager, { id: fileId, workspaceId, type: kept.type, bytes });
    await manager.insert(OpportunityFile, { ...kept, id, workspaceId, opportunityId, fileId, bytes: bytes.length, madeBy: accountId, at: new Date() }); // prettier-ignore
    return id;
  });
}

/** @throws ProblemError 404 */
export const loadFile = (
  database: DataSource,
  { workspaceId }: SignedIn,
  id: string,
): Promise<{ name: string; type: string; bytes: Buffer }> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const record = await manager.findOneBy(OpportunityFile, { id, workspaceId });
    const file = record && (await storage.get(manager, record.fileId));
    if (!record || !file) throw notFound('This file');
    return { name: record.name, type: record.type, bytes: file.bytes };
  });

/** @throws ProblemError 404 */
export const removeFile = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const record = await manager.findOneBy(OpportunityFile, { id, workspaceId });
    if (!record) throw notFound('This file');
    await storage.remove(manager, [record.fileId]);
  });
