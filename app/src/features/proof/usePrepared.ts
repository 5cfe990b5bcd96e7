import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { useEffect, useMemo } from 'react';
import { useDispatch } from 'react-redux';
import { useSessionQuery } from '@/features/account';
import { cardPicture } from '@/ui';
import { proofApi } from './api';
import { openDraft } from './useDraft';

/** Has cards, their pictures and their drafts loaded before they are opened on the desk. */
export function usePrepared(cardIds: readonly string[]): void {
  const dispatch = useDispatch<ThunkDispatch<unknown, unknown, UnknownAction>>();
  const { data: session } = useSessionQuery();
  const who = useMemo(() => session && { accountId: session.user.id, actor: session.user.name }, [session]);
  const ids = cardIds.join();
  useEffect(() => {
    if (!who) return undefined;
    const gone = new AbortController();
    const subscriptions = ids
      .split(',')
      .filter(Boolean)
      .map((id) => {
        const asked = dispatch(proofApi.endpoints.card.initiate(id));
        void asked.then(({ data: card }) => {
          if (!card || gone.signal.aborted) return;
          if (card.pictureId) new Image().src = cardPicture(id, 'full', card.pictureId);
          void openDraft(card, who, gone.signal)(dispatch);
        });
        return asked;
      });
    return () => {
      gone.abort();
      subscriptions.forEach((subscription) => subscription.unsubscribe());
    };
  }, [ids, dispatch, who]);
}
