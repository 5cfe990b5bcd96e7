import type { FiledByItself } from '@dossier/contract';
import { countDoubts, draftOf, noteOf, personFieldsOf } from '@dossier/core/proof';
import type { DataSource, EntityManager } from 'typeorm';
import { In, IsNull, Not } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { Photo } from '../capture';
import { fieldsOfCard, findCandidates, hasTwin } from '../matching';
import { Person } from '../people';
import { BY_VISITOR, Card, isRereadDue } from '../reading';
import { fileLocked } from './fileCard';

/**
 * Files a card without a person, when its occasion or workspace lets it and there is nothing to ask: no doubt, a name, a way to
 * reach it, and nobody who is perhaps the same. Filed again it is filed once.
 * @param asked as what whoever sent it wants it filed, whatever its occasion or workspace lets happen without being asked
 * @returns whether it was filed
 */
export async function fileByItself(
  manager: EntityManager,
  who: SignedIn,
  cardId: string,
  asked?: 'lead' | 'contact',
): Promise<boolean> {
  const card = await manager.findOne(Card, { where: { id: cardId }, relations: { occasion: true } });
  if (!card || card.state !== 'toProve' || card.draft || card.frontCardId) return false;
  // What strangers write of themselves is looked at by somebody.
  if (card.engine === BY_VISITOR || (await isBackOnItsWay(manager, card))) return false;
  // Nobody looks at it: it is read twice before.
  if (await isRereadDue(manager, cardId)) return false;
  const { filesItself } = await manager.findOneByOrFail(Workspace, { id: who.workspaceId });
  if (!asked && !(card.occasion?.filesItself ?? filesItself)) return false;
  const draft = draftOf(card.proposals);
  const fields = personFieldsOf(draft);
  const isWhole =
    fields.familyName !== '' && fields.givenName !== '' && fields.emails.length + fields.phones.length > 0;
  if (countDoubts(card.proposals) > 0 || !isWhole || (await isPerhapsKnown(manager, who, card))) return false;
  const { kind, tags, ownerId } = card.occasion ?? { kind: 'contact', tags: [], ownerId: null };
  await fileLocked(
    manager,
    who,
    `by-itself ${cardId}`,
    {
      cardId,
      kind: asked ?? kind,
      tags,
      ownerId,
      fields,
      note: noteOf(draft),
      known: null,
      notSame: [],
      uncompared: false,
      // Nobody has looked at it: nothing goes out for its sake.
      withoutPlan: true,
      rating: null,
      consent: null,
    },
    { byItself: true },
  );
  return true;
}

/** Whether somebody here, or another card of the tray, is perhaps of the same person: more is asked than of a card somebody proves. */
async function isPerhapsKnown(manager: EntityManager, { workspaceId }: SignedIn, card: Card): Promise<boolean> {
  const candidates = await findCandidates(manager, workspaceId, fieldsOfCard(card), card.id);
  return candidates.length > 0 || hasTwin(manager, workspaceId, card.id);
}

/** Whether a photograph of its back is still to be read: the card is looked at again when that is done. */
const isBackOnItsWay = async (manager: EntityManager, { photoId }: Card): Promise<boolean> =>
  photoId !== null && (await manager.existsBy(Photo, { backOf: photoId, state: In(['waiting', 'reading']) }));

/** What was filed without a person and nobody has looked at since, the latest first. */
export function listFiledByItself(database: DataSource, { workspaceId }: SignedIn): Promise<FiledByItself> {
  return inSnapshot(database, workspaceId, async (manager) => {
    const where = { filedByItselfAt: Not(IsNull()), deletedAt: IsNull() };
    const total = await manager.countBy(Person, where);
    const people = await manager.find(Person, { where, order: { filedByItselfAt: 'DESC', id: 'DESC' }, take: 60 });
    const cards = await manager.find(Card, {
      where: { personId: In(people.map(({ id }) => id)), frontCardId: IsNull() },
      select: { id: true, personId: true },
    });
    const cardOf = new Map(cards.map((card) => [card.personId, card.id]));
    return {
      total,
      items: people.flatMap((person) => {
        const cardId = cardOf.get(person.id);
        return cardId
          ? [
              {
                personId: person.id,
                cardId,
                fullName: person.fullName,
                at: person.filedByItselfAt!.toISOString(),
              },
            ]
          : [];
      }),
    };
  });
}

/** Somebody has looked at these people, and they are right. */
export function markSeen(database: DataSource, { workspaceId }: SignedIn, personIds: readonly string[]): Promise<void> {
  return inWorkspace(database, workspaceId, async (manager) => {
    await manager.update(Person, { id: In([...personIds]) }, { filedByItselfAt: null });
  });
}
