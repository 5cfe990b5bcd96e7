import sharp from 'sharp';
import { encodeJpeg } from './encodeJpeg';
import { emptyPixels } from './pixels';

/** The parts of a profile in a JPEG's segments, as "number of count" and bytes (ICC.1:2022, annex B.4). */
function profileParts(jpeg: Buffer): { place: string; part: Buffer }[] {
  const parts = [];
  for (let at = 2; jpeg.readUInt16BE(at) === 0xffe2; at += 2 + jpeg.readUInt16BE(at + 2)) {
    const end = at + 2 + jpeg.readUInt16BE(at + 2);
    expect(jpeg.toString('latin1', at + 4, at + 16)).toBe('ICC_PROFILE\0');
    parts.push({ place: `${jpeg[at + 16]} of ${jpeg[at + 17]}`, part: jpeg.subarray(at + 18, end) });
  }
  return parts;
}

const grey = { ...emptyPixels(16, 12), data: new Uint8Array(16 * 12 * 3).fill(120) };

describe('a JPEG', () => {
  it('has no profile when its colours are sRGB', async () => {
    const jpeg = Buffer.from(await encodeJpeg(grey));
    expect(profileParts(jpeg)).toEqual([]);
    expect(await sharp(jpeg).metadata()).toMatchObject({ width: 16, height: 12, hasProfile: false });
  });

  it('holds a long profile in several segments, and stays a picture', async () => {
    const profile = Buffer.from(Uint8Array.from({ length: 150_000 }, (_, i) => i % 251));
    const jpeg = Buffer.from(await encodeJpeg(grey, profile));
    const parts = profileParts(jpeg);
    expect(parts.map((p) => p.place)).toEqual(['1 of 3', '2 of 3', '3 of 3']);
    expect(Buffer.concat(parts.map((p) => p.part)).equals(profile)).toBe(true);
    expect(await sharp(jpeg).metadata()).toMatchObject({ width: 16, height: 12 });
  });
});
