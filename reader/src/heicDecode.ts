import { createRequire } from 'node:module';

interface DecodedImage {
  width: number;
  height: number;
  /** Red, green, blue, alpha. */
  data: Uint8ClampedArray;
}

interface PendingImage {
  width: number;
  height: number;
  decode(): Promise<DecodedImage>;
}

interface HeicDecode {
  all(options: { buffer: Uint8Array }): Promise<PendingImage[] & { dispose(): void }>;
}

/** libheif in WebAssembly, loaded when the first HEIC comes. The package has no types of its own. */
export const heicDecode = (): HeicDecode => createRequire(import.meta.url)('heic-decode') as HeicDecode;
