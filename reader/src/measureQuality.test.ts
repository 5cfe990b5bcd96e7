import { rectangle, type PictureQuality, type Quad } from '@dossier/core/capture';
import sharp, { type Sharp } from 'sharp';
import { decodePhoto } from './decodePhoto';
import { measureQuality } from './measureQuality';

const LINES: Quad[] = [60, 140, 220].map((y) => rectangle(50, y, 300, 42));

/** A photograph that is all card, with three lines of bars as high as letters. */
async function measured(
  change: (picture: Sharp) => Sharp,
  ground = '#e8e4d8',
  ink = '#202020',
): Promise<PictureQuality> {
  const bars = LINES.flatMap(([[x, y]]) =>
    Array.from({ length: 30 }, (_, i) => `<rect x="${x + i * 10}" y="${y + 7}" width="4" height="28" fill="${ink}"/>`),
  ).join('');
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="480" height="300"><rect width="480" height="300" fill="${ground}"/>${bars}</svg>`;
  const drawn = sharp(await sharp(Buffer.from(svg)).png().toBuffer());
  const pixels = await decodePhoto(await change(drawn).png().toBuffer());
  const whole = rectangle(0, 0, pixels.width, pixels.height);
  return measureQuality(pixels, LINES, { pixels, quad: whole });
}

describe('the quality of a picture', () => {
  it('of a crisp card is good in every way', async () => {
    const quality = await measured((p) => p);
    expect(quality.blur).toBeLessThan(0.15);
    expect(quality.glare).toBe(0);
    expect(quality.textContrast).toBeGreaterThan(0.6);
    expect(quality.smallestText).toBeCloseTo(28, 0);
  });

  it('tells blur, darkness and faint print', async () => {
    const crisp = await measured((p) => p);
    expect((await measured((p) => p.blur(1.5))).blur).toBeGreaterThan(1.4 * crisp.blur);
    expect((await measured((p) => p.linear(0.12, 0))).exposure).toBeLessThan(0.15);
    expect((await measured((p) => p, '#e8e4d8', '#d4d0c4')).textContrast).toBeLessThan(0.12);
  });

  it('tells glare over the text, and takes white paper for none', async () => {
    const glare = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="480" height="300"><rect x="40" y="40" width="200" height="160" fill="#fff"/></svg>',
    );
    expect((await measured((p) => p.composite([{ input: glare }]))).glare).toBeGreaterThan(0.2);
    expect((await measured((p) => p, '#ffffff')).glare).toBe(0);
  });
});
