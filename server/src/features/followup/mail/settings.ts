import type { DoNotWriteEntry, DoNotWriteList, MailIn, MailOut, MailSettings, MailStanding } from '@dossier/contract';
import { In, Not, type DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { Reach } from '../../../platform/outside';
import { notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { Account } from '../../account';
import { mailStanding, queueWaiting } from '../messages/queries';
import { DoNotWrite, MailSender, MailSettingsRecord } from './entities';
import { mailToTeam } from './toTeam';

const NOTHING: Pick<
  MailSettingsRecord,
  'outgoing' | 'incoming' | 'perMinute' | 'quietFrom' | 'quietTo' | 'onDaysOff' | 'footer'
> = {
  outgoing: null,
  incoming: null,
  perMinute: 30,
  quietFrom: '18:00',
  quietTo: '08:00',
  onDaysOff: false,
  footer: '',
};

export const loadMail = (
  database: DataSource,
  { publicAddress }: Reach,
  { workspaceId }: SignedIn,
): Promise<MailStanding> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const record = await manager.findOneBy(MailSettingsRecord, { workspaceId });
    const { outgoing, incoming, perMinute, quietFrom, quietTo, onDaysOff, footer } = record ?? NOTHING;
    const senders = await manager.find(MailSender, { where: { workspaceId }, order: { position: 'ASC' } });
    return {
      settings: {
        out: outgoing,
        incoming,
        perMinute,
        quietFrom,
        quietTo,
        onDaysOff,
        footer,
        senders: senders.map(({ address, name, accountId }) => ({ address, name, accountId })),
      },
      hasOutPassword: Boolean(record?.outPassword),
      hasInPassword: Boolean(record?.inPassword),
      outTrouble: record?.outTrouble ?? null,
      inTrouble: record?.inTrouble ?? null,
      lookedAt: record?.lookedAt?.toISOString() ?? null,
      hasPublicAddress: publicAddress !== undefined,
      ...(await mailStanding(manager, workspaceId)),
    };
  });

/**
 * Sets how a team sends and receives; what waited for a server goes on. A password stays as it is where none is given, unless it would go
 * to another server.
 * @throws ProblemError 422
 */
export function saveMail(
  database: DataSource,
  { sealing }: Reach,
  { workspaceId }: SignedIn,
  fields: MailSettings,
): Promise<void> {
  const { out, incoming, perMinute, quietFrom, quietTo, onDaysOff, footer } = fields;
  return inWorkspace(database, workspaceId, async (manager) => {
    const before = await manager.findOne(MailSettingsRecord, {
      where: { workspaceId },
      lock: { mode: 'pessimistic_write' },
    });
    const kept = (
      given: string | null | undefined,
      now: MailOut | null,
      was: MailOut | null | undefined,
      sealed: string | null | undefined,
      path: string,
    ) => {
      if (given !== undefined) return given ? sealing.seal(given) : null;
      if (!now || !sealed) return null;
      if (was && (was.host !== now.host || was.port !== now.port)) throw passwordAnew(path);
      return sealed;
    };
    const row = {
      workspaceId,
      outgoing: out,
      incoming,
      perMinute,
      quietFrom,
      quietTo,
      onDaysOff,
      footer,
      outPassword: kept(fields.outPassword, out, before?.outgoing, before?.outPassword, 'outPassword'),
      inPassword: kept(fields.inPassword, incoming, before?.incoming, before?.inPassword, 'inPassword'),
      outTrouble: null,
      troubleSince: null,
      // It is tried at once: something was mended, perhaps.
      nextSlotAt: new Date(),
      inTrouble: null,
      // Another mailbox is looked into from its end.
      ...(!isSameBox(before?.incoming, incoming) && { uidValidity: null, lastUid: null }),
    };
    await manager.upsert(MailSettingsRecord, row as object, ['workspaceId']);
    const ids = fields.senders.flatMap(({ accountId }) => (accountId ? [accountId] : []));
    if (ids.length > 0 && (await manager.countBy(Account, { id: In(ids), workspaceId })) !== new Set(ids).size)
      throw new ProblemError(422, 'no-such-colleague', 'Not one of you', 'An address belongs to somebody who is not in your team.', [{ path: 'senders', message: 'Choose somebody of your team.' }]); // prettier-ignore
    await manager.delete(MailSender, { workspaceId, address: Not(In(fields.senders.map(({ address }) => address))) });
    for (const [position, sender] of fields.senders.entries())
      await manager.upsert(
        MailSender,
        { ...sender, id: uuidv7(), workspaceId, position },
        { conflictPaths: ['workspaceId', 'address'], skipUpdateIfNoValuesChanged: false },
      );
    if (out) await queueWaiting(manager, workspaceId);
  });
}

const isSameBox = (one: MailIn | null | undefined, other: MailIn | null): boolean =>
  (['host', 'port', 'user', 'folder'] as const).every((field) => one?.[field] === other?.[field]);

function passwordAnew(path: string): ProblemError {
  const message = 'Give the password anew: it would go to another server than it was given for.';
  return new ProblemError(422, 'secret-anew', 'Password missing', message, [{ path, message }]);
}

/** Sends a try to somebody of the team. @returns what came of it, in words */
export async function tryMail(
  database: DataSource,
  reach: Reach,
  { workspaceId }: SignedIn,
  to: string,
): Promise<{ ok: boolean; words: string }> {
  const { settings, senders, team } = await inSnapshot(database, workspaceId, async (manager) => ({
    settings: await manager.findOneBy(MailSettingsRecord, { workspaceId }),
    senders: await manager.find(MailSender, { where: { workspaceId }, order: { position: 'ASC' } }),
    team: await manager.find(Account, { where: { workspaceId }, select: { email: true } }),
  }));
  const [sender] = senders;
  if (!settings?.outgoing || !sender)
    return { ok: false, words: 'Set a server and an address to send from first, and save.' };
  const own = [...team.map(({ email }) => email.toLowerCase()), ...senders.map(({ address }) => address)];
  if (!own.includes(to)) return { ok: false, words: 'A try goes only to somebody of your team.' };
  const text = 'This is a try from Dossier. If you read it, sending works.';
  return mailToTeam(reach, settings, sender, { to, subject: 'A try from Dossier', text }).then(
    () => ({ ok: true, words: `The mail server took it. Look whether it has come to ${to}.` }),
    (error: Error) => ({ ok: false, words: error.message }),
  );
}

export const listDoNotWrite = (database: DataSource, { workspaceId }: SignedIn): Promise<DoNotWriteList> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const rows = await manager.find(DoNotWrite, {
      where: { workspaceId },
      relations: { account: true },
      order: { value: 'ASC' },
    });
    return {
      items: rows.map(({ id, value, why, at, account }) => ({
        id,
        value,
        why,
        at: at.toISOString(),
        by: account?.name ?? '',
      })),
    };
  });

/** Twice it is there once. */
export const addDoNotWrite = (
  database: DataSource,
  { workspaceId, accountId }: SignedIn,
  entry: DoNotWriteEntry,
): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    await manager.upsert(DoNotWrite, { ...entry, id: uuidv7(), workspaceId, by: accountId, at: new Date() }, [
      'workspaceId',
      'value',
    ]);
  });

/** @throws ProblemError 404 */
export const removeDoNotWrite = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.delete(DoNotWrite, { id, workspaceId });
    if (!affected) throw notFound('This entry');
  });
