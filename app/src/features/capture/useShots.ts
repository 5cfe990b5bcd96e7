import { useCallback, useRef, useState } from 'react';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { problemText } from '@/lib/api';
import { useDiscardPhotoMutation } from './api';
import { forgetPhoto, keepPhoto } from './keepPhoto';
import { captureSlice, selectSending, selectShots, type WithCapture } from './slice';

const MOMENT_MS = 150;
const { backAwaited, othersKept, shotTaken, shotTakenBack } = captureSlice.actions;

/**
 * Keeps one photograph after another, without waiting for anything but the device's own store. What was taken, and that a back is to
 * come, is still so when somebody comes back from another page.
 */
export function useShots(accountId: string, occasionId: string | null) {
  const dispatch = useDispatch();
  const store = useStore<WithCapture>();
  const [discard] = useDiscardPhotoMutation();
  const shots = useSelector(selectShots);
  const count = useSelector(({ capture }: WithCapture) => capture.shotCount);
  const backNext = useSelector(({ capture }: WithCapture) => capture.backNext);
  const [problem, setProblem] = useState<string>();
  const retaking = useRef<Promise<void>>(undefined);
  const last = shots.at(-1);

  const keep = useCallback(
    async (bytes: Blob, thumbnail: string): Promise<boolean> => {
      // What takes the place of a picture that is being taken back is told of what that one was.
      await retaking.current;
      const { capture } = store.getState();
      const front = capture.shots.findLast((shot) => !shot.isBack);
      const backOf = capture.backNext ? (front?.id ?? null) : null;
      try {
        const id = await keepPhoto(accountId, { bytes, occasionId, backOf })(dispatch);
        dispatch(shotTaken({ id, thumbnail, isBack: backOf !== null }));
        setProblem(undefined);
        return true;
      } catch {
        setProblem('This device has no room left for photographs. Wait until those that are here have been sent.');
        return false;
      }
    },
    [accountId, dispatch, occasionId, store],
  );

  /** Takes the last picture back, wherever it is by now, so that it can be taken again. */
  const takeBack = useCallback(async () => {
    if (!last) return;
    // What is on its way cannot be called back: once it has arrived it is taken out there.
    while (selectSending(store.getState())?.id === last.id) await new Promise((later) => setTimeout(later, MOMENT_MS));
    const here = await forgetPhoto(last.id)(dispatch);
    const answer = here ? undefined : await discard(last.id);
    if (answer?.error) return setProblem(problemText(answer.error));
    dispatch(shotTakenBack());
  }, [discard, dispatch, last, store]);
  const retake = useCallback(() => (retaking.current = takeBack()), [takeBack]);

  const kept = useCallback((more: number) => dispatch(othersKept(more)), [dispatch]);
  const setBackNext = useCallback((awaited: boolean) => dispatch(backAwaited(awaited)), [dispatch]);
  return { shots, count, last, backNext, setBackNext, keep, kept, retake, problem };
}
