import {
  LIVE_LONG_SIDE,
  startWatching,
  tookBack,
  tookPicture,
  watchFrame,
  type FrameView,
  type LiveAdvice,
  type Quad,
} from '@dossier/core/capture';
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import type { LiveReply } from './live.worker';

/**
 * The bundler's own way of naming a worker's file: its other one, a new URL, is lost when what nothing
 * imports is left out of the bundle.
 */
declare const require: { unstable_resolveWorker(path: string): string };

export interface LiveSight {
  /** The card's border as shares of the frame; undefined while none is seen. */
  outline?: Quad;
  advice?: LiveAdvice;
}

/**
 * Watches the live picture in a worker: each frame is looked at as soon as the one before is done, so
 * that a slow device looks at fewer of them and the preview stays smooth.
 * @param onRelease called when card, focus and stillness are good; tells whether it released
 */
export function useLive(video: RefObject<HTMLVideoElement | null>, active: boolean, onRelease: () => boolean) {
  const [sight, setSight] = useState<LiveSight>({});
  const state = useRef(startWatching(0));
  const latest = useRef<FrameView>(undefined);
  const release = useRef(onRelease);
  useEffect(() => {
    release.current = onRelease;
  }, [onRelease]);

  useEffect(() => {
    if (!active || typeof Worker === 'undefined' || typeof OffscreenCanvas === 'undefined') return undefined;
    const worker = new Worker(require.unstable_resolveWorker('./live.worker'));
    let stopped = false;
    // What was taken before the camera was put away is still taken.
    state.current = { ...startWatching(performance.now()), taken: state.current.taken };
    const look = async () => {
      const { current } = video;
      if (stopped) return;
      if (!current?.videoWidth) return void setTimeout(() => void look(), 100);
      const scale = LIVE_LONG_SIDE / Math.max(current.videoWidth, current.videoHeight);
      const frame = await createImageBitmap(current, {
        resizeWidth: Math.max(8, Math.round(current.videoWidth * scale)),
        resizeHeight: Math.max(8, Math.round(current.videoHeight * scale)),
        resizeQuality: 'medium',
      }).catch(() => undefined);
      if (stopped || !frame) return frame ? frame.close() : void setTimeout(() => void look(), 100);
      worker.postMessage({ frame }, [frame]);
    };
    worker.onmessage = ({ data }: MessageEvent<LiveReply>) => {
      latest.current = data;
      const watched = watchFrame(state.current, data, performance.now());
      const released = watched.release && release.current();
      state.current = released ? tookPicture(watched.state, data.scene) : watched.state;
      setSight({ outline: data.outline, advice: state.current.advice });
      void look();
    };
    void look();
    return () => {
      stopped = true;
      worker.terminate();
      setSight({});
    };
  }, [active, video]);

  /** Released by hand: the same card is not taken again by itself. */
  const taken = useCallback(() => {
    if (latest.current) state.current = tookPicture(state.current, latest.current.scene);
  }, []);

  /** The last picture was taken back: the card before the camera is the one to be taken. */
  const again = useCallback(() => {
    state.current = tookBack(state.current, performance.now());
  }, []);

  return { sight, taken, again };
}
