import type { PastPictures, PictureSettings } from '@dossier/contract';
import type { EntityManager } from 'typeorm';

type Kept = PictureSettings['keepPictures'];

/** What was taken out of the tray can be put back with its picture for so long. */
const DISCARDED_FOR = '24 hours';

/** What was said about pictures of the past, when its day has come. */
export async function whatIsDueOfPast(
  manager: EntityManager,
  workspaceId: string,
): Promise<{ keepPictures: Kept; keepDays: number | null } | undefined> {
  const [due] = await manager.query<{ clear_to: { keepPictures: Kept; keepDays: number | null } }[]>(
    `select clear_to from workspace where id = $1 and clear_at <= now()`,
    [workspaceId],
  );
  return due?.clear_to;
}

export const keepFiledAs = (
  manager: EntityManager,
  workspaceId: string,
  kept: Kept,
  days: number | null,
): Promise<unknown> =>
  manager.query(
    `update card set kept = $2, keep_until = filed_at + make_interval(days => $3) where workspace_id = $1 and state = 'filed'`,
    [workspaceId, kept, days],
  );

/** How many pictures of what was filed before a setting would remove. */
export async function countRemovedBy(
  manager: EntityManager,
  workspaceId: string,
  kept: Kept,
  days: number | null,
): Promise<PastPictures> {
  const [row] = await manager.query<PastPictures[]>(
    `select count(*) filter (where not holds_card)::int as cards, count(distinct photo_id) filter (where not holds_photo)::int as photos
  from (
    select card.file_id is null or not ($2 = 'none' or card.filed_at < now() - make_interval(days => $3)) as holds_card,
           photo.id as photo_id,
           photo.file_id is null or not ($2 in ('card', 'none') or card.filed_at < now() - make_interval(days => $3)) as holds_photo
    from card left join photo on photo.id = card.photo_id
    where card.workspace_id = $1 and card.state = 'filed') pictures`,
    [workspaceId, kept, days],
  );
  return row!;
}

/** Photographs whose bytes are no longer to be kept, locked; at most so many. */
export const photosToClear = (
  manager: EntityManager,
  workspaceId: string,
  most: number,
): Promise<{ id: string; file_id: string; thumbnail_id: string | null; display_id: string | null }[]> =>
  manager.query(
    `select photo.id, photo.file_id, photo.thumbnail_id, photo.display_id
     from photo
     where photo.workspace_id = $1 and photo.file_id is not null
       and ((photo.state = 'read'
             and exists (select from card where card.workspace_id = $1 and card.photo_id = photo.id and card.state = 'filed')
             and not exists (
               select from card where card.workspace_id = $1 and card.photo_id = photo.id
                 and (card.state in ('toProve', 'needsPerson', 'setAside')
                      or (card.state = 'filed' and card.kept = 'photo' and (card.keep_until is null or card.keep_until > now()))
                      or (card.state = 'attached' and exists (
                        select from card front where front.workspace_id = $1 and front.id = card.front_card_id and front.state <> 'filed')))))
            or (photo.state in ('read', 'discarded')
                and not exists (select from card where card.workspace_id = $1 and card.photo_id = photo.id
                                  and (card.state <> 'discarded' or card.discarded_at > now() - interval '${DISCARDED_FOR}'))
                and coalesce(photo.discarded_at, photo.received_at) < now() - interval '${DISCARDED_FOR}'))
     order by photo.id limit $2 for update of photo skip locked`,
    [workspaceId, most],
  );

/** Cards whose picture is no longer to be kept, locked; at most so many. */
export const cardsToClear = (
  manager: EntityManager,
  workspaceId: string,
  most: number,
): Promise<{ id: string; file_id: string; thumbnail_id: string | null }[]> =>
  manager.query(
    `select card.id, card.file_id, card.thumbnail_id
     from card
     where card.workspace_id = $1 and card.file_id is not null
       and ((card.state = 'filed' and (card.kept = 'none' or card.keep_until < now()))
            or (card.state = 'discarded' and card.discarded_at < now() - interval '${DISCARDED_FOR}'))
     order by card.id limit $2 for update of card skip locked`,
    [workspaceId, most],
  );
