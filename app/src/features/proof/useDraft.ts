import type { ProofCard } from '@dossier/contract';
import type { Dispatch, ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { draftOf } from '@dossier/core/proof';
import { useEffect, useRef } from 'react';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { useSessionQuery } from '@/features/account';
import { hasStatus } from '@/lib/api';
import { readDraft, writeDraft } from '@/lib/draftStore';
import { proofApi, useKeepDraftMutation } from './api';
import { type CardDraft, cardDraftOf, type KeptDraft, proofActions, selectDraft } from './slice';

/** A draft is sent to the server when nothing was changed for so long. */
const QUIET_MS = 900;

/**
 * The draft of a card: what this device kept of an earlier visit brought together with what the server has, else the
 * proposals. Every change is written to the device store at once, so that a reload loses nothing, and to the server
 * soon after, so that it is there on every device.
 */
export function useDraft(card: ProofCard | undefined): CardDraft | undefined {
  const dispatch = useDispatch();
  const { data: session } = useSessionQuery();
  const accountId = session?.user.id;
  const actor = session?.user.name ?? '';
  const cardDraft = useSelector(selectDraft(card?.id ?? ''));

  useEffect(() => {
    if (!card || !accountId) return undefined;
    const gone = new AbortController();
    void openDraft(card, { accountId, actor }, gone.signal)(dispatch);
    return () => gone.abort();
  }, [card, accountId, actor, dispatch]);

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
    if (!card || !accountId || !cardDraft) return;
    const { draft, note, readingId, version, unsaved, filing } = cardDraft;
    void writeDraft({ cardId: card.id, accountId, draft, note, readingId, version, unsaved, filing });
  }, [card, accountId, cardDraft]);
  useKeptOnServer(card?.id, cardDraft);
  useOtherTabs(card?.id, cardDraft);

  return cardDraft;
}

/** Makes the draft of a card ready, also ahead of its turn on the desk; whatever the server has that is newer is shown. */
export const openDraft =
  (card: ProofCard, { accountId, actor }: { accountId: string; actor: string }, gone?: AbortSignal) =>
  async (dispatch: Dispatch): Promise<void> => {
    const kept = await keptHere(card.id, accountId);
    if (gone?.aborted) return;
    const { id: cardId, readingId, proposals } = card;
    const { version, content } = card.draft;
    const ofServer = content as KeptDraft | null;
    const begin = kept ?? ofServer ?? { draft: draftOf(proposals), note: '', readingId };
    const cardDraft = cardDraftOf(begin, kept?.version ?? version, actor, kept?.unsaved);
    dispatch(proofActions.draftOpened({ cardId, cardDraft }));
    if (ofServer) dispatch(proofActions.draftFetched({ cardId, version, kept: ofServer }));
    // Read anew since the draft was made, perhaps on another device.
    dispatch(proofActions.readAnew({ cardId, readingId, proposals }));
    if (!card.rereading) dispatch(proofActions.readTwice({ cardId, proposals }));
  };

/** Sends a person's changes to the server; without a network they wait on the device until the card is opened again. */
function useKeptOnServer(cardId: string | undefined, cardDraft: CardDraft | undefined): void {
  const dispatch = useDispatch<ThunkDispatch<unknown, unknown, UnknownAction>>();
  const store = useStore<{ proof: Record<string, CardDraft> }>();
  const [keep] = useKeepDraftMutation();
  const { draft, note, unsaved } = cardDraft ?? {};

  useEffect(() => {
    if (!cardId || !unsaved) return undefined;
    const send = async (again: boolean): Promise<void> => {
      const now = selectDraft(cardId)(store.getState());
      if (!now?.unsaved) return;
      const { version, draft: fields, note: text, readingId } = now;
      const content = { draft: fields, note: text, readingId } as never;
      const { data, error } = await keep({ cardId, version, content });
      if (data)
        dispatch(proofActions.draftKept({ cardId, version: data.version, sent: { draft: fields, note: text } }));
      if (!hasStatus(error, 409) || !again) return;
      const fresh = await dispatch(proofApi.endpoints.card.initiate(cardId, { forceRefetch: true, subscribe: false }));
      const other = fresh.data?.draft;
      if (!other?.content) return;
      dispatch(proofActions.draftFetched({ cardId, version: other.version, kept: other.content as KeptDraft }));
      await send(false);
    };
    const timer = setTimeout(() => void send(true), QUIET_MS);
    return () => clearTimeout(timer);
  }, [cardId, draft, note, unsaved, keep, dispatch, store]);
}

/** Tabs of one device tell each other what is being changed: the later one sees what the earlier one does. */
const CHANNEL = 'dossier-drafts';

function useOtherTabs(cardId: string | undefined, cardDraft: CardDraft | undefined): void {
  const dispatch = useDispatch();
  const channel = useRef<BroadcastChannel>(undefined);
  useEffect(() => {
    if (!cardId || !('BroadcastChannel' in globalThis)) return undefined;
    const line = new BroadcastChannel(CHANNEL);
    channel.current = line;
    line.onmessage = ({ data }: MessageEvent<{ cardId: string; kept: KeptDraft }>) => {
      if (data.cardId === cardId) dispatch(proofActions.draftSeen(data));
    };
    return () => line.close();
  }, [cardId, dispatch]);
  const { draft, note, readingId, unsaved } = cardDraft ?? {};
  useEffect(() => {
    if (cardId && draft && readingId && unsaved)
      channel.current?.postMessage({ cardId, kept: { draft, note: note ?? '', readingId } });
  }, [cardId, draft, note, readingId, unsaved]);
}

async function keptHere(
  cardId: string,
  accountId: string,
): Promise<(KeptDraft & Pick<CardDraft, 'filing' | 'version' | 'unsaved'>) | undefined> {
  const kept = await readDraft(cardId);
  if (kept?.accountId !== accountId) return undefined;
  return {
    draft: kept.draft as CardDraft['draft'],
    note: kept.note,
    readingId: kept.readingId ?? cardId,
    version: kept.version ?? 0,
    unsaved: kept.unsaved ?? true,
    filing: kept.filing as CardDraft['filing'],
  };
}
