import type { Batch, Tray } from '@dossier/contract';
import type { EntityManager } from 'typeorm';
import { IN_TRAY } from '../reading';

export async function latestBatchOf(
  manager: EntityManager,
  workspaceId: string,
  accountId: string,
): Promise<Batch | null> {
  const rows = await manager.query<Batch[]>(
    `with latest as (
         select batch_id from photo where workspace_id = $1 and taken_by = $2 and in_tray order by received_at desc limit 1)
       select latest.batch_id as id,
              count(*)::int as photos,
              count(*) filter (where photo.state not in ('waiting', 'reading'))::int as done,
              count(*) filter (where photo.state = 'unreadable')::int as unreadable,
              (select count(*)::int from card join photo of_batch on of_batch.id = card.photo_id
               where card.workspace_id = $1 and of_batch.workspace_id = $1 and of_batch.batch_id = latest.batch_id
                 and card.state in ('toProve', 'needsPerson', 'setAside')) as cards
       from latest join photo on photo.workspace_id = $1 and photo.batch_id = latest.batch_id
       group by latest.batch_id`,
    [workspaceId, accountId],
  );
  return rows[0] ?? null;
}

/** Everybody's name, by id. */
export async function namesOfTeam(manager: EntityManager, workspaceId: string): Promise<Map<string, string>> {
  const rows = await manager.query<{ id: string; name: string }[]>(
    'select id, name from account where workspace_id = $1',
    [workspaceId],
  );
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** Two sides of one front that are stored at the same moment go one after the other. */
export const lockSides = (manager: EntityManager, frontPhotoId: string): Promise<unknown> =>
  manager.query('select pg_advisory_xact_lock(hashtextextended($1, 0))', [`sides:${frontPhotoId}`]);

/** Photographs taken as "the back" that show several cards, or whose fronts do: a person says which belongs to which. */
export function backsToMatch(manager: EntityManager, workspaceId: string): Promise<Tray['backs']> {
  return manager.query(
    `select back.id as "photoId", fronts.count as fronts, backs.count as backs
     from photo back
       join photo front on front.workspace_id = $1 and front.id = back.back_of
       cross join lateral (
         select count(*)::int from card
         where card.workspace_id = $1 and photo_id = front.id and state = any($2)
           and not exists (select 1 from card joined where joined.workspace_id = $1 and joined.front_card_id = card.id)) fronts
       cross join lateral (select count(*)::int from card where card.workspace_id = $1 and photo_id = back.id and state = any($2)) backs
     where back.workspace_id = $1 and back.state = 'read' and front.state = 'read' and fronts.count > 0 and backs.count > 0
       and fronts.count + backs.count > 2
     order by back.received_at`,
    [workspaceId, IN_TRAY],
  );
}

/** Photographs beside whose cards another one lies perhaps; only where its border can still be set. */
export const perhapsMissed = (manager: EntityManager, workspaceId: string): Promise<Tray['missed']> =>
  manager.query(
    `select id as "photoId", jsonb_array_length(perhaps) as cards from photo
     where workspace_id = $1 and perhaps is not null and state = 'read' and in_tray and file_id is not null
     order by taken_at limit 20`,
    [workspaceId],
  );

/**
 * What somebody was asked is asked of a colleague, and word of what they asked goes there; what both have asked each other needs no
 * answer any more. @returns how many are asked of the colleague now
 */
export async function handOverSecondLooks(
  manager: EntityManager,
  { workspaceId, from, to }: { workspaceId: string; from: string; to: string },
): Promise<number> {
  await manager.query(
    `delete from second_look where workspace_id = $1 and answered_at is null
       and ((asked_by = $2 and asked_of = $3) or (asked_by = $3 and asked_of = $2))`,
    [workspaceId, from, to],
  );
  await manager.query(
    `update second_look set asked_by = $3 where workspace_id = $1 and asked_by = $2 and seen_at is null`,
    [workspaceId, from, to],
  );
  const [, count] = await manager.query<[unknown[], number]>(
    `update second_look set asked_of = $3 where workspace_id = $1 and asked_of = $2 and answered_at is null`,
    [workspaceId, from, to],
  );
  return count;
}
