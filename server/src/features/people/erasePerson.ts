import { featuresOf, withoutPerson } from '@dossier/core/matching/people';
import type { PersonFields } from '@dossier/core/people';
import { foldedWords } from '@dossier/core/people/search';
import { ArrayContains, In, type DataSource, type EntityManager } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { storage } from '../../platform/storage';
import { inWorkspace } from '../../platform/workspaceScope';
import { lockPhotos, Photo, photoStates } from '../capture';
import { Card, unlearn } from '../reading';
import { log, type Actor } from './changeLog';
import { Employment, FilingReceipt, Person } from './entities';
import { loadFields } from './loadFields';
import { lockCardsOf } from './lockCardsOf';
import {
  deleteEmptyCompanies,
  forgetLearnedFrom,
  forgetMail,
  forgetParts,
  forgetValues,
  handedStays,
  lockFrequencies,
  saveFrequencies,
} from './queries';
import { forgetUnusedWords, toldTexts } from './list/queries';
import { Merge } from './recordEntities';

/**
 * Forgets a person for good, as is everybody's right: record, jobs, addresses, notes, consents, the cards with all that was read
 * on them, their pictures, the photographs they were on, the values in the change log, and those kept for undoing a merge. What
 * stays is that, when and by whom somebody was erased.
 * @throws ProblemError 404 when there is no such person
 */
export function erasePerson(database: DataSource, who: SignedIn, id: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, (manager) => eraseLocked(manager, who, id));
}

/** As `erasePerson`, within a transaction. */
export async function eraseLocked(manager: EntityManager, who: Actor, id: string): Promise<void> {
  const onPhotos = await manager.find(Card, { where: { personId: id }, select: { id: true, photoId: true } });
  const photos = await lockPhotos(manager, onPhotos.map(({ photoId }) => photoId)); // prettier-ignore
  const cards = await lockCardsOf(manager, [id]);
  const person = await manager.findOne(Person, { where: { id }, lock: { mode: 'pessimistic_write' } });
  if (!person) throw notFound('This person');
  const fields = (await loadFields(manager, [id])).get(id)!.fields;
  const told = await toldTexts(manager, who.workspaceId, [id]);
  await forgetLearnedFrom(manager, who.workspaceId, id);
  await unlearn(manager, who.workspaceId, cards.map((card) => card.id)); // prettier-ignore
  await eraseCards(manager, cards, photos);
  const merges = await manager.find(Merge, { where: [{ intoId: id }, { otherIds: ArrayContains([id]) }] });
  for (const personId of new Set([id, ...merges.flatMap(({ intoId, otherIds }) => [intoId, ...otherIds])])) {
    if (personId === id || !(await manager.existsBy(Person, { id: personId }))) await forgetValues(manager, personId);
  }
  await manager.delete(Merge, { id: In(merges.map((merge) => merge.id)) });
  await manager.delete(FilingReceipt, { personId: id });
  const jobs = await manager.findBy(Employment, { personId: id });
  await forgetCounted(manager, who.workspaceId, fields);
  await forgetMail(manager, who.workspaceId, id, fields.emails);
  await forgetParts(manager, who.workspaceId, id);
  await handedStays(manager, who.workspaceId, id);
  // Jobs, addresses, notes, consents, messages, plans, keys and duplicates go with the person's row.
  await manager.delete(Person, { id });
  await deleteEmptyCompanies(manager, who.workspaceId, jobs.flatMap(({ companyId }) => companyId ?? [])); // prettier-ignore
  const words = [person.fullName, fields.company, fields.title, ...told.map(({ text }) => text)].flatMap(foldedWords);
  await forgetUnusedWords(manager, words);
  await log(manager, who, { personId: id, action: 'erased', at: new Date() });
}

/** What matching has counted of names and firms, without this person. */
async function forgetCounted(manager: EntityManager, workspaceId: string, fields: PersonFields): Promise<void> {
  const frequencies = await lockFrequencies(manager, workspaceId);
  if (!frequencies) return;
  await saveFrequencies(manager, workspaceId, withoutPerson(frequencies, featuresOf(fields)));
}

/** Cards and the photographs they were on: other cards of the same photograph keep what was read, and their own pictures. */
async function eraseCards(manager: EntityManager, cards: readonly Card[], photos: readonly Photo[]): Promise<void> {
  const ids = cards.map(({ id }) => id);
  const files = [
    ...cards.flatMap((card) => [card.fileId, card.thumbnailId]),
    ...photos.flatMap(({ fileId, thumbnailId, displayId }) => [fileId, thumbnailId, displayId]),
  ];
  const photoIds = photos.map(({ id }) => id);
  await manager.update(Photo, { id: In(photoIds) }, { fileId: null, thumbnailId: null, displayId: null });
  // What hangs on the cards goes with their rows.
  await manager.update(Card, { frontCardId: In(ids) }, { frontCardId: null });
  await manager.delete(Card, { id: In(ids) });
  for (const { id, state } of photos) {
    if (state !== 'waiting' && state !== 'reading') continue;
    // Its picture is gone: there is nothing to be read any more.
    const others = await manager.existsBy(Card, { photoId: id });
    if (others && state === 'reading') await photoStates.move(manager, id, 'read', { progress: 1 });
    else await photoStates.move(manager, id, 'discarded', { discardedAt: new Date() });
  }
  await storage.remove(manager, files);
}
