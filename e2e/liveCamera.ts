import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import sharp, { type Sharp } from 'sharp';
import { prepareZXingModule, writeBarcode } from 'zxing-wasm/writer';
import { demoPhoto } from './desk';

const WIDTH = 1280;
const HEIGHT = 960;

type Frame = Buffer;
const asFrame = (picture: Sharp): Promise<Frame> => picture.jpeg({ quality: 92 }).toBuffer();
const fitted = (name: string) => sharp(demoPhoto(name)).resize(WIDTH, HEIGHT, { fit: 'cover' });

/** What may stand before the camera. */
export const frames = {
  table: () => asFrame(sharp({ create: { width: WIDTH, height: HEIGHT, channels: 3, background: '#8f6b4a' } })),
  card: (name: string) => asFrame(fitted(name)),
  dark: (name: string) => asFrame(fitted(name).linear(0.12, 0)),
};

/** A two-dimensional code on a table, a third as high as the picture. */
export async function codeFrame(text: string): Promise<Frame> {
  const wasm = readFileSync(createRequire(import.meta.url).resolve('zxing-wasm/writer/zxing_writer.wasm'));
  await prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(wasm).buffer }, fireImmediately: true });
  const { image, error } = await writeBarcode(text, { format: 'QRCode', scale: 6 });
  if (!image) throw new Error(error);
  const code = await sharp(Buffer.from(await image.arrayBuffer()))
    .resize({ height: HEIGHT / 3 })
    .extend({ top: 20, bottom: 20, left: 20, right: 20, background: '#fff' })
    .png()
    .toBuffer();
  return asFrame(sharp(await frames.table()).composite([{ input: code }]));
}

/** A picture of something on a table, as high as two thirds of what the camera sees. */
export async function pictureFrame(picture: Buffer): Promise<Frame> {
  const input = await sharp(picture).resize({ height: Math.round((HEIGHT * 2) / 3) }).png().toBuffer(); // prettier-ignore
  return asFrame(sharp(await frames.table()).composite([{ input }]));
}

declare global {
  interface Window {
    showToCamera: (picture: string) => Promise<void>;
  }
}

/** A camera that shows what the test puts before it; the page must not have been opened yet. */
export async function installCamera(page: Page): Promise<void> {
  await page.addInitScript(
    ([width, height]) => {
      const canvas = Object.assign(document.createElement('canvas'), { width, height });
      const context = canvas.getContext('2d')!;
      let shown: ImageBitmap | undefined;
      // A canvas sends a frame only when it is drawn on; a few a second are enough for what stands still, and leave the cores to others.
      const draw = () => (shown ? context.drawImage(shown, 0, 0) : context.fillRect(0, 0, width, height));
      draw();
      setInterval(draw, 120);
      const small = new OffscreenCanvas(16, 12).getContext('2d', { willReadFrequently: true })!;
      // All of the picture goes into each of the few points.
      small.imageSmoothingQuality = 'high';
      const lightsOf = (picture: CanvasImageSource) => {
        small.drawImage(picture, 0, 0, 16, 12);
        return small.getImageData(0, 0, 16, 12).data;
      };
      // The way through a video changes colours a little.
      const differs = (one: CanvasImageSource, other: CanvasImageSource) => {
        const lights = lightsOf(other);
        return lightsOf(one).reduce((sum, light, i) => sum + Math.abs(light - lights[i]!), 0) > 4 * lights.length;
      };
      window.showToCamera = async (picture) => {
        const bytes = Uint8Array.from(atob(picture), (c) => c.charCodeAt(0));
        shown = await createImageBitmap(new Blob([bytes], { type: 'image/jpeg' }));
        draw();
        // What was on its way to the preview comes before it.
        const video = document.querySelector('video');
        while (video && differs(video, shown))
          await new Promise<void>((resolve) => video.requestVideoFrameCallback(() => resolve()));
      };
      navigator.mediaDevices.getUserMedia = () => Promise.resolve(canvas.captureStream(10));
    },
    [WIDTH, HEIGHT] as const,
  );
}

export async function showToCamera(page: Page, frame: Promise<Frame>): Promise<void> {
  await page.evaluate((picture) => window.showToCamera(picture), (await frame).toString('base64'));
}
