import type { ProofCard } from '@dossier/contract';
import { draftOf } from '@dossier/core/proof';
import { useCallback } from 'react';
import { useDispatch } from 'react-redux';
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { type KeptDraft, proofApi, useDeskFiling } from '@/features/proof';

/** Files a card as it stands, without opening it; what somebody has made of it before counts. */
export function useCleanFiling() {
  const dispatch = useDispatch<ThunkDispatch<unknown, unknown, UnknownAction>>();
  const file = useDeskFiling();
  return useCallback(
    async (cardId: string, notBefore?: number, withoutPlan = false): Promise<boolean> => {
      const { data: card } = await dispatch(proofApi.endpoints.card.initiate(cardId, { subscribe: false }));
      if (!card) return false;
      await file(card, { ...keptOrProposed(card), filing: { withoutPlan } }, notBefore);
      return true;
    },
    [dispatch, file],
  );
}

export function keptOrProposed({ draft, proposals, readingId }: ProofCard): KeptDraft {
  return (draft.content as KeptDraft | null) ?? { draft: draftOf(proposals), note: '', readingId };
}
