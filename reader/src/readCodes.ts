import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { Quad } from '@dossier/core/capture';
import type { ReadCode } from '@dossier/core/reading';
import { writable } from '@dossier/core/text';
import { prepareZXingModule, readBarcodes, type ReaderOptions } from 'zxing-wasm/reader';
import type { Pixels } from './pixels';

const MOST_CODES = 3;
const OPTIONS: ReaderOptions = {
  formats: ['QRCode', 'MicroQRCode', 'DataMatrix', 'Aztec'],
  maxNumberOfSymbols: MOST_CODES,
  // Cards are rectified and upright: the slow searches find no more (27 codes of 27 on photographs without them).
  tryHarder: false,
  tryRotate: false,
  textMode: 'Plain',
};

let preparing: Promise<unknown> | undefined;

/** The decoder's WebAssembly comes out of its package, never from the network. */
function prepare(): Promise<unknown> {
  preparing ??= readFile(createRequire(import.meta.url).resolve('zxing-wasm/reader/zxing_reader.wasm')).then((wasm) =>
    prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(wasm).buffer }, fireImmediately: true }),
  );
  return preparing;
}

/** Two-dimensional codes on a rectified card whose text can be read. */
export async function readCodes(card: Pixels): Promise<ReadCode[]> {
  await prepare();
  const found = await readBarcodes(
    { data: withAlpha(card), width: card.width, height: card.height, colorSpace: 'srgb' } as Parameters<
      typeof readBarcodes
    >[0],
    OPTIONS,
  );
  return found
    .filter((code) => code.isValid)
    .map((code) => ({ ...code, text: writable(code.text) }))
    .filter(({ text }) => text.trim() !== '')
    .map(({ text, position: { topLeft, topRight, bottomRight, bottomLeft } }) => ({
      text,
      quad: [topLeft, topRight, bottomRight, bottomLeft].map(({ x, y }) => [x, y] as const) as unknown as Quad,
    }));
}

function withAlpha({ data, width, height }: Pixels): Uint8ClampedArray {
  const out = new Uint32Array(width * height);
  for (let i = 0, o = 0; o < out.length; i += 3, o++)
    out[o] = 0xff000000 | (data[i + 2]! << 16) | (data[i + 1]! << 8) | data[i]!;
  return new Uint8ClampedArray(out.buffer);
}
