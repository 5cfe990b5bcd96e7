import type { EntityManager } from 'typeorm';
import { vcardFileName, vcardOf } from '../ownCard/vcardOf';
import { MailSender } from '../mail/entities';
import type { MessageRecord } from './entities';
import { teamVcard } from './teamVcard';

/** The sender's own details, as a file that goes along: of whoever has the address it is sent from, else of whoever wrote it. */
export async function ownVcard(manager: EntityManager, message: MessageRecord) {
  const { workspaceId, sender: address, madeBy } = message;
  const sender = await manager.findOneBy(MailSender, { workspaceId, address });
  const accountId = sender?.accountId ?? madeBy;
  const { name, text } = accountId ? await vcardOf(manager, accountId, '4.0') : await teamVcard(manager, message);
  return { filename: vcardFileName(name), contentType: 'text/vcard', content: text };
}
