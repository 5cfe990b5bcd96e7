import type { FiledByItself, FilingSettings } from '@dossier/contract';
import { countDoubts, draftOf, noteOf, personFieldsOf } from '@dossier/core/proof';
import type { DataSource, EntityManager } from 'typeorm';
import { In, IsNull, Not } from 'typeorm';
import { Workspace } from '../../platform/entities';
import type { SignedIn } from '../../platform/session';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Photo } from '../capture';
import { Card } from '../reading';
import { Person } from './entities';
import { fileLocked } from './fileCard';

/**
 * Files a card without a person, when its occasion or workspace lets it and there is nothing to ask: no doubt, a name, a way to
 * reach it, and nobody who is perhaps the same. Filed again it is filed once.
 * @param isAsked whether somebody here, or another card of the tray, is perhaps of the same person
 * @returns whether it was filed
 */
export async function fileByItself(
  manager: EntityManager,
  who: SignedIn,
  cardId: string,
  isAsked: (manager: EntityManager, card: Card) => Promise<boolean>,
): Promise<boolean> {
  const card = await manager.findOne(Card, { where: { id: cardId }, relations: { occasion: true } });
  if (!card || card.state !== 'toProve' || card.draft || card.frontCardId) return false;
  if (await isBackOnItsWay(manager, card)) return false;
  const { filesItself } = await manager.findOneByOrFail(Workspace, { id: who.workspaceId });
  if (!(card.occasion?.filesItself ?? filesItself)) return false;
  const draft = draftOf(card.proposals);
  const fields = personFieldsOf(draft);
  const isWhole =
    fields.familyName !== '' && fields.givenName !== '' && fields.emails.length + fields.phones.length > 0;
  if (countDoubts(card.proposals) > 0 || !isWhole || (await isAsked(manager, card))) return false;
  const { kind, tags, ownerId } = card.occasion ?? { kind: 'contact', tags: [], ownerId: null };
  await fileLocked(
    manager,
    who,
    `by-itself ${cardId}`,
    {
      cardId,
      kind,
      tags,
      ownerId,
      fields,
      note: noteOf(draft),
      known: null,
      notSame: [],
      uncompared: false,
      rating: null,
      consent: null,
    },
    // Compared just now, more strictly than usual.
    { byItself: true, isKnown: () => Promise.resolve(false) },
  );
  return true;
}

/** Whether a photograph of its back is still to be read: the card is looked at again when that is done. */
const isBackOnItsWay = async (manager: EntityManager, { photoId }: Card): Promise<boolean> =>
  photoId !== null && (await manager.existsBy(Photo, { backOf: photoId, state: In(['waiting', 'reading']) }));

/** What was filed without a person and nobody has looked at since, the latest first. */
export function listFiledByItself(database: DataSource, { workspaceId }: SignedIn): Promise<FiledByItself> {
  return inSnapshot(database, workspaceId, async (manager) => {
    const where = { glanceAt: Not(IsNull()), deletedAt: IsNull() };
    const total = await manager.countBy(Person, where);
    const people = await manager.find(Person, { where, order: { glanceAt: 'DESC', id: 'DESC' }, take: 60 });
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
                at: person.glanceAt!.toISOString(),
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
    await manager.update(Person, { id: In([...personIds]) }, { glanceAt: null });
  });
}

export async function saveFilingSettings(
  database: DataSource,
  { workspaceId }: SignedIn,
  { filesItself, ratings, limits }: FilingSettings,
): Promise<void> {
  await database
    .getRepository(Workspace)
    .update({ id: workspaceId }, { filesItself, ratings, sameFrom: limits.same, perhapsFrom: limits.perhaps });
}
