import type { FiledByItself, FilingSettings } from '@dossier/contract';
import { countDoubts, draftOf, noteOf, personFieldsOf } from '@dossier/core/proof';
import type { DataSource, EntityManager } from 'typeorm';
import { In, IsNull, Not } from 'typeorm';
import { conflict } from '../../platform/problem';
import { Workspace } from '../../platform/entities';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Card } from '../reading';
import { log } from './changeLog';
import { FilingReceipt, Person } from './entities';
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

/**
 * Takes back what Dossier filed: the people go, their cards lie in the tray again.
 * @throws ProblemError 409 when one of them was changed since; nothing is taken back then
 */
export function takeBack(database: DataSource, who: SignedIn, personIds: readonly string[]): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const people = await manager.find(Person, {
      where: { id: In([...personIds]), glanceAt: Not(IsNull()) },
      lock: { mode: 'pessimistic_write' },
    });
    const changed = people.find(({ version }) => version !== 1);
    if (changed)
      throw conflict(
        'changed-since',
        `${changed.fullName} was changed since. Open the record and delete it there if it is wrong.`,
      );
    const ids = people.map(({ id }) => id);
    const cards = await manager.findBy(Card, { personId: In(ids) });
    await manager.update(Card, { personId: In(ids), frontCardId: IsNull() }, { state: 'toProve', personId: null });
    await manager.update(Card, { personId: In(ids) }, { state: 'attached', personId: null });
    await manager.delete(FilingReceipt, { personId: In(ids) });
    for (const { id } of people) await log(manager, who, { personId: id, action: 'deleted', at: new Date() });
    await manager.delete(Person, { id: In(ids) });
    for (const card of cards)
      await announce(manager, who.workspaceId, { photoId: card.photoId ?? card.id, state: 'changed', progress: null });
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
