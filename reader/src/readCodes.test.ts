import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { coveredShare, rectangle } from '@dossier/core/capture';
import sharp from 'sharp';
import { prepareZXingModule, writeBarcode } from 'zxing-wasm/writer';
import { decodePhoto } from './decodePhoto';
import { readCodes } from './readCodes';

const VCARD = 'BEGIN:VCARD\nVERSION:3.0\nN:Harrowfield-Voss;Nella\nEMAIL:nella@harrowfield.example\nEND:VCARD';

/** A pale card of 1000 × 600 with a code on its right side, as a blurred JPEG. */
async function cardWith(text: string) {
  const wasm = readFileSync(createRequire(__filename).resolve('zxing-wasm/writer/zxing_writer.wasm'));
  await prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(wasm).buffer }, fireImmediately: true });
  const { svg } = await writeBarcode(text, { format: 'QRCode' });
  const code = await sharp(Buffer.from(svg))
    .resize(220, 220, { kernel: 'nearest' })
    .flatten({ background: '#fff' })
    .png()
    .toBuffer();
  const turned = await sharp(code).rotate(7, { background: '#f4f0e4' }).png().toBuffer();
  const jpeg = await sharp({ create: { width: 1000, height: 600, channels: 3, background: '#f4f0e4' } })
    .composite([{ input: turned, left: 700, top: 300 }])
    .blur(0.8)
    .jpeg({ quality: 70 })
    .toBuffer();
  return decodePhoto(jpeg);
}

jest.setTimeout(60_000);

describe('codes on a card', () => {
  it('are read with the place where they stand', async () => {
    const [code] = await readCodes(await cardWith(VCARD));
    expect(code!.text).toBe(VCARD);
    expect(coveredShare(code!.quad, rectangle(680, 280, 300, 300))).toBe(1);
  });

  it('are not seen where there is none', async () => {
    const plain = await sharp({ create: { width: 1000, height: 600, channels: 3, background: '#f4f0e4' } })
      .png()
      .toBuffer();
    expect(await readCodes(await decodePhoto(plain))).toEqual([]);
  });
});
