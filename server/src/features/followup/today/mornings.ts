import { TZDate } from '@date-fns/tz';
import type { Morning, Today } from '@dossier/contract';
import { format } from 'date-fns/format';
import { IsNull, Not, type DataSource } from 'typeorm';
import type { Logger } from '../../../platform/logger';
import type { Reach } from '../../../platform/outside';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { MailSender, MailSettingsRecord } from '../mail/entities';
import { mailToTeam } from '../mail/toTeam';
import { MorningMail } from '../tasks/entities';
import { claimMorning } from './queries';
import { today } from './today';

export const morningOf = (database: DataSource, { workspaceId, accountId }: SignedIn): Promise<Morning> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const { at, timeZone } = (await manager.findOneBy(MorningMail, { accountId })) ?? { at: null, timeZone: 'UTC' };
    return { at, timeZone };
  });

export const setMorning = (
  database: DataSource,
  { workspaceId, accountId }: SignedIn,
  { at, timeZone }: Morning,
): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    if (at === null) await manager.delete(MorningMail, { accountId });
    else await manager.upsert(MorningMail, { accountId, workspaceId, at, timeZone }, ['accountId']);
  });

type Parts = { database: DataSource; logger: Logger; now?: () => Date } & Reach;

/** Sends their day to everybody whose morning it is: once a day at most, and not at all where nothing needs them. */
export async function sendMornings(parts: Parts): Promise<void> {
  const rows = await parts.database.query<{ id: string }[]>('select * from workspaces_with_mornings() as found(id)');
  for (const { id } of rows) await sendIn(parts, id);
}

async function sendIn(parts: Parts, workspaceId: string): Promise<void> {
  const { database, now: clock = () => new Date() } = parts;
  const found = await inSnapshot(database, workspaceId, async (manager) => ({
    settings: await manager.findOneBy(MailSettingsRecord, { workspaceId, outgoing: Not(IsNull()) }),
    senders: await manager.find(MailSender, { where: { workspaceId }, order: { position: 'ASC' } }),
    mornings: await manager.find(MorningMail, { where: { workspaceId }, relations: { account: true } }),
  }));
  const { settings, senders } = found;
  const sender = senders.find(({ accountId }) => accountId === null) ?? senders[0];
  if (!settings || !sender) return;
  for (const { accountId, at, timeZone, sentOn, account } of found.mornings) {
    const here = new TZDate(clock().getTime(), timeZone);
    const [day, time] = [format(here, 'yyyy-MM-dd'), format(here, 'HH:mm')];
    if (time < at || sentOn === day || !account || account.outOfUseAt) continue;
    // Written down first: whoever crashes then sends none rather than two.
    const isOurs = await inWorkspace(database, workspaceId, (manager) => claimMorning(manager, workspaceId, accountId, day)); // prettier-ignore
    if (!isOurs) continue;
    const lines = linesOf(await today(database, { workspaceId, accountId }, { day, time }));
    if (lines.length === 0) continue;
    const text = [...lines, parts.publicAddress ? `${parts.publicAddress}/today` : ''].join('\n');
    await mailToTeam(parts, settings, sender, { to: account.email, subject: 'Your day', text }).catch(
      (error: unknown) => parts.logger.warn({ err: error }, 'a morning could not be sent'),
    );
  }
}

/** A day as lines of a mail; empty where nothing needs anybody. */
export function linesOf({ items, toProve }: Pick<Today, 'items' | 'toProve'>): string[] {
  const lines = items.flatMap((item): string[] => {
    switch (item.kind) {
      case 'task': {
        const { text, dueTime, person, company } = item.task;
        const about = person?.fullName ?? company?.name;
        return [`${item.isLate ? 'Late: ' : ''}${dueTime ? `${dueTime} ` : ''}${text}${about ? `, ${about}` : ''}`];
      }
      case 'answer':
        return [`Answer from ${item.person.fullName}: ${item.message.subject}`];
      case 'message':
        return [
          `${item.message.state === 'uncertain' ? 'Perhaps sent' : 'Not sent'} to ${item.person.fullName}: ${item.message.subject}`,
        ];
      case 'held':
        return [`Waits, ${item.person.fullName}: ${item.words}`];
      case 'opportunity':
        return item.why === 'past' ? [`Past its day: ${item.opportunity.title}`] : [];
      case 'lead':
        return [];
    }
  });
  return toProve > 0 ? [...lines, `${toProve} ${toProve === 1 ? 'card' : 'cards'} to prove`] : lines;
}
