import type { EventsPage, EventsQuery, FeedEvent } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../../platform/session';
import { inWorkspace } from '../../../platform/workspaceScope';
import { eventsAfter, type EventRow, type FeedPlace } from './queries';

/** What has happened in a workspace, a page at a time. */
export const eventsPage = (
  database: DataSource,
  { workspaceId }: SignedIn,
  { after, type, limit }: EventsQuery,
): Promise<EventsPage> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const rows = await eventsAfter(manager, workspaceId, after ? placeOf(after) : undefined, type, limit);
    const last = rows.at(-1);
    return { items: rows.map(feedEvent), next: last ? cursorOf(last) : (after ?? null) };
  });

export const feedEvent = (row: EventRow): FeedEvent => ({
  id: row.id,
  type: row.type as FeedEvent['type'],
  at: row.at.toISOString(),
  personId: row.person_id,
  cardId: row.card_id,
  opportunityId: row.opportunity_id,
  by: row.actor_id,
  changed: row.changed,
  cursor: cursorOf(row),
});

const cursorOf = ({ xid, sequence }: FeedPlace): string => `${xid}-${sequence}`;

function placeOf(cursor: string): FeedPlace {
  const [xid = '0', sequence = '0'] = cursor.split('-');
  return { xid, sequence };
}
