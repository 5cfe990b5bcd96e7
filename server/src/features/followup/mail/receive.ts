import { createHash } from 'node:crypto';
import {
  kindOfMail,
  messageIdsIn,
  readDeliveryStatus,
  withoutQuoted,
  type DeliveryReport,
  type IncomingKind,
} from '@dossier/core/followup/mail';
import { writable } from '@dossier/core/text';
import { simpleParser, type AddressObject, type ParsedMail } from 'mailparser';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { storage } from '../../../platform/storage';
import { fileNameOf } from '../../../platform/upload';
import { inWorkspace } from '../../../platform/workspaceScope';
import { log, Person } from '../../people';
import { cameBack } from '../messages/cameBack';
import { MessageRecord } from '../messages/entities';
import { personAt, writtenWith } from '../messages/queries';
import { happensTo } from '../plans/happens';
import { cleanHtml } from './clean';
import { AttachmentRecord } from './entities';

/** So much of what comes along is kept of one mail, and of one text. */
const MOST_FILES = 20;
const MOST_FILE_BYTES = 15 * 1024 * 1024;
const MOST_TEXT = 100_000;

export interface Incoming {
  headerId: string;
  /** What it answers, or reports of, the closest first. */
  refersTo: string[];
  kind: IncomingKind;
  reports: DeliveryReport[];
  from: string;
  to: string[];
  mail: ParsedMail;
}

/** Reads a mail as it came over the line. A mail without an id gets one from its bytes, so that it is known when it comes again. */
export async function readMail(raw: Buffer): Promise<Incoming> {
  const mail = await simpleParser(raw, { skipImageLinks: true });
  const header = (name: string) => {
    const line = mail.headerLines.find(({ key }) => key === name)?.line;
    return line?.slice(line.indexOf(':') + 1).trim();
  };
  const from = (mail.from?.value[0]?.address ?? '').toLowerCase();
  const parts = (type: RegExp) => mail.attachments.filter(({ contentType }) => type.test(contentType)).map(({ content }) => content.toString('utf8')); // prettier-ignore
  const reports = parts(/^message\/delivery-status$/).flatMap(readDeliveryStatus);
  const original = parts(/^(?:message\/rfc822|text\/rfc822-headers)$/).flatMap((text) =>
    messageIdsIn(/^message-id:\s*(\S+)/im.exec(text)?.[1]),
  );
  return {
    headerId: mail.messageId ?? `<${createHash('sha256').update(raw).digest('hex')}@came.without.id>`,
    refersTo: [
      ...new Set([
        ...messageIdsIn(mail.inReplyTo),
        ...messageIdsIn([mail.references ?? []].flat().join(' ')),
        ...original,
      ]),
    ],
    kind: kindOfMail({ header, contentType: header('content-type') ?? '', from, subject: mail.subject ?? '' }, reports),
    reports,
    from,
    to: [mail.to, mail.cc].flat().flatMap((list) => addressesIn(list)),
    mail,
  };
}

const addressesIn = (list: AddressObject | undefined): string[] => (list?.value ?? []).flatMap(({ address }) => (address ? [address.toLowerCase()] : [])); // prettier-ignore

export type Received = 'kept' | 'known' | 'nobody';

/**
 * Takes in a mail: it belongs to whom it answers, else to whoever has its address; from anybody else it is left alone. The same mail
 * twice is taken once.
 */
export const receiveMail = (
  database: DataSource,
  workspaceId: string,
  incoming: Incoming,
  now = new Date(),
): Promise<Received> => inWorkspace(database, workspaceId, (manager) => receiveIn(manager, workspaceId, incoming, now));

export async function receiveIn(
  manager: EntityManager,
  workspaceId: string,
  incoming: Incoming,
  now: Date,
): Promise<Received> {
  const { headerId, refersTo, kind, from, to, mail } = incoming;
  if (await manager.existsBy(MessageRecord, { workspaceId, direction: 'in', headerId })) return 'known';
  const written = refersTo.length > 0 ? await writtenWith(manager, workspaceId, refersTo) : undefined;
  const personId = written?.person_id ?? (from ? await personAt(manager, workspaceId, from) : undefined);
  if (!personId || !(await manager.findOne(Person, { where: { id: personId }, lock: { mode: 'for_key_share' } })))
    return 'nobody';
  const id = uuidv7();
  const attachmentIds = await keepFiles(manager, workspaceId, personId, mail, now);
  const text = writable(mail.text ?? '').slice(0, MOST_TEXT);
  const made = await manager
    .createQueryBuilder()
    .insert()
    .into(MessageRecord)
    .values({
      id,
      workspaceId,
      personId,
      direction: 'in',
      state: 'received',
      kind,
      purpose: null,
      headerId,
      refersTo,
      sender: from,
      senderName: writable(mail.from?.value[0]?.name ?? '').slice(0, 200),
      recipient: to[0] ?? '',
      subject: writable(mail.subject ?? '').slice(0, 300),
      body: withoutQuoted(text) || text,
      html: typeof mail.html === 'string' ? writable(cleanHtml(mail.html)).slice(0, MOST_TEXT * 2) : null,
      answersId: written?.id ?? null,
      attachmentIds,
      madeAt: now,
      at: mail.date && mail.date < now ? mail.date : now,
      // Only what somebody wrote needs somebody.
      readAt: kind === 'answer' ? null : now,
    } as object)
    .orIgnore()
    .returning('id')
    .execute();
  if ((made.raw as unknown[]).length === 0) return 'known';
  if (kind === 'answer') {
    await log(manager, { workspaceId, accountId: null }, { personId, action: 'answered', at: now, changes: [{ field: 'message', before: '', after: mail.subject ?? '' }] }); // prettier-ignore
    await happensTo(manager, workspaceId, personId, { kind: 'answered', at: now });
  }
  if (kind === 'bounce') await bounced(manager, workspaceId, incoming, written?.id, now);
  return 'kept';
}

async function bounced(
  manager: EntityManager,
  workspaceId: string,
  { reports }: Incoming,
  messageId: string | undefined,
  now: Date,
): Promise<void> {
  const message = messageId ? await manager.findOneBy(MessageRecord, { id: messageId, workspaceId }) : null;
  if (!message) return;
  const report = reports.find(({ action, status }) => action === 'failed' || status.startsWith('5.'));
  await cameBack(manager, message, report?.status ?? '', now);
}

async function keepFiles(
  manager: EntityManager,
  workspaceId: string,
  personId: string,
  mail: ParsedMail,
  madeAt: Date,
): Promise<string[]> {
  const ids: string[] = [];
  const files = mail.attachments.filter(({ contentType, related }) => !related && !contentType.startsWith('message/') && contentType !== 'text/rfc822-headers'); // prettier-ignore
  for (const { filename, contentType, content } of files.slice(0, MOST_FILES)) {
    if (content.length > MOST_FILE_BYTES) continue;
    const [id, fileId] = [uuidv7(), uuidv7()];
    await storage.put(manager, { id: fileId, workspaceId, type: contentType, bytes: content });
    await manager.insert(AttachmentRecord, { id, workspaceId, fileId, name: fileNameOf(filename, ids.length + 1), type: contentType, bytes: content.length, personId, madeAt }); // prettier-ignore
    ids.push(id);
  }
  return ids;
}
