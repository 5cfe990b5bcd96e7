import type { FilingRequest, ProofCard } from '@dossier/contract';
import { displayName } from '@dossier/core/people';
import { noteOf, personFieldsOf } from '@dossier/core/proof';
import { useCallback } from 'react';
import { useDispatch } from 'react-redux';
import { v7 as uuidv7 } from 'uuid';
import { useSessionQuery } from '@/features/account';
import { keepForLater } from '@/lib/outbox';
import type { CardDraft, KeptDraft } from './slice';

/** A card filed from the desk can be taken back for so long: it is held on this device until then. */
const HOLD_MS = 7_000;

/** Until when what is filed now is held; cards filed in one act have it in common and are taken back together. */
export const holdUntil = (): number => Date.now() + HOLD_MS;

/**
 * Files a card as somebody new, as its occasion says, without leaving the desk: held back for a moment, so that it can be
 * undone, and sent then, also when the page is closed and opened again. The server refuses it if somebody who is
 * probably the same person is known.
 */
export function useDeskFiling() {
  const dispatch = useDispatch();
  const { data: session } = useSessionQuery();
  return useCallback(
    async (
      card: Pick<ProofCard, 'id' | 'occasion'>,
      { draft, note, filing }: Pick<KeptDraft, 'draft' | 'note'> & Pick<CardDraft, 'filing'>,
      notBefore = holdUntil(),
    ) => {
      if (!session) return;
      const fields = personFieldsOf(draft);
      const body: FilingRequest = {
        cardId: card.id,
        kind: card.occasion?.kind ?? 'contact',
        fields,
        note: [noteOf(draft), note].filter(Boolean).join('\n'),
        tags: card.occasion?.tags ?? [],
        ownerId: card.occasion?.ownerId ?? null,
        known: null,
        uncompared: true,
        withoutPlan: filing?.withoutPlan ?? false,
      };
      await keepForLater(session.user.id, {
        method: 'POST',
        path: '/people',
        headers: { 'Idempotency-Key': uuidv7() },
        body,
        words: `File ${displayName(fields) || 'a card'}`,
        cardId: card.id,
        notBefore,
      })(dispatch);
    },
    [dispatch, session],
  );
}
