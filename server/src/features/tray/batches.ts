import type { Batch } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';

/** How far the photographs are that somebody sent together most recently; null before the first. */
export function latestBatch(database: DataSource, who: SignedIn): Promise<Batch | null> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const rows = await manager.query<Batch[]>(
      `with latest as (
         select batch_id from photo where workspace_id = $1 and taken_by = $2 order by received_at desc limit 1)
       select latest.batch_id as id,
              count(*)::int as photos,
              count(*) filter (where photo.state not in ('waiting', 'reading'))::int as done,
              count(*) filter (where photo.state = 'unreadable')::int as unreadable,
              (select count(*)::int from card join photo of_batch on of_batch.id = card.photo_id
               where of_batch.batch_id = latest.batch_id
                 and card.state in ('toProve', 'needsPerson', 'setAside')) as cards
       from latest join photo on photo.batch_id = latest.batch_id
       group by latest.batch_id`,
      [who.workspaceId, who.accountId],
    );
    return rows[0] ?? null;
  });
}
