import type { CardsChange } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { conflict } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { cardStates, lockCards, openState } from '../reading';
import { backsOf } from './backs';
import { removeCards } from './removeCards';

/**
 * Sets cards of the tray aside, takes them out of it, or puts them back: all of them or none. A back goes and comes with its front.
 * @throws ProblemError 404 for a card that is not here, 409 for one that is filed or the back of another
 */
export function changeCards(database: DataSource, who: SignedIn, { cardIds, state }: CardsChange): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const backs = await backsOf(manager, cardIds);
    const cards = await lockCards(manager, [...cardIds, ...backs.map(({ id }) => id)]);
    const own = cards.filter(({ id }) => cardIds.includes(id));
    if (own.some((card) => card.state === 'attached'))
      throw conflict('is-a-back', 'This is the back of another card. Take it off there first.');
    if (own.some((card) => card.state === 'filed'))
      throw conflict('already-filed', 'This card is filed already. Open the person to see it.');
    if (state === 'discarded') await removeCards(manager, cardIds);
    else {
      for (const card of own)
        await cardStates.move(manager, card.id, state === 'toProve' ? openState(card.proposals) : state, {
          discardedAt: null,
        });
      // What went with its front comes back with it.
      for (const back of cards.filter(({ id, state: was }) => !cardIds.includes(id) && was === 'discarded'))
        await cardStates.move(manager, back.id, 'attached', { discardedAt: null });
    }
    const { photoId, id } = own[0]!;
    await announce(manager, who.workspaceId, { photoId: photoId ?? id, state: 'changed', progress: null });
  });
}
