import { calendarFeed } from '@dossier/core/followup/calendarFeed';
import { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { CalendarFeed } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { hashSecret, newSecret } from '../../../platform/secret';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { Account } from '../../account';
import { CalendarFeedRecord } from './entities';
import { calendarOfKey, taskRows } from './queries';

const MOST = 1000;

/** A private address for calendars; making one anew ends the one before. @returns its path, told once */
export const makeFeed = (database: DataSource, { workspaceId, accountId }: SignedIn): Promise<string> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const key = newSecret();
    await manager.upsert(
      CalendarFeedRecord,
      { accountId, workspaceId, keyHash: hashSecret(key), madeAt: new Date(), seenAt: null },
      ['accountId'],
    );
    return `/calendar/${key}.ics`;
  });

export const endFeed = (database: DataSource, { workspaceId, accountId }: SignedIn): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    await manager.delete(CalendarFeedRecord, { accountId });
  });

export const feedStanding = (database: DataSource, { workspaceId, accountId }: SignedIn): Promise<CalendarFeed> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const feed = await manager.findOneBy(CalendarFeedRecord, { accountId });
    return { madeAt: feed?.madeAt.toISOString() ?? null, seenAt: feed?.seenAt?.toISOString() ?? null };
  });

/** Somebody's open tasks for their calendar, to whoever has the private address. @param publicAddress for ways back to the people */
export function feedRoutes(database: DataSource, publicAddress: string | undefined): Router {
  const limit = rateLimit({ windowMs: 60_000, limit: 120, standardHeaders: 'draft-8', legacyHeaders: false });
  return Router().get('/calendar/:key.ics', limit, async (request, response) => {
    const key = String(request.params.key);
    const found = key.length < 100 ? await calendarOfKey(database.manager, hashSecret(key)) : undefined;
    if (!found) return void response.status(404).type('text').send('There is no calendar here any more.');
    const { account_id: accountId, workspace_id: workspaceId } = found;
    const feed = await inWorkspace(database, workspaceId, async (manager) => {
      const account = await manager.findOneByOrFail(Account, { id: accountId });
      if (account.outOfUseAt) return undefined;
      await manager.update(CalendarFeedRecord, { accountId }, { seenAt: new Date() });
      const rows = await taskRows(manager, workspaceId, {
        ownerId: accountId,
        personId: null,
        companyId: null,
        done: false,
        after: null,
        limit: MOST,
      });
      const tasks = rows.flatMap((row) =>
        row.due_on
          ? [
              {
                id: row.id,
                text: row.text,
                dueOn: row.due_on,
                dueTime: row.due_time,
                about: row.full_name ?? row.company_name ?? '',
                url: publicAddress && row.person_id ? `${publicAddress}/people/${row.person_id}` : null,
                changedAt: row.changed_at,
              },
            ]
          : [],
      );
      return calendarFeed(`Dossier: ${account.name}`, tasks);
    });
    if (feed === undefined) return void response.status(404).type('text').send('There is no calendar here any more.');
    response.set('Cache-Control', 'private, no-cache').type('text/calendar').send(feed);
  });
}
