import { randomBytes } from 'node:crypto';
import type { Purpose } from '@dossier/core/followup';
import { domainOf } from '@dossier/core/followup';
import type { EntityManager } from 'typeorm';
import type { MailSender } from '../mail/entities';
import { idTaken } from '../../../platform/problem';
import { MessageRecord } from './entities';
import { queueWaiting } from './queries';

export interface ToWrite {
  id: string;
  workspaceId: string;
  /** Null where nobody knows who booked a talk. */
  personId: string | null;
  bookingId?: string;
  purpose: Purpose;
  sender: Pick<MailSender, 'address' | 'name'>;
  to: string;
  subject: string;
  body: string;
  templateId: string | null;
  templateVersion: number | null;
  enrolmentId?: string;
  stepId?: string;
  answersId?: string | null;
  refersTo?: string[];
  language: string;
  ownVcard: boolean;
  attachmentIds: string[];
  madeBy: string | null;
}

/** An id for a mail's head that nobody guesses (RFC 5322, 3.6.4). */
export const newHeaderId = (sender: string): string => `<${randomBytes(16).toString('hex')}@${domainOf(sender)}>`;

/**
 * Writes a message down and puts it on its way, in the caller's transaction: from then on it is sent once, whoever crashes. The same id,
 * or the same step of a plan, twice is one message.
 */
export async function writeMessage(manager: EntityManager, message: ToWrite, at: Date): Promise<void> {
  const { workspaceId, sender, to, purpose, enrolmentId, stepId, ...rest } = message;
  const made = await manager
    .createQueryBuilder()
    .insert()
    .into(MessageRecord)
    .values({
      ...rest,
      workspaceId,
      enrolmentId: enrolmentId ?? null,
      stepId: stepId ?? null,
      bookingId: message.bookingId ?? null,
      answersId: message.answersId ?? null,
      refersTo: message.refersTo ?? [],
      direction: 'out',
      channel: 'email',
      state: 'waiting',
      kind: purpose.kind,
      purpose,
      headerId: newHeaderId(sender.address),
      sender: sender.address,
      senderName: sender.name,
      recipient: to,
      withdrawKey: purpose.kind === 'reply' ? null : randomBytes(24).toString('base64url'),
      madeAt: at,
      at,
      nextAt: at,
    } as object)
    .orIgnore()
    .returning('id')
    .execute();
  if ((made.raw as unknown[]).length > 0) await queueWaiting(manager, workspaceId, [message.id]);
  else if (!stepId && !(await manager.existsBy(MessageRecord, { id: message.id, workspaceId }))) throw idTaken();
}
