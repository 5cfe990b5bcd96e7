import { viewFrame, type FrameView } from '@dossier/core/capture';

/** A small frame of the live picture goes in; what it shows comes out. */
export interface LiveRequest {
  frame: ImageBitmap;
}
export type LiveReply = FrameView;

interface WorkerScope {
  onmessage: ((event: MessageEvent<LiveRequest>) => void) | null;
  postMessage: (reply: LiveReply) => void;
}
const scope = self as unknown as WorkerScope;

let canvas: OffscreenCanvas | undefined;

scope.onmessage = ({ data: { frame } }) => {
  const { width, height } = frame;
  if (canvas?.width !== width || canvas.height !== height) canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(frame, 0, 0);
  frame.close();
  scope.postMessage(viewFrame(context.getImageData(0, 0, width, height)));
};
