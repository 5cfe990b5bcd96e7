import { writable } from '@dossier/core/text';
import { BINARY, LIBRARY } from './codeParts';

/** A frame of the live picture, or a picture, goes in; the text of a code on it comes out. */
export interface CodeRequest {
  frame: ImageBitmap;
  /** A picture that will not change is looked at thoroughly. */
  thorough: boolean;
}
export type CodeReply = { text: string | null } | { failed: true };

interface CodeReader {
  prepareZXingModule: (options: object) => Promise<unknown>;
  readBarcodes: (image: ImageData, options: object) => Promise<{ isValid: boolean; text: string }[]>;
}
interface WorkerScope {
  onmessage: ((event: MessageEvent<CodeRequest>) => void) | null;
  postMessage: (reply: CodeReply) => void;
  importScripts: (url: string) => void;
  ZXingWASM: CodeReader;
}
const scope = self as unknown as WorkerScope;

let preparing: Promise<CodeReader> | undefined;

function reader(): Promise<CodeReader> {
  preparing ??= (async () => {
    scope.importScripts(LIBRARY);
    await scope.ZXingWASM.prepareZXingModule({ overrides: { locateFile: () => BINARY }, fireImmediately: true });
    return scope.ZXingWASM;
  })();
  return preparing;
}

scope.onmessage = ({ data: { frame, thorough } }) => {
  void read(frame, thorough)
    .then((text) => scope.postMessage({ text }))
    .catch(() => {
      preparing = undefined;
      scope.postMessage({ failed: true });
    });
};

async function read(frame: ImageBitmap, thorough: boolean): Promise<string | null> {
  const { width, height } = frame;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  context.drawImage(frame, 0, 0);
  frame.close();
  const found = await (
    await reader()
  ).readBarcodes(context.getImageData(0, 0, width, height), {
    formats: ['QRCode', 'MicroQRCode', 'DataMatrix', 'Aztec'],
    maxNumberOfSymbols: 1,
    tryHarder: thorough,
    textMode: 'Plain',
  });
  const texts = found.filter(({ isValid }) => isValid).map(({ text }) => writable(text));
  return texts.find((text) => text.trim() !== '') ?? null;
}
