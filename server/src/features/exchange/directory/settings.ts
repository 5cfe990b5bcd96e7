import type { DirectorySettings, DirectorySettingsChange } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import type { Reach } from '../../../platform/outside';
import { ProblemError } from '../../../platform/problem';
import { refusePrivate } from '../../../platform/refusePrivate';
import type { SignedIn } from '../../../platform/session';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Workspace } from '../../account';
import type { DirectoryPlace } from './ask';

export async function directorySettings(database: DataSource, { workspaceId }: SignedIn): Promise<DirectorySettings> {
  const { directoryAddress, directoryKey, directoryPortraits } = await database.getRepository(Workspace).findOneByOrFail({ id: workspaceId }); // prettier-ignore
  return { address: directoryAddress, hasKey: directoryKey !== null, portraits: directoryPortraits };
}

/** A key is good for the address it was given for, and goes with it. @throws ProblemError 422 for an address of this network that is not allowed */
export async function changeDirectory(
  database: DataSource,
  { sealing, allowed }: Reach,
  { workspaceId }: SignedIn,
  { address, key, portraits }: DirectorySettingsChange,
): Promise<void> {
  if (address) refusePrivate(address, allowed, 'address');
  await inWorkspace(database, workspaceId, async (manager) => {
    const before = await manager.findOneByOrFail(Workspace, { id: workspaceId });
    const kept = address !== null && address === before.directoryAddress ? before.directoryKey : null;
    await manager.update(Workspace, { id: workspaceId }, { directoryAddress: address, directoryKey: key === undefined ? kept : sealing.seal(key), directoryPortraits: portraits }); // prettier-ignore
  });
}

/** @throws ProblemError 409 where none is set up */
export async function directoryOf(manager: EntityManager, workspaceId: string): Promise<DirectoryPlace & { portraits: boolean; country: string | null }> {
  const { directoryAddress, directoryKey, directoryPortraits, country } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  if (!directoryAddress)
    throw new ProblemError(409, 'no-directory', 'No directory', 'No directory is set up. Whoever settles things for the team does so in the settings, under Directory.');
  return { address: directoryAddress, key: directoryKey, portraits: directoryPortraits, country };
} // prettier-ignore
