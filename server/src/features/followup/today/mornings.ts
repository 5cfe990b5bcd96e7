import { TZDate } from '@date-fns/tz';
import type { Morning, Today } from '@dossier/contract';
import { format } from 'date-fns/format';
import { IsNull, Not, type DataSource } from 'typeorm';
import type { Logger } from '../../../platform/logger';
import { composeMail } from '../../../platform/mail/compose';
import { htmlOf } from '../../../platform/mail/htmlOf';
import { giveMail } from '../../../platform/mail/smtp';
import type { Reach } from '../../../platform/outside';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { MailSender, MailSettingsRecord } from '../mail/entities';
import { newHeaderId } from '../messages/write';
import { MorningMail } from '../tasks/entities';
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
    const isOurs = await inWorkspace(database, workspaceId, async (manager) => {
      const [, count] = await manager.query<[unknown[], number]>('update morning_mail set sent_on = $3 where workspace_id = $1 and account_id = $2 and sent_on is distinct from $3::date', [workspaceId, accountId, day]); // prettier-ignore
      return count === 1;
    });
    if (!isOurs) continue;
    const lines = linesOf(await today(database, { workspaceId, accountId }, { day, time }));
    if (lines.length === 0) continue;
    const text = [...lines, parts.publicAddress ? `${parts.publicAddress}/today` : ''].join('\n');
    await send(parts, settings, sender, account.email, text).catch((error: unknown) =>
      parts.logger.warn({ err: error }, 'a morning could not be sent'),
    );
  }
}

async function send(
  { allowed, sealing }: Parts,
  settings: MailSettingsRecord,
  sender: MailSender,
  to: string,
  text: string,
): Promise<void> {
  const raw = await composeMail({
    headerId: newHeaderId(sender.address),
    from: { name: sender.name, address: sender.address },
    to,
    subject: 'Your day',
    text,
    html: htmlOf(text),
    date: new Date(),
    attachments: [],
    headers: { 'Auto-Submitted': 'auto-generated' },
  });
  const server = { ...settings.outgoing!, password: settings.outPassword ? sealing.open(settings.outPassword) : '' };
  await giveMail(allowed, server, { from: sender.address, to }, raw, () => Promise.resolve());
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
      case 'lead':
        return [];
    }
  });
  return toProve > 0 ? [...lines, `${toProve} ${toProve === 1 ? 'card' : 'cards'} to prove`] : lines;
}
