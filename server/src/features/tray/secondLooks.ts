import type { OpenSecondLook, SecondLookRequest, SecondLooks } from '@dossier/contract';
import { guessOf } from '@dossier/core/proof';
import { In, IsNull, Not, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { ownerIn } from '../capture';
import { Card, IN_TRAY, lockTrayCards } from '../reading';
import { SecondLook } from './entities';
import { namesOfTeam } from './queries';

/**
 * Asks a colleague to look at cards of the tray; asking again replaces what was asked before.
 * @throws ProblemError 404 for a colleague or card that is not here, 409 for a card that has left the tray
 */
export function askForSecondLook(database: DataSource, who: SignedIn, request: SecondLookRequest): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const askedOf = await ownerIn(manager, who.workspaceId, request.askedOf);
    if (!askedOf) throw notFound('This colleague');
    const cards = await lockTrayCards(manager, request.cardIds);
    const asked = { askedBy: who.accountId, askedOf, message: request.message, askedAt: new Date() };
    for (const { id: cardId } of cards) {
      const { affected } = await manager.update(SecondLook, { cardId, answeredAt: IsNull() }, asked);
      if (!affected) await manager.insert(SecondLook, { id: uuidv7(), workspaceId: who.workspaceId, cardId, ...asked });
    }
    await announceCard(manager, who.workspaceId, cards[0]!);
  });
}

/** Says that a card was looked at; nothing happens where nobody asked. @throws ProblemError 404 for a card that is not here */
export function answerSecondLook(database: DataSource, who: SignedIn, cardId: string, answer: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const card = await manager.findOneBy(Card, { id: cardId });
    if (!card) throw notFound('This card');
    await closeSecondLook(manager, who, cardId, answer);
    await announceCard(manager, who.workspaceId, card);
  });
}

/** Ends what is open about a card; whoever ends what they asked themselves needs no word of it. */
export async function closeSecondLook(
  manager: EntityManager,
  who: SignedIn,
  cardId: string,
  answer: string,
): Promise<void> {
  const now = new Date();
  const done = { answeredBy: who.accountId, answer, answeredAt: now };
  await manager.update(SecondLook, { cardId, answeredAt: IsNull(), askedBy: Not(who.accountId) }, done);
  await manager.update(SecondLook, { cardId, answeredAt: IsNull() }, { ...done, seenAt: now });
}

/** What somebody is asked, and word for them of what others have looked at. */
export function secondLooksOf(database: DataSource, who: SignedIn): Promise<SecondLooks> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const [asked, answered] = [
      await manager.find(SecondLook, {
        where: { askedOf: who.accountId, answeredAt: IsNull(), card: { state: In([...IN_TRAY]) } },
        order: { askedAt: 'ASC' },
      }),
      await manager.find(SecondLook, {
        where: { askedBy: who.accountId, answeredAt: Not(IsNull()), seenAt: IsNull() },
        relations: { card: true },
        order: { answeredAt: 'ASC' },
      }),
    ];
    const names = await namesIn(manager, who.workspaceId);
    return {
      asked: asked.map(({ cardId, askedBy, message }) => ({ cardId, askedBy: names(askedBy), message })),
      answered: answered.map(({ id, cardId, card, answeredBy, answer }) => ({
        id,
        cardId,
        card: guessOf(card!.proposals).name,
        answeredBy: names(answeredBy!),
        answer: answer ?? '',
        filed: card!.state === 'filed',
      })),
    };
  });
}

export function markSecondLooksSeen(database: DataSource, who: SignedIn, ids: readonly string[]): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await manager.update(SecondLook, { id: In([...ids]), askedBy: who.accountId }, { seenAt: new Date() });
  });
}

/** What is open about cards, by card. */
export async function openSecondLooks(
  manager: EntityManager,
  workspaceId: string,
  cardIds: readonly string[],
): Promise<Map<string, OpenSecondLook>> {
  const open = await manager.findBy(SecondLook, { cardId: In([...cardIds]), answeredAt: IsNull() });
  if (open.length === 0) return new Map();
  const names = await namesIn(manager, workspaceId);
  return new Map(
    open.map(({ cardId, askedBy, askedOf, message, askedAt }) => [
      cardId,
      { askedBy: names(askedBy), askedOf: names(askedOf), message, askedAt: askedAt.toISOString() },
    ]),
  );
}

async function namesIn(manager: EntityManager, workspaceId: string) {
  const byId = await namesOfTeam(manager, workspaceId);
  return (id: string) => ({ id, name: byId.get(id) ?? 'A former colleague' });
}

const announceCard = (manager: EntityManager, workspaceId: string, { id, photoId }: Card): Promise<void> =>
  announce(manager, workspaceId, { photoId: photoId ?? id, state: 'changed', progress: null });
