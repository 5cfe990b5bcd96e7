import type { Destination, DestinationFields, Destinations } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { Reach } from '../../../platform/outside';
import { notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { placeNow } from '../events/queries';
import { refusePrivate } from '../../../platform/refusePrivate';
import { DestinationRecord } from './entities';
import { mappingOf } from './load';
import { standingOf, tryAgain } from './queries';

const MOST = 20;

const columnsOf = ({ name, to, when, occasions, perMinute }: DestinationFields) => ({ name, to, whenHanded: when, occasions, perMinute }); // prettier-ignore

function assertReachable({ to }: DestinationFields, { allowed }: Reach): void {
  if (to.kind !== 'folder') refusePrivate(to.base, allowed, 'to.base');
}

/** It hears of what happens from now on. @throws ProblemError 409 when there are too many, or no key for its secret */
export function addDestination(
  database: DataSource,
  reach: Reach,
  { workspaceId, accountId }: SignedIn,
  fields: DestinationFields,
): Promise<string> {
  assertReachable(fields, reach);
  const secret = fields.secret === undefined ? null : reach.sealing.seal(fields.secret);
  return inWorkspace(database, workspaceId, async (manager) => {
    if ((await manager.countBy(DestinationRecord, { workspaceId })) >= MOST)
      throw new ProblemError(409, 'too-many', 'Too many', `At most ${MOST} systems are possible. Remove one first.`);
    const { xid: afterXid, sequence: afterSequence } = await placeNow(manager);
    const [id, madeAt] = [uuidv7(), new Date()];
    const made = { ...columnsOf(fields), id, workspaceId, secret, madeBy: accountId, madeAt, afterXid, afterSequence, pausedAt: fields.paused ? madeAt : null }; // prettier-ignore
    await manager.insert(DestinationRecord, made as DestinationRecord);
    return id;
  });
}

/** What waited while it paused is tried when it does no more. @throws ProblemError 404, 422 where its secret would go elsewhere */
export function changeDestination(
  database: DataSource,
  reach: Reach,
  { workspaceId }: SignedIn,
  id: string,
  fields: DestinationFields,
): Promise<void> {
  assertReachable(fields, reach);
  const secret = fields.secret === undefined ? undefined : reach.sealing.seal(fields.secret);
  return inWorkspace(database, workspaceId, async (manager) => {
    const before = await locked(manager, workspaceId, id);
    if (before.secret && secret === undefined && whither(before.to) !== whither(fields.to)) throw secretAnew();
    const pausedAt = fields.paused ? (before.pausedAt ?? new Date()) : null;
    const standing = { pausedAt, pausedWhy: fields.paused ? before.pausedWhy : null, failingSince: null };
    await manager.update(DestinationRecord, { id }, { ...columnsOf(fields), ...standing, ...(secret !== undefined && { secret }) } as object); // prettier-ignore
    if (before.pausedAt && !fields.paused) await tryAgain(manager, workspaceId, id, ['waiting']);
  });
}

/** To whom a secret goes. */
const whither = (to: DestinationFields['to']): string => (to.kind === 'folder' ? '' : new URL(to.base).origin);

function secretAnew(): ProblemError {
  const message = 'Give the secret anew: it would go to another address than it was given for.';
  return new ProblemError(422, 'secret-anew', 'Secret missing', message, [{ path: 'secret', message }]);
}

/** @throws ProblemError 404 */
export const removeDestination = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.delete(DestinationRecord, { id, workspaceId });
    if (!affected) throw notFound('This system');
  });

export const listDestinations = (database: DataSource, { workspaceId }: SignedIn): Promise<Destinations> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const records = await manager.find(DestinationRecord, {
      where: { workspaceId },
      order: { madeAt: 'ASC', id: 'ASC' },
    });
    const items: Destination[] = [];
    for (const record of records) items.push(await view(manager, record));
    return { items };
  });

/** @throws ProblemError 404 */
export const loadDestination = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<Destination> =>
  inSnapshot(database, workspaceId, async (manager) => view(manager, await found(manager, workspaceId, id)));

async function view(manager: EntityManager, record: DestinationRecord): Promise<Destination> {
  const { id, name, to, secret, whenHanded, occasions, perMinute, mappingVersion, pausedAt, pausedWhy } = record;
  const { rules } = await mappingOf(manager, record);
  const standing = await standingOf(manager, record.workspaceId, id);
  return {
    id, name, to, when: whenHanded, occasions, perMinute, mappingVersion, pausedWhy,
    paused: pausedAt !== null,
    hasSecret: secret !== null,
    mapping: rules,
    ...standing,
  }; // prettier-ignore
}

/** @throws ProblemError 404 */
export async function found(manager: EntityManager, workspaceId: string, id: string): Promise<DestinationRecord> {
  const record = await manager.findOneBy(DestinationRecord, { id, workspaceId });
  if (!record) throw notFound('This system');
  return record;
}

/** As `found`, kept from others until the transaction ends. */
export async function locked(manager: EntityManager, workspaceId: string, id: string): Promise<DestinationRecord> {
  const record = await manager.findOne(DestinationRecord, {
    where: { id, workspaceId },
    lock: { mode: 'pessimistic_write' },
  });
  if (!record) throw notFound('This system');
  return record;
}
