import type { DataSource, EntityManager } from 'typeorm';

/** A place in the feed: that of a transaction, and within it that of an event. */
export interface FeedPlace {
  xid: string;
  sequence: string;
}

export interface EventRow extends FeedPlace {
  id: string;
  type: string;
  at: Date;
  person_id: string | null;
  card_id: string | null;
  opportunity_id: string | null;
  actor_id: string | null;
  changed: string[];
}

/**
 * What has happened behind a place, in order. What a transaction that is still running may yet write comes behind all of it, so that
 * nobody who goes on from the last one misses anything. The order is that of the columns: what is answered under their names is text.
 * @param types of which; all for none
 */
export const eventsAfter = (
  manager: EntityManager,
  workspaceId: string,
  after: FeedPlace | undefined,
  types: readonly string[],
  atMost: number,
): Promise<EventRow[]> =>
  manager.query(
    `select xid::text as xid, sequence::text as sequence, id, type, at, person_id, card_id, opportunity_id, actor_id, changed from event
     where workspace_id = $1 and (xid, sequence) > ($2::text::xid8, $3::bigint) and xid < pg_snapshot_xmin(pg_current_snapshot())
       and (cardinality($4::text[]) = 0 or type = any($4::text[]))
     order by event.xid, event.sequence limit $5`,
    [workspaceId, after?.xid ?? '0', after?.sequence ?? '0', types, atMost],
  );

/** The place behind everything that has happened so far. */
export async function placeNow(manager: EntityManager): Promise<FeedPlace> {
  const [row] = await manager.query<{ xid: string }[]>('select pg_snapshot_xmin(pg_current_snapshot())::text as xid');
  return { xid: row!.xid, sequence: '0' };
}

/** @returns how many went */
export async function forgetOldEvents(database: DataSource): Promise<number> {
  const [row] = await database.query<{ gone: string }[]>('select forget_old_events() as gone');
  return Number(row!.gone);
}
