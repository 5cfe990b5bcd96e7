import { busyTimes, NotACalendar } from '@dossier/core/followup/booking';
import { IsNull, Not, type DataSource } from 'typeorm';
import { askOutside, OutsideTrouble, type Reach } from '../../../platform/outside';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { BookingRulesRecord } from './entities';
import { workspacesWithCalendars } from './queries';

const MOST_BYTES = 8 * 1024 * 1024;
const DAY_MS = 24 * 60 * 60 * 1000;
/** So far ahead anybody may book, and a little more. */
const WINDOW_DAYS = 95;
const KEY_LOST = 'Its address cannot be read any more: give it anew.';

type Parts = { database: DataSource } & Pick<Reach, 'sealing' | 'allowed'>;

/** Looks at the other calendars of everybody who keeps free of one. */
export async function lookAtCalendars(parts: Parts, now = new Date()): Promise<void> {
  for (const workspaceId of await workspacesWithCalendars(parts.database.manager)) {
    const all = await inSnapshot(parts.database, workspaceId, (manager) =>
      manager.findBy(BookingRulesRecord, { workspaceId, isOn: true, busyUrl: Not(IsNull()) }),
    );
    for (const one of all) await lookAtCalendar(parts, one, now);
  }
}

/** Looks at one; where that does not go well, what was seen last still counts. */
export async function lookAtCalendar(
  { database, sealing, allowed }: Parts,
  { accountId, workspaceId, busyUrl, timeZone }: BookingRulesRecord,
  now: Date,
): Promise<void> {
  const seen = await look().catch((error: unknown) => {
    if (error instanceof OutsideTrouble || error instanceof NotACalendar) return { busyProblem: error.message };
    throw error;
  });
  await inWorkspace(database, workspaceId, (manager) =>
    manager.update(BookingRulesRecord, { accountId, busyUrl: busyUrl! }, seen),
  );

  async function look() {
    let url: string;
    try {
      url = sealing.open(busyUrl!);
    } catch {
      return { busyProblem: KEY_LOST };
    }
    const answer = await askOutside(allowed, MOST_BYTES)({ url, method: 'GET', headers: { accept: 'text/calendar' } });
    if (answer.status !== 200) throw new OutsideTrouble(`It answers with ${answer.status}.`);
    const window = { from: now, until: new Date(now.getTime() + WINDOW_DAYS * DAY_MS) };
    const busy = busyTimes(answer.body, window, timeZone).map(({ from, until }): [string, string] => [from.toISOString(), until.toISOString()]); // prettier-ignore
    return { busy, busySeenAt: now, busyProblem: null };
  }
}
