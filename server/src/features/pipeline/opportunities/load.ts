import type { Opportunity } from '@dossier/contract';
import { staysOf } from '@dossier/core/pipeline';
import type { DataSource } from 'typeorm';
import { notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { tasksAbout } from '../../followup';
import { OpportunityActRecord, OpportunityFile, OpportunityNoteRecord, OpportunityRecord } from '../entities';
import { opportunityPeople, opportunityRow } from '../queries';
import { allStages } from './list';
import { listedOpportunity } from './views';

/** One piece of business with all that hangs on it. @throws ProblemError 404 */
export const loadOpportunity = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<Opportunity> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const now = new Date();
    const row = await opportunityRow(manager, workspaceId, id);
    if (!row) throw notFound('This opportunity');
    const stages = await allStages(manager, workspaceId);
    const record = await manager.findOneOrFail(OpportunityRecord, { where: { id }, relations: { occasion: true } });
    const where = { opportunityId: id, workspaceId };
    const acts = await manager.find(OpportunityActRecord, { where, order: { at: 'ASC', id: 'ASC' }, relations: { actor: true } }); // prettier-ignore
    const notes = await manager.find(OpportunityNoteRecord, { where, order: { at: 'DESC', id: 'DESC' }, relations: { author: true } }); // prettier-ignore
    const files = await manager.find(OpportunityFile, { where, order: { at: 'DESC', id: 'DESC' }, relations: { maker: true } }); // prettier-ignore
    const people = await opportunityPeople(manager, workspaceId, id);
    const stageName = (stageId: string) => stages.get(stageId)?.name ?? '';
    return {
      ...listedOpportunity(row, stages, now),
      ownChance: row.chance,
      about: record.about,
      occasion: record.occasion ? { id: record.occasion.id, name: record.occasion.name } : null,
      people: people.map(({ person_id: personId, full_name: fullName, title, company, part }) => ({
        personId,
        fullName,
        title: title ?? '',
        company: company ?? '',
        part: part as Opportunity['people'][number]['part'],
      })),
      endReason: record.endReason,
      endWords: record.endWords,
      madeAt: record.madeAt.toISOString(),
      notes: notes.map((note) => ({
        id: note.id,
        text: note.text,
        author: note.author?.name ?? '',
        authorId: note.authorId,
        at: note.at.toISOString(),
      })),
      files: files.map(({ id: fileId, name, type, bytes, maker, at }) => ({
        id: fileId,
        name,
        type,
        bytes,
        by: maker?.name ?? '',
        at: at.toISOString(),
      })),
      tasks: await tasksAbout(manager, workspaceId, { opportunityId: id }),
      history: [...acts].reverse().map((act) => ({
        id: act.id,
        at: act.at.toISOString(),
        by: act.actor?.name ?? '',
        kind: act.kind,
        stage: stageName(act.stageId),
        changes: act.changes,
      })),
      stays: staysOf(acts, now).map(({ stageId, state, from, until, ms }) => ({
        stage: stageName(stageId),
        state,
        from: from.toISOString(),
        until: until?.toISOString() ?? null,
        ms,
      })),
    };
  });
