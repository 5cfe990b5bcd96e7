import { isOnlyFiled } from '@dossier/core/people';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { conflict, notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { ChangeLogEntry, Employment, FilingReceipt, lockCardsOf, log, Person, deleteEmptyCompanies } from '../people';
import { type Card, cardStates, openState, unlearn } from '../reading';
import { ProofFactRecord } from './entities';

/** As `takeBack`, of one person. @throws ProblemError 404 as well, for somebody who is not here */
export async function takeOneBack(database: DataSource, who: SignedIn, personId: string): Promise<void> {
  const isHere = await inWorkspace(database, who.workspaceId, (manager) => manager.existsBy(Person, { id: personId }));
  if (!isHere) throw notFound('This person');
  await takeBack(database, who, [personId]);
}

/**
 * Sends filed cards back to the tray: the people they made go, as long as nothing was done to them but filing them. What the cards
 * have taught goes too. People who are not here (any more) are passed over.
 * @throws ProblemError 409 when something else was done to one of them; nothing is taken back then
 */
export function takeBack(database: DataSource, who: SignedIn, personIds: readonly string[]): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const cards = await lockCardsOf(manager, personIds);
    const people = await manager.find(Person, {
      where: { id: In([...personIds]) },
      order: { id: 'ASC' },
      lock: { mode: 'pessimistic_write' },
    });
    const ids = people.map(({ id }) => id);
    const touched = await touchedSince(manager, ids);
    const changed = people.find(({ id, deletedAt }) => deletedAt !== null || touched.has(id));
    if (changed)
      throw conflict(
        'changed-since',
        `${changed.fullName} was changed since. Open the record and delete it there if it is wrong.`,
      );
    const fronts = cards.filter(({ frontCardId }) => frontCardId === null);
    const without = people.find(({ id }) => !fronts.some(({ personId }) => personId === id));
    if (without) throw conflict('no-card', `There is no card of ${without.fullName} to send back.`);
    for (const card of cards) await cardStates.move(manager, card.id, stateInTray(card), { personId: null, kept: null, keepUntil: null, filedAt: null }); // prettier-ignore
    await unlearn(manager, who.workspaceId, cards.map(({ id }) => id)); // prettier-ignore
    await manager.delete(ProofFactRecord, { cardId: In(cards.map(({ id }) => id)) });
    await manager.delete(FilingReceipt, { personId: In(ids) });
    const jobs = await manager.findBy(Employment, { personId: In(ids) });
    for (const { id } of people) await log(manager, who, { personId: id, action: 'deleted', at: new Date() });
    await manager.delete(Person, { id: In(ids) });
    await deleteEmptyCompanies(manager, who.workspaceId, jobs.flatMap(({ companyId }) => companyId ?? [])); // prettier-ignore
    for (const card of cards)
      await announce(manager, who.workspaceId, { photoId: card.photoId ?? card.id, state: 'changed', progress: null });
  });
}

const stateInTray = (card: Card) => (card.frontCardId ? 'attached' : openState(card.proposals));

/** To whom something was done beside filing one card, by the change log. */
async function touchedSince(manager: EntityManager, ids: readonly string[]): Promise<Set<string>> {
  const entries = await manager.find(ChangeLogEntry, {
    where: { personId: In([...ids]) },
    select: { personId: true, action: true, at: true },
  });
  const historyOf = (id: string) => entries.filter(({ personId }) => personId === id).map(({ action, at }) => ({ action, at: at.getTime() })); // prettier-ignore
  return new Set(ids.filter((id) => !isOnlyFiled(historyOf(id))));
}
