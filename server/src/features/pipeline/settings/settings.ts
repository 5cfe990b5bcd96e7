import type { PipelineSettings } from '@dossier/contract';
import { In, type DataSource } from 'typeorm';
import { conflict } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { Workspace } from '../../account';
import { OpportunityRecord, Stage } from '../entities';
import { lockStages } from '../queries';
import { haveStages, stagesIn } from './stages';

export async function loadSettings(database: DataSource, { workspaceId }: SignedIn): Promise<PipelineSettings> {
  await haveStages(database, workspaceId);
  return inSnapshot(database, workspaceId, async (manager) => {
    const { leadStatuses, closeReasons, winReasons, lossReasons, products, currency, rates, goals, untouchedDays, figures, timeZone } =
      await manager.findOneByOrFail(Workspace, { id: workspaceId }); // prettier-ignore
    const stages = (await stagesIn(manager, workspaceId)).map(({ id, name, chance, staleDays }) => ({
      id,
      name,
      chance,
      staleDays,
    }));
    return { stages, leadStatuses, closeReasons, winReasons, lossReasons, products, currency, rates, goals, untouchedDays, figures, timeZone }; // prettier-ignore
  });
}

/** @throws ProblemError 409 where a stage is to go that something is still in */
export async function saveSettings(
  database: DataSource,
  { workspaceId }: SignedIn,
  { stages, ...own }: PipelineSettings,
): Promise<void> {
  await haveStages(database, workspaceId);
  await inWorkspace(database, workspaceId, async (manager) => {
    await lockStages(manager, workspaceId);
    const before = await stagesIn(manager, workspaceId);
    const kept = new Set(stages.map(({ id }) => id));
    const gone = before.filter(({ id }) => !kept.has(id));
    const held = gone.length > 0 ? await manager.findOneBy(OpportunityRecord, { workspaceId, state: 'open', stageId: In(gone.map(({ id }) => id)) }) : null; // prettier-ignore
    if (held)
      throw conflict(
        'stage-in-use',
        `Something is still in the stage “${gone.find(({ id }) => id === held.stageId)!.name}”. Move it on first.`,
      );
    for (const { id } of gone) await manager.update(Stage, { id, workspaceId }, { removedAt: new Date() });
    for (const [position, stage] of stages.entries()) {
      const { affected } = await manager.update(Stage, { id: stage.id, workspaceId }, { ...stage, position, removedAt: null }); // prettier-ignore
      if (!affected) await manager.insert(Stage, { ...stage, workspaceId, position, removedAt: null });
    }
    await manager.update(Workspace, { id: workspaceId }, own);
  });
}
