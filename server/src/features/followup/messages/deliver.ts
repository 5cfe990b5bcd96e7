import type { Sending } from '@dossier/core/followup';
import { withdrawWords } from '@dossier/core/followup/templates';
import type { Task } from 'graphile-worker';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { z } from 'zod';
import { composeMail } from '../../../platform/mail/compose';
import { htmlOf } from '../../../platform/mail/htmlOf';
import { giveMail, MailRefused, MailUncertain, type MailServer } from '../../../platform/mail/smtp';
import { OutsideTrouble, type Reach } from '../../../platform/outside';
import { storage } from '../../../platform/storage';
import { inWorkspace } from '../../../platform/workspaceScope';
import { log } from '../../people';
import { mayBeSent } from '../gate';
import { AttachmentRecord, MailSettingsRecord } from '../mail/entities';
import { PASSWORD_LOST, serverOf } from '../mail/serverOf';
import { cameBack } from './cameBack';
import { MessageRecord } from './entities';
import { ownVcard } from './ownVcard';
import { queueWaiting, restMail, takeMailSlot } from './queries';

/** Seconds between tries of what the server does not take just now: about a day in all, then somebody must look. */
export const PAUSES = [5, 30, 120, 600, 1800, 3600, 10_800, 21_600, 43_200] as const;
/** What no mail server has taken for so long is left to somebody. */
const GIVEN_UP_MS = 3 * 24 * 60 * 60 * 1000;
/** So soon it is not worth to come again later. */
const SHORT_WAIT_MS = 400;

type Parts = { database: DataSource } & Reach;
const Payload = z.object({ messageId: z.uuid(), workspaceId: z.uuid() });

/** It is not let through: not at the beginning, or no longer at the last moment. */
class NotLetThrough extends Error {}
/** Somebody else is at it, or has taken it back. */
class NotOursAnyMore extends Error {}

interface Begun {
  message: MessageRecord;
  server: MailServer;
  raw: Buffer;
}

/**
 * Gives one message to the team's mail server. Its id and its state are in the database before the server sees anything: what a crash
 * leaves before the end of the message is sent again, what it leaves after that is `uncertain` and is not.
 */
export const sendMessageTask =
  (parts: Parts): Task =>
  async (raw) => {
    const { messageId, workspaceId } = Payload.parse(raw);
    const { database, allowed } = parts;
    const begun = await inWorkspace(database, workspaceId, (manager) => begin(parts, manager, workspaceId, messageId));
    if (!begun) return;
    const { message, server } = begun;
    const isMine = { id: message.id, workspaceId, attempts: message.attempts };
    const beforeEnd = () =>
      inWorkspace(database, workspaceId, async (manager) => {
        const now = new Date();
        // Whoever withdrew while the line was made is not written to.
        const verdict = await mayBeSent(manager, message, sendingOf(message), { now, exceptId: message.id });
        if (!verdict.may) throw new NotLetThrough(verdict.words);
        const { affected } = await manager.update(
          MessageRecord,
          { ...isMine, state: 'sending' },
          { state: 'handing', passedAt: now },
        );
        if (!affected) throw new NotOursAnyMore();
      });
    const outcome = await giveMail(
      allowed,
      server,
      { from: message.sender, to: message.recipient },
      begun.raw,
      beforeEnd,
    ).then(
      () => 'sent' as const,
      (error: unknown) => error as Error,
    );
    await inWorkspace(database, workspaceId, (manager) => end(manager, message, outcome));
  };

/** What a message wants to be let through for. */
export const sendingOf = ({ channel, recipient, purpose }: MessageRecord): Sending => ({
  channel,
  to: recipient,
  purpose: purpose!,
});

