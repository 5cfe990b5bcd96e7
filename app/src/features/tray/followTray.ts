import { TrayEvent, type Tray } from '@dossier/contract';
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { isSentFromHere, type WithCapture } from '@/features/capture';
import { API, api, TRAY_BATCH, TRAY_ROWS, TRAY_RUN, TRAY_TWINS } from '@/lib/api';
import { traySlice } from './slice';

/** Versions of the drafts that are open here. */
type Followed = WithCapture & { proof?: Readonly<Record<string, { version: number }>> };

interface Follower {
  dispatch: ThunkDispatch<WithCapture, unknown, UnknownAction>;
  getState: () => Followed;
  /** Changes the pages of the tray that are shown. */
  change: (recipe: (shown: { pages: Tray[] }) => void) => void;
}

/** Keeps the tray up to date by server-sent events. @returns how to stop */
export function followTray({ dispatch, getState, change }: Follower): () => void {
  const source = new EventSource(`${API}/tray/events`);
  const ask = (...tags: Tag[]) => dispatch(api.util.invalidateTags(tags));
  // Photographs that the tray has been asked for since they arrived: it shows them, or will in a moment.
  const underWay = new Set<string>();
  const later = new Set<Tag>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const askLater = (...tags: Tag[]) => {
    tags.forEach((tag) => later.add(tag));
    timer ??= setTimeout(() => {
      timer = undefined;
      ask(...later);
      later.clear();
    }, LATER_MS);
  };
  // What was done here is known here, once its own answer has come.
  const askIfNewer = (cardId: string, version: number) => {
    if ((getState().proof?.[cardId]?.version ?? 0) < version) ask({ type: 'Card', id: cardId });
  };
  const hear = ({ photoId, state, progress, cardId, draftVersion }: TrayEvent) => {
    switch (state) {
      case 'waiting':
      case 'reading':
        if ((state === 'reading' && showProgress(change, photoId, progress)) || underWay.has(photoId)) return;
        underWay.add(photoId);
        // What is sent from here has the tray asked for once it is known to have arrived.
        if (!isSentFromHere(getState(), photoId)) ask(TRAY_ROWS);
        askLater(TRAY_BATCH);
        return;
      case 'read':
      case 'unreadable':
        underWay.delete(photoId);
        dispatch(traySlice.actions.cardRead(cardId ?? null));
        ask(TRAY_ROWS, { type: 'Photo', id: photoId });
        askLater(TRAY_BATCH, TRAY_TWINS, TRAY_RUN, 'Occasion');
        return;
      case 'drafted':
        if (cardId) setTimeout(() => askIfNewer(cardId, draftVersion ?? Infinity), LATER_MS);
        return;
      case 'reread':
        askLater(TRAY_ROWS, { type: 'Card', id: cardId ?? photoId });
        return;
      case 'changed':
        dispatch(traySlice.actions.cardRead(null));
        ask(...EVERYTHING);
    }
  };
  source.onmessage = ({ data }: MessageEvent<string>) => {
    const event = TrayEvent.safeParse(JSON.parse(data));
    if (event.success) hear(event.data);
  };
  // Whatever happened before the line stood, or while it was down, is asked for once it stands.
  source.onopen = () => ask(...EVERYTHING);
  return () => {
    clearTimeout(timer);
    source.close();
  };
}

type Tag = Parameters<typeof api.util.invalidateTags>[0][number];
const EVERYTHING = ['Tray', 'Occasion', 'Card', 'Photo'] as const;

/** What is beside the rows does not hold them up, and is asked for once where several photographs are read. */
const LATER_MS = 400;

/** @returns whether the photograph stands in the tray */
function showProgress(change: Follower['change'], photoId: string, progress: number | null): boolean {
  let known = false;
  change((draft) => {
    for (const item of draft.pages.flatMap((page) => page.items)) {
      if (item.id !== photoId) continue;
      known = true;
      item.state = 'reading';
      item.progress = progress;
    }
  });
  return known;
}
