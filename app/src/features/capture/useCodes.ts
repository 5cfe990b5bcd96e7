import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import type { CodeReply, CodeRequest } from './codes.worker';

/** The bundler's own way of naming a worker's file. */
declare const require: { unstable_resolveWorker(path: string): string };

/** Long side in pixels at which the live picture is searched: a code half as wide as the frame is read from it. */
const FRAME_SIDE = 960;
const PICTURE_SIDE = 2400;
const BETWEEN_FRAMES_MS = 120;

export type CodeState = 'looking' | 'nothing' | 'failed';

/**
 * Looks for a code in the live picture, or in one picture, in a worker.
 * @returns its text until `again` is called; `nothing` when a picture shows no code, `failed` when the reader could
 *   not be loaded
 */
export function useCodes(video: RefObject<HTMLVideoElement | null>, live: boolean) {
  const [text, setText] = useState<string>();
  const [state, setState] = useState<CodeState>('looking');
  const worker = useRef<Worker>(undefined);
  const waiting = useRef<(reply: CodeReply) => void>(undefined);

  useEffect(() => {
    const started = new Worker(require.unstable_resolveWorker('./codes.worker'));
    started.onmessage = ({ data }: MessageEvent<CodeReply>) => waiting.current?.(data);
    started.onerror = () => waiting.current?.({ failed: true });
    worker.current = started;
    return () => started.terminate();
  }, []);

  const ask = useCallback(
    (request: CodeRequest) =>
      new Promise<CodeReply>((resolve) => {
        waiting.current = resolve;
        worker.current?.postMessage(request, [request.frame]);
      }),
    [],
  );

  useEffect(() => {
    if (!live || text !== undefined || state === 'failed') return undefined;
    let stopped = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = async () => {
      const { current } = video;
      if (current?.videoWidth) {
        const frame = await scaled(current, current.videoWidth, current.videoHeight, FRAME_SIDE).catch(() => undefined);
        const reply = frame && !stopped ? await ask({ frame, thorough: false }) : undefined;
        if (stopped) return;
        if (reply && 'failed' in reply) return setState('failed');
        if (reply?.text) return setText(reply.text);
      }
      timer = setTimeout(() => void look(), BETWEEN_FRAMES_MS);
    };
    void look();
    return () => {
      stopped = true;
      clearTimeout(timer);
    };
  }, [ask, live, state, text, video]);

  const readPicture = useCallback(
    async (file: Blob) => {
      const whole = await createImageBitmap(file).catch(() => undefined);
      const frame = whole && (await scaled(whole, whole.width, whole.height, PICTURE_SIDE));
      whole?.close();
      const reply: CodeReply = frame ? await ask({ frame, thorough: true }) : { text: null };
      if ('failed' in reply) setState('failed');
      else if (reply.text) setText(reply.text);
      else setState('nothing');
    },
    [ask],
  );

  const again = useCallback(() => {
    setText(undefined);
    setState('looking');
  }, []);
  return { text, state, readPicture, again };
}

function scaled(source: ImageBitmapSource, width: number, height: number, side: number): Promise<ImageBitmap> {
  const scale = Math.min(1, side / Math.max(width, height));
  return createImageBitmap(source, {
    resizeWidth: Math.max(1, Math.round(width * scale)),
    resizeHeight: Math.max(1, Math.round(height * scale)),
    resizeQuality: 'medium',
  });
}
