import { may } from '@dossier/core/account';
import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn, Visitor } from '../../../platform/session';
import { insertOnce } from '../../../platform/insertOnce';
import { inWorkspace } from '../../../platform/workspaceScope';
import { OpportunityNoteRecord, OpportunityRecord } from '../entities';

/** The same id twice is one note. @returns its id @throws ProblemError 404 */
export const addNote = (
  database: DataSource,
  { workspaceId, accountId }: SignedIn,
  opportunityId: string,
  { id = uuidv7(), text }: { id?: string; text: string },
): Promise<string> =>
  inWorkspace(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(OpportunityRecord, { id: opportunityId, workspaceId })))
      throw notFound('This opportunity');
    await insertOnce(manager, OpportunityNoteRecord, { id, workspaceId, opportunityId, authorId: accountId, text, at: new Date() }); // prettier-ignore
    return id;
  });

/** Whoever wrote it takes it away, or whoever is in charge. @throws ProblemError 403 */
export const removeNote = (
  database: DataSource,
  { workspaceId, accountId, role }: Visitor,
  id: string,
): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const note = await manager.findOneBy(OpportunityNoteRecord, { id, workspaceId });
    if (!note) throw notFound('This note');
    if (note.authorId !== accountId && !may(role, 'settle'))
      throw new ProblemError(403, 'not-yours', 'Not yours', 'A colleague wrote this note: only they can remove it.');
    await manager.delete(OpportunityNoteRecord, { id, workspaceId });
  });
