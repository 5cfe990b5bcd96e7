import { ArrayContains, In, type DataSource, type EntityManager } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { storage } from '../../platform/storage';
import { inWorkspace } from '../../platform/workspaceScope';
import { Photo } from '../capture';
import { Card } from '../reading';
import { log } from './changeLog';
import { FilingReceipt, Person } from './entities';
import { Merge } from './recordEntities';

/**
 * Forgets a person for good, as is everybody's right: record, jobs, addresses, notes, consents, the cards with all that was read
 * on them, their pictures, the photographs they were on, the values in the change log, and those kept for undoing a merge. What
 * stays is that, when and by whom somebody was erased.
 * @throws ProblemError 404 when there is no such person
 */
export function erasePerson(database: DataSource, who: SignedIn, id: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const person = await manager.findOne(Person, { where: { id }, lock: { mode: 'pessimistic_write' } });
    if (!person) throw notFound('This person');
    await forgetLearned(manager, id);
    await eraseCards(manager, id);
    const merges = await manager.find(Merge, { where: [{ intoId: id }, { otherIds: ArrayContains([id]) }] });
    for (const personId of new Set([id, ...merges.flatMap(({ intoId, otherIds }) => [intoId, ...otherIds])])) {
      if (personId === id || !(await manager.existsBy(Person, { id: personId })))
        await manager.query('select forget_values($1)', [personId]);
    }
    await manager.delete(Merge, { id: In(merges.map((merge) => merge.id)) });
    await manager.delete(FilingReceipt, { personId: id });
    // Jobs, addresses, notes, consents, keys and duplicates go with the person's row.
    await manager.delete(Person, { id });
    await log(manager, who, { personId: id, action: 'erased', at: new Date() });
  });
}

/** What only this person's cards have taught: their own numbers, and a domain that nobody else here has. */
async function forgetLearned(manager: EntityManager, personId: string): Promise<void> {
  await manager.query(
    `delete from learned_fact fact
     where (fact.times = 1 and fact.card_id in (select id from card where person_id = $1))
        or fact.domain in (
          select substr(own.key, 2) from match_key own
          where own.person_id = $1 and own.key like '@%'
            and not exists (select from match_key other where other.workspace_id = own.workspace_id and other.key = own.key
                              and other.person_id <> $1))`,
    [personId],
  );
}

async function eraseCards(manager: EntityManager, personId: string): Promise<void> {
  const cards = await manager.find(Card, {
    where: { personId },
    select: { id: true, photoId: true, fileId: true, thumbnailId: true },
  });
  const photoIds = [...new Set(cards.map(({ photoId }) => photoId).filter((photo) => photo !== null))];
  const photos = photoIds.length > 0 ? await manager.findBy(Photo, { id: In(photoIds) }) : [];
  const files = [...cards.flatMap((card) => [card.fileId, card.thumbnailId]), ...photos.map(({ fileId }) => fileId)];
  await manager.update(Photo, { id: In(photoIds) }, { fileId: null });
  // What hangs on the cards goes with their rows; other cards of the same photograph keep their own pictures.
  await manager.update(Card, { frontCardId: In(cards.map(({ id }) => id)) }, { frontCardId: null });
  await manager.delete(Card, { id: In(cards.map(({ id }) => id)) });
  await storage.remove(manager, files);
}
