import type { DeviceMade, Devices, NewDevice } from '@dossier/contract';
import { randomInt } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../../platform/problem';
import { hashSecret } from '../../../platform/secret';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { Account, Workspace } from '../../account';
import { DevicePassword } from './entities';
import { ROOT } from './properties';

const MOST_DEVICES = 50;
/** Without those that look like each other on a small screen: 20 of them are 98 bits. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const LENGTH = 20;

/** Devices that keep address books of whoever asks in step. */
export const listDevices = (database: DataSource, { workspaceId, accountId }: SignedIn, publicAddress: string | undefined): Promise<Devices> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const devices = await manager.find(DevicePassword, { where: { accountId }, order: { madeAt: 'DESC', id: 'DESC' } });
    const { email } = await manager.findOneByOrFail(Account, { id: accountId });
    const { devicesDelete } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
    return {
      path: ROOT,
      address: publicAddress ? publicAddress + ROOT : null,
      user: email,
      devicesDelete,
      items: devices.map(({ id, name, madeAt, usedAt }) => ({ id, name, madeAt: madeAt.toISOString(), usedAt: usedAt?.toISOString() ?? null })),
    };
  }); // prettier-ignore

/** @throws ProblemError 409 when there are too many */
export const addDevice = (database: DataSource, { workspaceId, accountId }: SignedIn, { name }: NewDevice): Promise<DeviceMade> =>
  inWorkspace(database, workspaceId, async (manager) => {
    if ((await manager.countBy(DevicePassword, { accountId })) >= MOST_DEVICES)
      throw new ProblemError(409, 'too-many', 'Too many', 'There are too many devices. Take out those that are of no use.');
    const letters = Array.from({ length: LENGTH }, () => LETTERS[randomInt(LETTERS.length)]!).join('');
    const id = uuidv7();
    await manager.insert(DevicePassword, { id, workspaceId, accountId, name, hash: hashSecret(letters), madeAt: new Date(), usedAt: null });
    return { id, password: letters.replace(/(.{5})(?=.)/g, '$1-') };
  }); // prettier-ignore

/** It lets nobody in from now on. @throws ProblemError 404 */
export const removeDevice = (database: DataSource, { workspaceId, accountId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.delete(DevicePassword, { id, accountId });
    if (!affected) throw notFound('This device');
  });

/** Whether deleting somebody on a device deletes them here. */
export async function setDevicesDelete(database: DataSource, { workspaceId }: SignedIn, devicesDelete: boolean): Promise<void> {
  await database.getRepository(Workspace).update({ id: workspaceId }, { devicesDelete });
} // prettier-ignore
