import { useCallback, useEffect, useRef, useState } from 'react';

/** `asking` until the person or the browser has answered. */
export type CameraState = 'asking' | 'live' | 'denied' | 'none' | 'busy';

const WANTED: MediaStreamConstraints = {
  audio: false,
  video: { facingMode: { ideal: 'environment' }, width: { ideal: 4096 }, height: { ideal: 3072 } },
};

const JPEG_QUALITY = 0.92;

/** The camera of this device, the rear one where there is a choice, shown in a video element. */
export function useCamera(active: boolean) {
  const video = useRef<HTMLVideoElement>(null);
  const [state, setState] = useState<CameraState>('asking');
  const [attempt, setAttempt] = useState(0);

  useEffect(() => {
    if (!active) return undefined;
    let stream: MediaStream | undefined;
    let gone = false;
    const open = async () => {
      if (!navigator.mediaDevices?.getUserMedia) return setState('none');
      try {
        stream = await navigator.mediaDevices.getUserMedia(WANTED);
      } catch (error) {
        if (!gone) setState(stateOf(error));
        return;
      }
      if (gone || !video.current) return stream.getTracks().forEach((track) => track.stop());
      video.current.srcObject = stream;
      await video.current.play().catch(() => undefined);
      if (!gone) setState('live');
    };
    void open();
    return () => {
      gone = true;
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, [active, attempt]);

  /** The picture as the sensor gives it, not as the preview shows it. */
  const takePicture = useCallback(async (): Promise<Blob | undefined> => {
    const { current } = video;
    if (!current?.videoWidth) return undefined;
    const canvas = document.createElement('canvas');
    canvas.width = current.videoWidth;
    canvas.height = current.videoHeight;
    canvas.getContext('2d')!.drawImage(current, 0, 0);
    return new Promise((resolve) => canvas.toBlob((blob) => resolve(blob ?? undefined), 'image/jpeg', JPEG_QUALITY));
  }, []);

  const tryAgain = useCallback(() => {
    setState('asking');
    setAttempt((n) => n + 1);
  }, []);

  return { video, state, takePicture, tryAgain };
}

function stateOf(error: unknown): CameraState {
  const name = (error as DOMException | undefined)?.name;
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'denied';
  if (name === 'NotReadableError' || name === 'AbortError') return 'busy';
  return 'none';
}
