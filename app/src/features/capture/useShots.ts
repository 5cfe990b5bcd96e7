import { useCallback, useRef, useState } from 'react';
import { useDispatch, useStore } from 'react-redux';
import { problemText } from '@/lib/api';
import { useDiscardPhotoMutation } from './api';
import { forgetPhoto, keepPhoto } from './keepPhoto';
import { selectSending, type WithCapture } from './slice';

const MOMENT_MS = 150;

/** The picture taken last, as the screen shows it. */
export interface LastShot {
  id: string;
  thumbnail: string;
  /** It is the back of the one before. */
  isBack: boolean;
}

/** Keeps one photograph after another, without waiting for anything but the device's own store. */
export function useShots(accountId: string, occasionId: string | null) {
  const dispatch = useDispatch();
  const store = useStore<WithCapture>();
  const [discard] = useDiscardPhotoMutation();
  const [count, setCount] = useState(0);
  const [last, setLast] = useState<LastShot>();
  const [backNext, setBackNext] = useState(false);
  const [problem, setProblem] = useState<string>();
  const front = useRef<string>(undefined);

  const keep = useCallback(
    async (bytes: Blob, thumbnail: string): Promise<boolean> => {
      const backOf = backNext ? (front.current ?? null) : null;
      try {
        const id = await keepPhoto(accountId, { bytes, occasionId, backOf })(dispatch);
        if (!backOf) front.current = id;
        setLast({ id, thumbnail, isBack: backOf !== null });
        setCount((n) => n + 1);
        setBackNext(false);
        setProblem(undefined);
        return true;
      } catch {
        setProblem('This device has no room left for photographs. Wait until those that are here have been sent.');
        return false;
      }
    },
    [accountId, backNext, dispatch, occasionId],
  );

  /** Takes the last picture back, wherever it is by now, so that it can be taken again. */
  const retake = useCallback(async () => {
    if (!last) return;
    // What is on its way cannot be called back: once it has arrived it is taken out there.
    while (selectSending(store.getState())?.id === last.id) await new Promise((later) => setTimeout(later, MOMENT_MS));
    const here = await forgetPhoto(last.id)(dispatch);
    const answer = here ? undefined : await discard(last.id);
    if (answer?.error) return setProblem(problemText(answer.error));
    if (last.isBack) setBackNext(true);
    setLast(undefined);
    setCount((n) => n - 1);
  }, [discard, dispatch, last, store]);

  const kept = useCallback((more: number) => setCount((n) => n + more), []);
  return { count, last, backNext, setBackNext, keep, kept, retake, problem };
}