async function begin(
  { sealing, publicAddress }: Parts,
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<Begun | undefined> {
  const message = await manager.findOne(MessageRecord, {
    where: { id, workspaceId },
    lock: { mode: 'pessimistic_write' },
  });
  if (!message || message.direction !== 'out') return undefined;
  if (message.state === 'handing') {
    await manager.update(MessageRecord, { id }, { state: 'uncertain', nextAt: null, problem: UNCERTAIN });
    return undefined;
  }
  // One that a worker was killed at is gone on with: its last dot was not sent.
  if (message.state !== 'waiting' && message.state !== 'sending') return undefined;
  const settings = await manager.findOneBy(MailSettingsRecord, { workspaceId });
  if (!settings?.outgoing) {
    // It goes on once a server is set.
    await manager.update(
      MessageRecord,
      { id },
      { state: 'waiting', problem: 'No mail server is set yet.', nextAt: null },
    );
    return undefined;
  }
  const verdict = await mayBeSent(manager, message, sendingOf(message), { exceptId: message.id });
  if (!verdict.may) {
    await refuse(manager, message, verdict.words);
    return undefined;
  }
  const isPlan = message.kind === 'plan';
  if (isPlan && !publicAddress) {
    await refuse(
      manager,
      message,
      'No way to withdraw can be given: whoever runs Dossier sets DOSSIER_PUBLIC_ADDRESS.',
    );
    return undefined;
  }
  const server = serverOf(sealing, settings);
  if (!server) {
    const next = await restMail(manager, workspaceId, PASSWORD_LOST);
    await comeAgain(manager, message, next, null);
    return undefined;
  }
  const wait = message.hasSlot ? 0 : await takeMailSlot(manager, workspaceId);
  if (wait > SHORT_WAIT_MS) {
    await comeAgain(manager, message, new Date(Date.now() + wait), message.problem, true);
    return undefined;
  }
  const attempts = message.attempts + 1;
  await manager.update(MessageRecord, { id }, { state: 'sending', attempts, hasSlot: false });
  const withdrawUrl =
    publicAddress && message.withdrawKey ? `${publicAddress}/withdraw/${message.withdrawKey}` : undefined;
  const text = [message.body, settings.footer, withdrawUrl && withdrawWords(message.language, withdrawUrl)]
    .filter(Boolean)
    .join('\n\n');
  const files = await filesOf(manager, message);
  const raw = await composeMail({
    headerId: message.headerId,
    from: { name: message.senderName, address: message.sender },
    to: message.recipient,
    subject: message.subject,
    text,
    html: htmlOf(text),
    date: message.madeAt,
    inReplyTo: message.refersTo[0],
    references: message.refersTo,
    withdrawUrl,
    invitation: files.find(isInvitation),
    attachments: [
      ...(message.ownVcard ? [await ownVcard(manager, message)] : []),
      ...files.filter((file) => !isInvitation(file)),
    ],
  });
  return { message: { ...message, attempts } as MessageRecord, server, raw };
}

const UNCERTAIN = 'This was interrupted while it was given to the mail server: it may have been sent, and may not.';

/** What calendars take from a mail is another way to read it, not a file beside it (RFC 6047, 2.4). */
const isInvitation = ({ contentType }: { contentType: string }): boolean =>
  /^text\/calendar;.*method=/i.test(contentType);

async function filesOf(manager: EntityManager, { attachmentIds, workspaceId }: MessageRecord) {
  const records = attachmentIds.length > 0 ? await manager.findBy(AttachmentRecord, { id: In(attachmentIds), workspaceId }) : []; // prettier-ignore
  const files = [];
  for (const { fileId, name, type } of records) {
    const file = await storage.get(manager, fileId);
    if (file) files.push({ filename: name, contentType: type, content: file.bytes });
  }
  return files;
}

async function end(manager: EntityManager, message: MessageRecord, outcome: 'sent' | Error): Promise<void> {
  const { id, workspaceId, attempts } = message;
  const now = new Date();
  const record = await manager.findOne(MessageRecord, {
    where: { id, workspaceId, attempts, state: In(['sending', 'handing', 'uncertain']) },
    lock: { mode: 'pessimistic_write' },
  });
  if (!record || outcome instanceof NotOursAnyMore) return;
  if (outcome === 'sent') {
    await manager.update(MessageRecord, { id }, { state: 'sent', at: now, nextAt: null, problem: null });
    await manager.update(MailSettingsRecord, { workspaceId }, { outTrouble: null, troubleSince: null });
    if (message.personId) await log(manager, { workspaceId, accountId: message.madeBy }, { personId: message.personId, action: 'wroteTo', at: now, changes: [{ field: 'message', before: '', after: message.subject }] }); // prettier-ignore
    return;
  }
  if (outcome instanceof NotLetThrough) return refuse(manager, record, outcome.message);
  if (outcome instanceof MailUncertain) {
    await manager.update(MessageRecord, { id }, { state: 'uncertain', nextAt: null, problem: UNCERTAIN });
    return;
  }
  if (outcome instanceof MailRefused && outcome.of !== 'login') {
    const pause = PAUSES[record.deferrals];
    if (outcome.mayGoWell && pause !== undefined) {
      await manager.update(MessageRecord, { id }, { deferrals: record.deferrals + 1 });
      return comeAgain(manager, record, new Date(now.getTime() + pause * 1000), outcome.message);
    }
    await refuse(manager, record, outcome.message);
    if (outcome.of === 'recipient' && !outcome.mayGoWell)
      await cameBack(manager, record, outcome.enhanced || String(outcome.code), now);
    return;
  }
  if (!(outcome instanceof OutsideTrouble || outcome instanceof MailRefused)) throw outcome;
  // It is not this message: all wait until the server is tried next.
  const next = await restMail(manager, workspaceId, outcome.message);
  if (now.getTime() - record.madeAt.getTime() > GIVEN_UP_MS) return refuse(manager, record, outcome.message);
  return comeAgain(manager, record, next, outcome.message);
}

async function refuse(manager: EntityManager, { id }: MessageRecord, problem: string): Promise<void> {
  await manager.update(MessageRecord, { id }, { state: 'refused', problem, nextAt: null });
}

async function comeAgain(
  manager: EntityManager,
  { id, workspaceId }: MessageRecord,
  nextAt: Date,
  problem: string | null,
  hasSlot = false,
): Promise<void> {
  await manager.update(MessageRecord, { id }, { state: 'waiting', nextAt, problem, hasSlot });
  await queueWaiting(manager, workspaceId, [id]);
}
