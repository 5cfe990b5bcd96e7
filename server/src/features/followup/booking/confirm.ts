import { BOOKING_MAIL_WORDS, invitation } from '@dossier/core/followup/booking';
import { Buffer } from 'node:buffer';
import { IsNull, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { storage } from '../../../platform/storage';
import { Workspace } from '../../account';
import { AttachmentRecord, MailSender } from '../mail/entities';
import { writeMessage } from '../messages/write';
import { BookingRecord } from './entities';
import { pathOfTalk } from './paths';
import { whenWords } from './whenWords';

export interface Confirming {
  /** Whose name stands under it. */
  name: string;
  place: string;
  publicAddress: string | undefined;
}

/**
 * Writes to whoever has booked what is booked now, with an invitation for their calendar.
 * @returns whether there is an address to write from
 */
export async function confirm(
  manager: EntityManager,
  booking: BookingRecord,
  { name, place, publicAddress }: Confirming,
  at: Date,
): Promise<boolean> {
  const { id, workspaceId, accountId, personId, startsAt, endsAt, email, language, timeZone, key, sequence } = booking;
  const sender =
    (await manager.findOneBy(MailSender, { workspaceId, accountId })) ??
    (await manager.findOne(MailSender, { where: { workspaceId, accountId: IsNull() }, order: { position: 'ASC' } }));
  if (!sender) return false;
  const isCancelled = booking.state === 'calledOff';
  const words = BOOKING_MAIL_WORDS[language] ?? BOOKING_MAIL_WORDS.en!;
  const [subject, body] = isCancelled
    ? [words.calledOff, words.calledOffWords]
    : sequence > 0
      ? [words.moved, words.movedWords]
      : [words.booked, words.bookedWords];
  const minutes = Math.round((endsAt.getTime() - startsAt.getTime()) / 60_000);
  const fill = (text: string) =>
    text
      .replace('{when}', () => whenWords(startsAt, timeZone, language))
      .replace('{minutes}', String(minutes))
      .replace('{name}', () => name);
  const url = publicAddress && !isCancelled ? publicAddress + pathOfTalk(key) : undefined;
  const { name: team } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const { method, text } = invitation({
    id, sequence, startsAt, endsAt, place, url, isCancelled,
    summary: `${booking.name}, ${name} (${team})`,
    organizer: { name, address: sender.address },
    attendee: { name: booking.name, address: email },
    changedAt: at,
  }); // prettier-ignore
  const attachmentId = await keepInvitation(manager, booking, method, text, at);
  const messageId = uuidv7();
  await writeMessage(
    manager,
    {
      id: messageId,
      workspaceId,
      personId,
      bookingId: id,
      purpose: { kind: 'reply', asked: `${fill(words.booked)} (${sequence})` },
      sender,
      to: email,
      subject: fill(subject),
      body: [fill(body), place, url && `${words.manage} ${url}`, name].filter(Boolean).join('\n\n'),
      templateId: null,
      templateVersion: null,
      language,
      ownVcard: false,
      attachmentIds: [attachmentId],
      madeBy: accountId,
    },
    at,
  );
  await manager.update(BookingRecord, { id }, { messageId });
  return true;
}

/** A file that goes along: mail programs take it for what it is by its method (RFC 6047, 2.4). */
async function keepInvitation(
  manager: EntityManager,
  { workspaceId, personId }: BookingRecord,
  method: 'REQUEST' | 'CANCEL',
  text: string,
  madeAt: Date,
): Promise<string> {
  const [id, fileId] = [uuidv7(), uuidv7()];
  const [bytes, type] = [Buffer.from(text), `text/calendar; method=${method}; charset=utf-8`];
  await storage.put(manager, { id: fileId, workspaceId, type, bytes });
  const file = { id, workspaceId, fileId, name: 'invitation.ics', type, bytes: bytes.length, personId, madeAt };
  await manager.insert(AttachmentRecord, file);
  return id;
}
