import type { EntityManager } from 'typeorm';
import { BouncedAddress } from '../mail/entities';
import { happensTo } from '../plans/happens';
import { MessageRecord } from './entities';

/** An address that cannot be written to any more; whoever was, leaves the plans that end with that. */
export async function cameBack(
  manager: EntityManager,
  { id, workspaceId, personId, recipient }: MessageRecord,
  status: string,
  at: Date,
): Promise<void> {
  await manager.update(MessageRecord, { id }, { cameBackAt: at });
  await manager.upsert(BouncedAddress, { workspaceId, address: recipient.toLowerCase(), status, at }, [
    'workspaceId',
    'address',
  ]);
  if (personId) await happensTo(manager, workspaceId, personId, { kind: 'bounced', at });
}
