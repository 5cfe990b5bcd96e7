import { may } from '@dossier/core/account';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../platform/problem';
import type { SignedIn, Visitor } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { Company } from '../people';
import { CompanyNote } from './entities';

/** Writes something down of a firm. @returns its id @throws ProblemError 404 */
export const addCompanyNote = (database: DataSource, who: SignedIn, companyId: string, text: string): Promise<string> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    if (!(await manager.existsBy(Company, { id: companyId, workspaceId: who.workspaceId })))
      throw notFound('This firm');
    return noteIn(manager, who, companyId, text);
  });

/** As `addCompanyNote`, within a transaction and of a firm that is there. */
export async function noteIn(
  manager: EntityManager,
  { workspaceId, accountId: authorId }: SignedIn,
  companyId: string,
  text: string,
): Promise<string> {
  const id = uuidv7();
  await manager.insert(CompanyNote, { id, workspaceId, companyId, authorId, text, at: new Date(), changedAt: null });
  return id;
}

/** @throws ProblemError 404, or 403 for the note of a colleague */
export const changeCompanyNote = (database: DataSource, who: Visitor, id: string, text: string): Promise<void> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    const note = await ownNote(manager, who, id);
    if (note.text !== text) await manager.update(CompanyNote, { id }, { text, changedAt: new Date() });
  });

export const removeCompanyNote = (database: DataSource, who: Visitor, id: string): Promise<void> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    await ownNote(manager, who, id);
    await manager.delete(CompanyNote, { id });
  });

async function ownNote(manager: EntityManager, { workspaceId, accountId, role }: Visitor, id: string) {
  const note = await manager.findOneBy(CompanyNote, { id, workspaceId });
  if (!note) throw notFound('This note');
  if (note.authorId !== accountId && !may(role, 'settle'))
    throw new ProblemError(403, 'not-yours', 'Not yours', 'Only who wrote a note, or a manager, changes it.');
  return note;
}
