import type { ProofCard } from '@dossier/contract';
import { draftOf } from '@dossier/core/proof';
import { useEffect, useRef } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { useSessionQuery } from '@/features/account';
import { deviceStore } from '@/lib/deviceStore';
import { proofActions, selectDraft, type CardDraft } from './slice';

/**
 * The draft of a card: what this device kept of an earlier visit, else the proposals. Every change is
 * written to the device store at once, so that a reload loses nothing.
 */
export function useDraft(card: ProofCard | undefined): CardDraft | undefined {
  const dispatch = useDispatch();
  const { data: session } = useSessionQuery();
  const accountId = session?.user.id;
  const cardDraft = useSelector(selectDraft(card?.id ?? ''));

  useEffect(() => {
    if (!card || !accountId) return undefined;
    let gone = false;
    void readDraft(card.id, accountId).then((kept) => {
      if (gone) return;
      const { id: cardId, readingId, proposals } = card;
      const fresh = { draft: draftOf(proposals), note: '', readingId };
      dispatch(proofActions.draftOpened({ cardId, cardDraft: kept ?? fresh }));
      // Read anew since the draft was made, perhaps on another device.
      dispatch(proofActions.readAnew({ cardId, readingId, proposals }));
    });
    return () => {
      gone = true;
    };
  }, [card, accountId, dispatch]);

  const backId = card?.back?.cardId;
  const opened = cardDraft !== undefined;
  const backOf = useRef<{ cardId: string; backId?: string }>(undefined);
  useEffect(() => {
    if (!card || !opened) return;
    const before = backOf.current;
    backOf.current = { cardId: card.id, backId };
    // A back joined or taken off while the desk is open; a draft kept from before is brought up to date at once.
    if (before?.cardId === card.id && before.backId === backId) return;
    dispatch(proofActions.backChanged({ cardId: card.id, proposals: card.proposals }));
  }, [card, backId, opened, dispatch]);

  useEffect(() => {
    if (card && accountId && cardDraft) void writeDraft(card.id, accountId, cardDraft);
  }, [card, accountId, cardDraft]);

  return cardDraft;
}

async function readDraft(cardId: string, accountId: string): Promise<CardDraft | undefined> {
  const kept = await (await deviceStore()).get('drafts', cardId).catch(() => undefined);
  if (kept?.accountId !== accountId) return undefined;
  return { draft: kept.draft as CardDraft['draft'], note: kept.note, readingId: kept.readingId ?? cardId };
}

const writeDraft = async (cardId: string, accountId: string, { draft, note, readingId }: CardDraft): Promise<void> => {
  await (await deviceStore()).put('drafts', { cardId, accountId, draft, note, readingId });
};

/** The card is filed: its draft has done its work. */
export const forgetDraft = async (cardId: string): Promise<void> => (await deviceStore()).delete('drafts', cardId);
