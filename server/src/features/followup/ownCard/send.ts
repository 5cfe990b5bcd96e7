import type { Message } from '@dossier/contract';
import { ASKED_FOR_DETAILS, sendCardWords } from '@dossier/core/followup/ownCard';
import { emptyPersonFields, fullName } from '@dossier/core/people';
import type { DataSource, EntityManager } from 'typeorm';
import { conflict, notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Card } from '../../reading';
import { MailSender } from '../mail/entities';
import { sendLooked } from '../messages/service';
import { addresseeOf } from '../messages/valuesOf';
import { CardPage, OwnCardRecord } from './entities';
import { detailsOfAccount, pathOf } from './service';

interface Sending {
  /** Of the message: sending it twice sends one. */
  id: string;
  publicAddress: string | undefined;
}

/**
 * One's own details to somebody who asked for them: the one reply that needs no consent.
 * @throws ProblemError 404, 422 where there is nobody to send from, no address, or it is not let through
 */
export const sendOwnCard = (
  database: DataSource,
  who: SignedIn,
  personId: string,
  sending: Sending,
): Promise<Message> => inWorkspace(database, who.workspaceId, (manager) => send(manager, who, personId, sending));

/** The same to whoever a card was filed as. @throws ProblemError 409 while it is not filed */
export const sendToCard = (database: DataSource, who: SignedIn, cardId: string, sending: Sending): Promise<Message> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    const card = await manager.findOne(Card, { where: { id: cardId }, select: { id: true, personId: true } });
    if (!card) throw notFound('This card');
    if (!card.personId)
      throw conflict('not-filed', 'This card is not filed yet. Send yours from their page once it is.');
    return send(manager, who, card.personId, sending);
  });

async function send(
  manager: EntityManager,
  who: SignedIn,
  personId: string,
  { id, publicAddress }: Sending,
): Promise<Message> {
  const { accountId, workspaceId } = who;
  const addressee = await addresseeOf(manager, personId);
  if (!addressee) throw notFound('This person');
  const card = await manager.findOneBy(OwnCardRecord, { accountId });
  const page = await manager.findOneBy(CardPage, { accountId });
  const details = card?.details ?? (await detailsOfAccount(manager, accountId));
  const { language, sender } = addressee;
  const words = sendCardWords({
    language,
    greeting: String(addressee.values(language).greeting ?? ''),
    name: fullName({ ...emptyPersonFields(), ...details }),
    ownWords: card?.greeting ?? '',
    page: page && publicAddress ? publicAddress + pathOf(page.key) : undefined,
  });
  // Whoever gives their details writes from their own address, whoever the person belongs to.
  const own = await manager.findOneBy(MailSender, { workspaceId, accountId });
  return sendLooked(
    manager,
    who,
    { ...addressee, sender: own ?? sender },
    {
      ...words,
      id,
      to: addressee.to ?? '',
      purpose: { kind: 'reply', asked: ASKED_FOR_DETAILS },
      templateId: null,
      answersId: null,
      ownVcard: true,
      attachmentIds: [],
    },
  );
}
