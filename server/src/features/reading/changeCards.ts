import type { CardsChange } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { conflict } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { Card } from './entities';
import { lockCards } from './lockCards';

/**
 * Sets cards of the tray aside, takes them out of it, or puts them back: all of them or none.
 * @throws ProblemError 404 for a card that is not here, 409 for one that is filed or the back of another
 */
export function changeCards(database: DataSource, who: SignedIn, { cardIds, state }: CardsChange): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const cards = await lockCards(manager, cardIds);
    if (cards.some((card) => card.state === 'attached'))
      throw conflict('is-a-back', 'This is the back of another card. Take it off there first.');
    if (cards.some((card) => card.state === 'filed'))
      throw conflict('already-filed', 'This card is filed already. Open the person to see it.');
    for (const card of cards) {
      const back = card.proposals.length > 0 ? 'toProve' : 'needsPerson';
      await manager.update(
        Card,
        { id: card.id },
        { state: state === 'toProve' ? back : state, discardedAt: state === 'discarded' ? new Date() : null },
      );
    }
    const { photoId, id } = cards[0]!;
    await announce(manager, who.workspaceId, { photoId: photoId ?? id, state: 'changed', progress: null });
  });
}
