import type {
  Attachment,
  Message,
  MessageList,
  MessageMove,
  NewMessage,
  Preview,
  PreviewRequest,
  TemplateText,
} from '@dossier/contract';
import { maySend, type Verdict } from '@dossier/core/followup';
import { fillTemplate, placeholderLabel, textIn } from '@dossier/core/followup/templates';
import { In, IsNull, type DataSource, type EntityManager } from 'typeorm';
import { conflict, notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { Person } from '../../people';
import { mayBeSent, standingOf } from '../gate';
import { assertOwnFiles, attachmentsOf, templateNow } from '../templates/service';
import { MessageRecord } from './entities';
import { queueWaiting } from './queries';
import { addresseeOf, type Addressee } from './valuesOf';
import { writeMessage } from './write';

const MOST_SHOWN = 200;

/** All that was written to somebody and by them, the latest first. @throws ProblemError 404 */
export const messagesOf = (database: DataSource, { workspaceId }: SignedIn, personId: string): Promise<MessageList> =>
  inSnapshot(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(Person, { id: personId }))) throw notFound('This person');
    const records = await manager.find(MessageRecord, {
      where: { workspaceId, personId },
      relations: SHOWN_WITH,
      order: { at: 'DESC', id: 'DESC' },
      take: MOST_SHOWN,
    });
    const files = await attachmentsOf(manager, records.flatMap(({ attachmentIds }) => attachmentIds)); // prettier-ignore
    return { items: records.map((record) => viewOf(record, files)) };
  });

/** Who wrote it, and the plan that it is of. */
const SHOWN_WITH = { maker: true, enrolment: { plan: true } } as const;

function viewOf(record: MessageRecord, files: readonly Attachment[]): Message {
  const { id, direction, state, kind, subject, problem, answersId } = record;
  return {
    id, direction, kind, subject, problem, answersId,
    state: state === 'handing' ? 'sending' : state,
    at: record.at.toISOString(),
    from: record.sender,
    to: record.recipient,
    text: record.body,
    cameBack: record.cameBackAt !== null,
    isRead: direction === 'out' || record.readAt !== null,
    by: record.maker?.name ?? null,
    plan: record.enrolment?.plan?.name ?? null,
    attachments: files.filter((file) => record.attachmentIds.includes(file.id)),
  }; // prettier-ignore
}

async function shown(manager: EntityManager, workspaceId: string, id: string): Promise<Message | undefined> {
  const record = await manager.findOne(MessageRecord, { where: { id, workspaceId }, relations: SHOWN_WITH });
  return record ? viewOf(record, await attachmentsOf(manager, record.attachmentIds)) : undefined;
}

/** A template, or a text that is not saved yet, as it would go to one person, and whether it would be let through. @throws ProblemError 404 */
export const preview = (
  database: DataSource,
  { workspaceId }: SignedIn,
  personId: string,
  request: PreviewRequest,
): Promise<Preview> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const addressee = await addresseeOf(manager, personId);
    const standing = await standingOf(manager, { personId, workspaceId });
    if (!addressee || !standing) throw notFound('This person');
    const template = request.templateId ? await templateNow(manager, workspaceId, request.templateId) : undefined;
    const texts = (request.texts ?? template?.texts ?? {}) as Record<string, TemplateText>;
    const { language, text } = textIn(texts, request.language ?? addressee.language) ?? {
      language: addressee.language,
      text: { subject: [], body: [] },
    };
    const filled = fillTemplate(text, addressee.values(language));
    const shown = filled.missing.length > 0 ? fillTemplate(withGaps(text), addressee.values(language)) : filled;
    const { subject, body } = shown as { subject: string; body: string };
    const to = addressee.to ?? '';
    const verdict = maySend(standing, { channel: 'email', to, purpose: request.purpose }, new Date());
    return {
      language,
      from: addressee.sender ? `${addressee.sender.name} <${addressee.sender.address}>` : null,
      to: addressee.to ?? null,
      subject,
      body,
      missing: filled.missing.map(placeholderLabel),
      attachments: [
        ...(template?.ownVcard ? ['Your own details'] : []),
        ...(await attachmentsOf(manager, template?.attachmentIds ?? [])).map(({ name }) => name),
      ],
      verdict: told(verdict),
    };
  });

