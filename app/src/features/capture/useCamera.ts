import { useCallback, useEffect, useRef, useState } from 'react';

/** `asking` until the person or the browser has answered; `insecure` where the browser keeps it from pages over plain http. */
export type CameraState = 'asking' | 'live' | 'denied' | 'none' | 'busy' | 'insecure';
export type Facing = 'environment' | 'user';

/** What a camera can do beside taking pictures. */
export interface CameraAbilities {
  torch: boolean;
  /** There is another camera, looking the other way. */
  turn: boolean;
}

const JPEG_QUALITY = 0.92;

interface Shot {
  bytes: Blob;
  /** Small, for the last picture on the screen. */
  thumbnail: string;
}

const THUMBNAIL_SIDE = 160;

/** The camera of this device, the rear one where there is a choice, shown in a video element. */
export function useCamera(active: boolean, facing: Facing) {
  const video = useRef<HTMLVideoElement>(null);
  const track = useRef<MediaStreamTrack>(undefined);
  const [state, setState] = useState<CameraState>('asking');
  const [size, setSize] = useState({ width: 4, height: 3 });
  const [abilities, setAbilities] = useState<CameraAbilities>({ torch: false, turn: false });
  const [torch, setTorchOn] = useState(false);
  const [attempt, setAttempt] = useState(0);

  useEffect(() => {
    if (!active) return undefined;
    let stream: MediaStream | undefined;
    let gone = false;
    const open = async () => {
      if (!navigator.mediaDevices?.getUserMedia) return setState(globalThis.isSecureContext ? 'none' : 'insecure');
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          audio: false,
          video: { facingMode: { ideal: facing }, width: { ideal: 4096 }, height: { ideal: 3072 } },
        });
      } catch (error) {
        if (!gone) setState(stateOf(error));
        return;
      }
      if (gone || !video.current) return stream.getTracks().forEach((t) => t.stop());
      track.current = stream.getVideoTracks()[0];
      track.current?.addEventListener('ended', () => !gone && setState('busy'));
      video.current.srcObject = stream;
      await video.current.play().catch(() => undefined);
      if (gone) return;
      setSize({ width: video.current.videoWidth || 4, height: video.current.videoHeight || 3 });
      setTorchOn(false);
      setState('live');
      setAbilities({ torch: hasTorch(track.current), turn: await hasSeveralCameras() });
    };
    void open();
    return () => {
      gone = true;
      setState('asking');
      stream?.getTracks().forEach((t) => t.stop());
    };
  }, [active, attempt, facing]);

  /** The picture as the sensor gives it, not as the preview shows it. */
  const takePicture = useCallback(async (): Promise<Shot | undefined> => {
    const { current } = video;
    if (!current?.videoWidth) return undefined;
    const canvas = drawn(current, current.videoWidth, current.videoHeight);
    const scale = THUMBNAIL_SIDE / Math.max(canvas.width, canvas.height);
    const thumbnail = drawn(canvas, Math.round(canvas.width * scale), Math.round(canvas.height * scale));
    const bytes = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', JPEG_QUALITY));
    return bytes ? { bytes, thumbnail: thumbnail.toDataURL('image/jpeg', 0.7) } : undefined;
  }, []);

  const setTorch = useCallback(async (on: boolean) => {
    const constraint = { advanced: [{ torch: on } as MediaTrackConstraintSet] };
    const done = await track.current?.applyConstraints(constraint).then(
      () => true,
      () => false,
    );
    if (done) setTorchOn(on);
  }, []);

  const tryAgain = useCallback(() => {
    setState('asking');
    setAttempt((n) => n + 1);
  }, []);

  return { video, state, size, abilities, torch, setTorch, takePicture, tryAgain };
}

function drawn(source: CanvasImageSource, width: number, height: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')!.drawImage(source, 0, 0, width, height);
  return canvas;
}

const hasTorch = (track: MediaStreamTrack | undefined): boolean =>
  Boolean((track?.getCapabilities?.() as { torch?: boolean } | undefined)?.torch);

async function hasSeveralCameras(): Promise<boolean> {
  const devices = await navigator.mediaDevices.enumerateDevices().catch(() => []);
  return devices.filter((device) => device.kind === 'videoinput').length > 1;
}

function stateOf(error: unknown): CameraState {
  const name = (error as DOMException | undefined)?.name;
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'denied';
  if (name === 'NotReadableError' || name === 'AbortError') return 'busy';
  return 'none';
}
