import { useEffect } from 'react';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { findKeptRequests, selectWaitingRequests, sendHeldAtClosing, type WithOutbox } from '@/lib/outbox';
import { findKeptPhotos } from './keepPhoto';
import { forgetWhatIsGone, sendEverythingKept } from './sendPhotos';
import { selectWaitingPhotos, type WithCapture } from './slice';

const FIRST_RETRY_MS = 2_000;
const LONGEST_RETRY_MS = 60_000;

/** Keeps sending what is on the device: at the start, for each new photograph, when the network is back, and again after a failure. */
export function useSending(accountId: string | undefined): void {
  const dispatch = useDispatch();
  const { getState } = useStore<WithCapture & WithOutbox>();
  const photos = useSelector(selectWaitingPhotos);
  const requests = useSelector(selectWaitingRequests);
  const heldUntil = Math.min(...requests.flatMap(({ notBefore }) => notBefore ?? []), Infinity);
  const toSend = [...photos, ...requests].filter(({ refusal }) => refusal === null).length;

  useEffect(() => {
    if (!accountId) return;
    void findKeptPhotos(accountId)(dispatch);
    void findKeptRequests(accountId)(dispatch);
  }, [accountId, dispatch]);

  useEffect(() => {
    if (!accountId || toSend === 0) return undefined;
    let stopped = false;
    let delay = FIRST_RETRY_MS;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const run = async () => {
      const outcome = await sendEverythingKept(accountId)(dispatch);
      await forgetWhatIsGone()(dispatch, getState);
      if (stopped || outcome === 'done') return;
      timer = setTimeout(() => void run(), delay);
      delay = Math.min(LONGEST_RETRY_MS, delay * 2);
    };
    const atOnce = () => {
      clearTimeout(timer);
      delay = FIRST_RETRY_MS;
      void run();
    };
    void run();
    // What is held back so that it can be undone goes out when its time has come.
    const held = Number.isFinite(heldUntil) ? setTimeout(atOnce, Math.max(0, heldUntil - Date.now()) + 20) : undefined;
    window.addEventListener('online', atOnce);
    const atClosing = () => sendHeldAtClosing(selectWaitingRequests(getState()));
    window.addEventListener('pagehide', atClosing);
    return () => {
      stopped = true;
      clearTimeout(timer);
      clearTimeout(held);
      window.removeEventListener('online', atOnce);
      window.removeEventListener('pagehide', atClosing);
    };
  }, [accountId, dispatch, getState, toSend, heldUntil]);
}