/** So that what is missing can be seen where it is missing. */
const withGaps = ({ subject, body }: TemplateText): TemplateText => {
  const gap = (piece: TemplateText['body'][number]) =>
    typeof piece === 'string' ? piece : { ...piece, fallback: piece.fallback || '…' };
  return { subject: subject.map(gap), body: body.map(gap) };
};

export const told = (verdict: Verdict) => (verdict.may ? { may: true, why: null, words: null } : verdict);

/**
 * Puts a message on its way that somebody has looked at. The same id twice is one message.
 * @throws ProblemError 404, 422 where there is nobody to send from, or it is not let through
 */
export function sendByHand(
  database: DataSource,
  who: SignedIn,
  personId: string,
  message: NewMessage,
): Promise<Message> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const addressee = await addresseeOf(manager, personId);
    if (!addressee) throw notFound('This person');
    return sendLooked(manager, who, addressee, message);
  });
}

/** The same within what somebody else does. */
export async function sendLooked(
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  { person, emails, sender, language }: Addressee,
  message: NewMessage,
): Promise<Message> {
  const sent = await shown(manager, workspaceId, message.id);
  if (sent) return sent;
  if (message.to && !emails.includes(message.to))
    throw new ProblemError(422, 'not-theirs', 'Not their address', `${message.to} does not stand on this person. Add it there first.`, [{ path: 'to', message: 'Choose one of their addresses.' }]); // prettier-ignore
  if (!sender)
    throw new ProblemError(
      422,
      'no-sender',
      'Nobody to send from',
      'No address to send from is set. An administrator sets one under Mail.',
    );
  const verdict = await mayBeSent(
    manager,
    { personId: person.id, workspaceId },
    { channel: 'email', to: message.to, purpose: message.purpose },
  );
  if (!verdict.may)
    throw new ProblemError(422, 'not-let-through', 'Not sent', verdict.words, [
      { path: 'purpose', message: verdict.words },
    ]);
  await assertOwnFiles(manager, workspaceId, message.attachmentIds);
  const template = message.templateId ? await templateNow(manager, workspaceId, message.templateId) : undefined;
  const answered = message.answersId
    ? await manager.findOneBy(MessageRecord, { id: message.answersId, workspaceId, personId: person.id })
    : null;
  await writeMessage(
    manager,
    {
      ...message,
      workspaceId,
      personId: person.id,
      sender,
      templateVersion: template?.version ?? null,
      refersTo: answered ? [answered.headerId, ...answered.refersTo] : [],
      answersId: answered?.id ?? null,
      language,
      madeBy: accountId,
    },
    new Date(),
  );
  if (answered) await manager.update(MessageRecord, { id: answered.id, readAt: IsNull() }, { readAt: new Date() });
  return (await shown(manager, workspaceId, message.id))!;
}

/**
 * What somebody says of a message: it is read; it is to be tried again; what perhaps went has arrived, or is given up.
 * @throws ProblemError 404, 409 where that cannot be said of it
 */
export function moveMessage(
  database: DataSource,
  { workspaceId }: SignedIn,
  id: string,
  { to }: MessageMove,
): Promise<void> {
  return inWorkspace(database, workspaceId, async (manager) => {
    const message = await manager.findOne(MessageRecord, {
      where: { id, workspaceId },
      lock: { mode: 'pessimistic_write' },
    });
    if (!message) throw notFound('This message');
    const now = new Date();
    if (to === 'read' || to === 'unread') {
      if (message.direction === 'in' || message.state === 'refused')
        await manager.update(MessageRecord, { id }, { readAt: to === 'read' ? now : null });
      return;
    }
    const { affected } = await manager.update(MessageRecord, { id, state: In([...FROM[to]]) }, MOVES[to](now));
    if (!affected) throw conflict('message-moved', 'This message is not waiting for that any more. Load it again.');
    if (to === 'again') await queueWaiting(manager, workspaceId, [id]);
  });
}

const FROM = {
  again: ['uncertain', 'refused'],
  arrived: ['uncertain'],
  dropped: ['uncertain', 'refused', 'waiting'],
} as const;
const MOVES = {
  again: (now: Date) => ({ state: 'waiting', nextAt: now, deferrals: 0, problem: null }) as const,
  arrived: () => ({ state: 'sent', problem: null }) as const,
  dropped: (now: Date) =>
    ({ state: 'refused', problem: 'Somebody decided that it is not sent.', nextAt: null, readAt: now }) as const,
};
